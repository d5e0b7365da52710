import type { Drift } from "@/core/group/goal";
import { given, taken, type Given } from "./give";
import { tonesFor, type Material } from "@/core/group/material";
import type { School } from "@/core/group/school";
import type { Layer, ShadowLayer } from "@/core/media/layer";
import { inOrder, MEDIA, orderOf } from "@/core/media/registry";
import { laidAs } from "@/core/media/tone";
import { applyLight, isLightCommand, type LightCommand } from "./lit";
import {
  applySetUp,
  isSetUpCommand,
  withoutAreas,
  withReference,
  type SetUpCommand,
} from "./set-up-commands";
import {
  asLayers,
  isPlannedShade,
  newArea,
  numbered,
  partOf,
  schoolOf,
  tonesOf,
  type Area,
  type KeptTone,
  type Piece,
  type PictureReading,
  type Place,
  type Whole,
} from "./piece";

/** Ink that a planned group has under or over its shadow end. */
export type Shade = Pick<ShadowLayer, "code" | "coats"> & { readonly kind: "underlay" | "overlay" };

/** A group as it is kept: its tones, and of a planned one what makes its shadow end (none where the darkest tone does) and how it is laid. */
export interface PlannedTones {
  readonly tones: readonly KeptTone[];
  readonly shade?: readonly Shade[];
  readonly school?: School;
}

/** Every change that can be made to a piece, by name. Undo, saving and the log share these. */
export type Command =
  | { readonly type: "rename piece"; readonly name: string }
  | { readonly type: "choose paper"; readonly paperId: string }
  | { readonly type: "choose picture"; readonly pictureId: string | null }
  | { readonly type: "wish of the whole"; readonly set: Partial<Whole> }
  | {
      readonly type: "accept groups";
      readonly groups: readonly ({ readonly id: string } & PlannedTones)[];
    }
  | { readonly type: "add area"; readonly id: string; readonly name: string }
  | { readonly type: "rename area"; readonly id: string; readonly name: string }
  | { readonly type: "move area"; readonly id: string; readonly to: number }
  | { readonly type: "delete area"; readonly id: string }
  | {
      readonly type: "place reading";
      readonly id: string;
      readonly place: Place;
      readonly reading: PictureReading;
    }
  | { readonly type: "take colours"; readonly id: string; readonly readings: Area["readings"] }
  /** Names and colours of several areas in one go; what is left out stays. */
  | {
      readonly type: "describe areas";
      readonly areas: readonly {
        readonly id: string;
        readonly name?: string;
        readonly readings?: Area["readings"];
      }[];
    }
  | { readonly type: "clear reading"; readonly id: string; readonly place: Place }
  | { readonly type: "set material"; readonly id: string; readonly material: Material }
  | { readonly type: "set materials"; readonly ids: readonly string[]; readonly material: Material }
  | {
      readonly type: "name areas";
      readonly areas: readonly { readonly id: string; readonly name: string }[];
    }
  /** From an area of another piece, by the name of that. */
  | { readonly type: "take plan"; readonly id: string; readonly source: Area; readonly from: string }
  | { readonly type: "give"; readonly from: string; readonly to: readonly string[]; readonly what: Given }
  | { readonly type: "choose school"; readonly id: string; readonly school: School | null }
  | { readonly type: "set size"; readonly id: string; readonly size: number | null }
  | { readonly type: "set tones"; readonly id: string; readonly tones: number | null }
  | { readonly type: "set contrast"; readonly id: string; readonly contrast: number | null }
  | { readonly type: "set drift"; readonly id: string; readonly drift: Drift }
  | { readonly type: "set owned only"; readonly id: string; readonly ownedOnly: boolean }
  | { readonly type: "set emphasis"; readonly id: string; readonly emphasis: boolean }
  | { readonly type: "exclude ink"; readonly id: string; readonly code: string; readonly excluded: boolean }
  | ({ readonly type: "keep group"; readonly id: string } & PlannedTones)
  | { readonly type: "overrule tone"; readonly id: string; readonly place: number; readonly tone: KeptTone }
  | { readonly type: "lock group"; readonly id: string; readonly locked: boolean }
  | { readonly type: "lock tone"; readonly id: string; readonly place: number; readonly locked: boolean }
  | { readonly type: "move tone"; readonly id: string; readonly from: number; readonly to: number }
  | { readonly type: "put layer"; readonly id: string; readonly layer: Layer }
  | { readonly type: "change layer"; readonly id: string; readonly at: number; readonly layer: Layer }
  | { readonly type: "take layer away"; readonly id: string; readonly at: number }
  | { readonly type: "write note"; readonly id: string; readonly note: string }
  | SetUpCommand
  | LightCommand;

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

/** An area of another material or size: its number of tones follows, unless it was set otherwise by hand. */
function withSuitingTones(area: Area, change: Partial<Pick<Area, "material" | "size">>): Area {
  const next = { ...area, ...change };
  return area.tones === tonesFor(area.material, partOf(area))
    ? { ...next, tones: tonesFor(next.material, partOf(next)) }
    : next;
}

/** The area with another group, in the order of laying; what lies beneath and over it stays. */
const withTones = (area: Area, tones: readonly KeptTone[]): Area => ({
  ...area,
  layers: inOrder([...area.layers.filter((l) => l.medium !== "tone"), ...asLayers(laidAs(tones, tones))]),
});

/** The area with a group that was planned, as it is once that is kept: what makes its shadow end takes the place of what did, and another school comes with it. */
export function withPlanned(area: Area, { tones, shade, school }: PlannedTones): Area {
  const layers: readonly Layer[] = shade
    ? [
        ...area.layers.filter((l) => !isPlannedShade(l)),
        ...shade.map((s) => ({ medium: "shadow" as const, place: "shadow" as const, ...s })),
      ]
    : area.layers;
  const next = withTones({ ...area, layers: inOrder(layers) }, tones);
  return school && school !== schoolOf(area) ? { ...next, school } : next;
}

const plain = (tones: ReturnType<typeof tonesOf>): KeptTone[] => tones.map(({ medium: _, ...t }) => t);

const changeTone = (area: Area, place: number, change: (tone: KeptTone) => KeptTone): Area =>
  withTones(
    area,
    plain(tonesOf(area)).map((t, i) => (i === place ? change(t) : t)),
  );

/** A further layer on top of those of its order; a medium of which there are enough takes no more. */
const withLayer = (area: Area, layer: Layer): Area =>
  area.layers.filter((l) => l.medium === layer.medium).length < MEDIA[layer.medium].most
    ? { ...area, layers: inOrder([...area.layers, layer]) }
    : area;

/** The piece after a command. Commands on areas that are gone leave it as it is. */
export const applyCommand = (piece: Piece, command: Command): Piece => numbered(applied(piece, command));

function applied(piece: Piece, command: Command): Piece {
  if (isSetUpCommand(command)) return applySetUp(piece, command);
  if (isLightCommand(command)) return applyLight(piece, command);
  switch (command.type) {
    case "rename piece":
      return { ...piece, name: command.name };
    case "choose paper":
      return { ...piece, paperId: command.paperId };
    case "choose picture":
      return command.pictureId === null
        ? { ...piece, pictureId: null }
        : withReference(piece, command.pictureId);
    case "wish of the whole":
      return { ...piece, whole: { ...piece.whole, ...command.set } };
    case "accept groups":
      return command.groups.reduce(
        (p, { id, ...planned }) => changeArea(p, id, (a) => withPlanned(a, planned)),
        piece,
      );
    case "add area":
      return { ...piece, areas: [...piece.areas, newArea(command.id, command.name)] };
    case "rename area":
      return changeArea(piece, command.id, (a) => ({ ...a, name: command.name }));
    case "move area":
      return {
        ...piece,
        areas: moved(
          piece.areas,
          piece.areas.findIndex((a) => a.id === command.id),
          command.to,
        ),
      };
    case "delete area":
      return withoutAreas(piece, [command.id]);
    case "place reading":
      return changeArea(piece, command.id, (a) => ({
        ...a,
        readings: { ...a.readings, [command.place]: command.reading },
      }));
    case "take colours":
      return changeArea(piece, command.id, (a) => ({ ...a, readings: command.readings }));
    case "describe areas": {
      const said = new Map(command.areas.map((a) => [a.id, a]));
      return {
        ...piece,
        areas: piece.areas.map((a) => {
          const own = said.get(a.id);
          return own ? { ...a, name: own.name ?? a.name, readings: { ...a.readings, ...own.readings } } : a;
        }),
      };
    }
    case "take plan":
      return taken(piece, command.id, command.source, command.from);
    case "give":
      return given(piece, command.from, command.to, command.what);
    case "clear reading":
      return changeArea(piece, command.id, (a) => {
        const { [command.place]: _gone, ...readings } = a.readings;
        return { ...a, readings };
      });
    case "set materials":
      return command.ids.reduce(
        (p, id) => changeArea(p, id, (a) => withSuitingTones(a, { material: command.material })),
        piece,
      );
    case "name areas": {
      const names = new Map(command.areas.map((a) => [a.id, a.name]));
      return { ...piece, areas: piece.areas.map((a) => ({ ...a, name: names.get(a.id) ?? a.name })) };
    }
    case "set material":
      return changeArea(piece, command.id, (a) => withSuitingTones(a, { material: command.material }));
    case "choose school":
      return changeArea(piece, command.id, (a) => ({ ...a, school: command.school }));
    case "set size":
      return changeArea(piece, command.id, (a) =>
        withSuitingTones(a, { size: command.size === null ? null : clamp(command.size, 1, 1e6) }),
      );
    case "set tones":
      return changeArea(piece, command.id, (a) => ({
        ...a,
        tones: command.tones !== null && Number.isInteger(command.tones) ? clamp(command.tones, 2, 6) : null,
      }));
    case "set contrast":
      return changeArea(piece, command.id, (a) => ({
        ...a,
        contrast: command.contrast === null ? null : clamp(command.contrast, 4, 90),
      }));
    case "set drift":
      return changeArea(piece, command.id, (a) => ({ ...a, drift: command.drift }));
    case "set owned only":
      return changeArea(piece, command.id, (a) => ({ ...a, ownedOnly: command.ownedOnly }));
    case "set emphasis":
      return changeArea(piece, command.id, (a) => ({ ...a, emphasis: command.emphasis }));
    case "exclude ink":
      return changeArea(piece, command.id, (a) => ({
        ...a,
        excluded: command.excluded
          ? [...new Set([...a.excluded, command.code])]
          : a.excluded.filter((c) => c !== command.code),
      }));
    case "keep group":
      return changeArea(piece, command.id, (a) => withPlanned(a, command));
    case "overrule tone":
      return changeArea(piece, command.id, (a) =>
        changeTone(a, command.place, ({ depth, carries }) => ({
          ...command.tone,
          ...(depth !== undefined && { depth }),
          ...(carries && { carries }),
        })),
      );
    case "lock tone":
      return changeArea(piece, command.id, (a) =>
        changeTone(a, command.place, ({ locked: _was, ...tone }) =>
          command.locked ? { ...tone, locked: true } : tone,
        ),
      );
    case "lock group":
      return changeArea(piece, command.id, (a) =>
        withTones(
          a,
          plain(tonesOf(a)).map(({ locked: _was, ...tone }) =>
            command.locked ? { ...tone, locked: true as const } : tone,
          ),
        ),
      );
    case "move tone":
      return changeArea(piece, command.id, (a) =>
        withTones(a, laidAs(plain(tonesOf(a)), moved(plain(tonesOf(a)), command.from, command.to))),
      );
    case "put layer":
      return changeArea(piece, command.id, (a) => withLayer(a, command.layer));
    case "change layer":
      return changeArea(piece, command.id, (a) =>
        a.layers[command.at]?.medium === command.layer.medium &&
        orderOf(a.layers[command.at]!) === orderOf(command.layer)
          ? { ...a, layers: a.layers.map((l, i) => (i === command.at ? command.layer : l)) }
          : a,
      );
    case "take layer away":
      return changeArea(piece, command.id, (a) => ({
        ...a,
        layers: a.layers.filter((_, i) => i !== command.at),
      }));
    case "write note":
      return changeArea(piece, command.id, (a) => ({ ...a, note: command.note }));
  }
}
