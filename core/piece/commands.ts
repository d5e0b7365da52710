import { DEFAULT_TONES, newArea, type Area, type KeptGroup, type KeptTone, type Piece, type PictureReading, type Place } from "./piece";

/** Every change that can be made to a piece, by name. Undo, saving and the log share these. */
export type Command =
  | { readonly type: "rename piece"; readonly name: string }
  | { readonly type: "choose paper"; readonly paperId: string }
  | { readonly type: "choose picture"; readonly pictureId: string | null }
  | { readonly type: "add area"; readonly id: string; readonly name: string }
  | { readonly type: "rename area"; readonly id: string; readonly name: string }
  | { readonly type: "move area"; readonly id: string; readonly to: number }
  | { readonly type: "delete area"; readonly id: string }
  | { readonly type: "place reading"; readonly id: string; readonly place: Place; readonly reading: PictureReading }
  | { readonly type: "clear reading"; readonly id: string; readonly place: Place }
  | { readonly type: "set tones"; readonly id: string; readonly tones: number }
  | { readonly type: "set contrast"; readonly id: string; readonly contrast: number | null }
  | { readonly type: "set owned only"; readonly id: string; readonly ownedOnly: boolean }
  | { readonly type: "keep group"; readonly id: string; readonly group: KeptGroup | null }
  | { readonly type: "overrule tone"; readonly id: string; readonly place: number; readonly tone: KeptTone }
  | { readonly type: "move tone"; readonly id: string; readonly from: number; readonly to: number }
  | { readonly type: "write note"; readonly id: string; readonly note: string };

function changeArea(piece: Piece, id: string, change: (area: Area) => Area): Piece {
  return { ...piece, areas: piece.areas.map((a) => (a.id === id ? change(a) : a)) };
}

/** A list with one entry moved; places outside the list leave it as it is. */
export function moved<T>(list: readonly T[], from: number, to: number): readonly T[] {
  if (from < 0 || from >= list.length || to < 0 || to >= list.length) return list;
  const out = [...list];
  out.splice(to, 0, ...out.splice(from, 1));
  return out;
}

const clamp = (v: number, least: number, most: number) => Math.min(most, Math.max(least, v));

/** The piece after a command. Commands on areas that are gone leave it as it is. */
export function applyCommand(piece: Piece, command: Command): Piece {
  switch (command.type) {
    case "rename piece":
      return { ...piece, name: command.name };
    case "choose paper":
      return { ...piece, paperId: command.paperId };
    case "choose picture":
      return { ...piece, pictureId: command.pictureId };
    case "add area":
      return { ...piece, areas: [...piece.areas, newArea(command.id, command.name)] };
    case "rename area":
      return changeArea(piece, command.id, (a) => ({ ...a, name: command.name }));
    case "move area":
      return { ...piece, areas: moved(piece.areas, piece.areas.findIndex((a) => a.id === command.id), command.to) };
    case "delete area":
      return { ...piece, areas: piece.areas.filter((a) => a.id !== command.id) };
    case "place reading":
      return changeArea(piece, command.id, (a) => ({ ...a, readings: { ...a.readings, [command.place]: command.reading } }));
    case "clear reading":
      return changeArea(piece, command.id, (a) => {
        const { [command.place]: _gone, ...readings } = a.readings;
        return { ...a, readings };
      });
    case "set tones":
      return changeArea(piece, command.id, (a) => ({ ...a, tones: Number.isInteger(command.tones) ? clamp(command.tones, 2, 6) : DEFAULT_TONES }));
    case "set contrast":
      return changeArea(piece, command.id, (a) => ({ ...a, contrast: command.contrast === null ? null : clamp(command.contrast, 4, 90) }));
    case "set owned only":
      return changeArea(piece, command.id, (a) => ({ ...a, ownedOnly: command.ownedOnly }));
    case "keep group":
      return changeArea(piece, command.id, (a) => ({ ...a, group: command.group }));
    case "overrule tone":
      return changeArea(piece, command.id, (a) =>
        a.group ? { ...a, group: { tones: a.group.tones.map((t, i) => (i === command.place ? command.tone : t)) } } : a,
      );
    case "move tone":
      return changeArea(piece, command.id, (a) => (a.group ? { ...a, group: { tones: moved(a.group.tones, command.from, command.to) } } : a));
    case "write note":
      return changeArea(piece, command.id, (a) => ({ ...a, note: command.note }));
  }
}
