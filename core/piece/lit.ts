import type { ToneWish } from "@/core/colouring/tone-map";
import { DEFAULT_FORM, type Form } from "@/core/light/form";
import type { LightPlan } from "@/core/light/light";
import type { Mark } from "@/core/media/mark";
import { remarked, withMarks } from "./marked";
import { newArea, type Area, type Piece } from "./piece";
import type { AreaPlace } from "./set-up";
import { DEFAULT_AREA_TONES, type AreaTones } from "./zones";

/** Every change of light, form and the places of tones, by name. */
export type LightCommand =
  | { readonly type: "change light"; readonly set: Partial<LightPlan> }
  | { readonly type: "change form"; readonly ids: readonly string[]; readonly set: Partial<Form> }
  /** The form of each of several areas at once. */
  | {
      readonly type: "change forms";
      readonly sets: readonly { readonly id: string; readonly set: Partial<Form> }[];
    }
  | { readonly type: "change tones"; readonly id: string; readonly set: Partial<AreaTones> }
  /** Something opaque at its very spots, in one area or in several. */
  | {
      readonly type: "set marks";
      readonly code: string;
      readonly sets: readonly { readonly id: string; readonly marks: readonly Mark[] }[];
    }
  /** The marks of a layer of an area, by its place among the layers; none takes the layer away. */
  | {
      readonly type: "change marks";
      readonly id: string;
      readonly at: number;
      readonly marks: readonly Mark[];
    }
  | {
      readonly type: "add ground shadow";
      readonly id: string;
      readonly name: string;
      /** Its outline from within what throws it and back there, shares of the drawing. */
      readonly outline: readonly (readonly [number, number])[];
      readonly place: AreaPlace;
    };

const NAMES: Readonly<Record<LightCommand["type"], true>> = {
  "change light": true,
  "change form": true,
  "change forms": true,
  "change tones": true,
  "set marks": true,
  "change marks": true,
  "add ground shadow": true,
};

export const isLightCommand = (command: { readonly type: string }): command is LightCommand =>
  Object.hasOwn(NAMES, command.type);

/** The piece after a command of light. */
export function applyLight(piece: Piece, command: LightCommand): Piece {
  const eachArea = (ids: readonly string[], change: (area: Area) => Area): Piece => ({
    ...piece,
    areas: piece.areas.map((a) => (ids.includes(a.id) ? change(a) : a)),
  });
  switch (command.type) {
    case "change light":
      return { ...piece, light: { ...piece.light, ...command.set } };
    case "change form":
      return eachArea(command.ids, (a) => ({ ...a, form: { ...formOf(a), ...command.set } }));
    case "change forms": {
      const sets = new Map(command.sets.map(({ id, set }) => [id, set]));
      return eachArea([...sets.keys()], (a) => ({ ...a, form: { ...formOf(a), ...sets.get(a.id) } }));
    }
    case "change tones":
      return eachArea([command.id], (a) => ({ ...a, zones: { ...zonesOf(a), ...command.set } }));
    case "set marks":
      return {
        ...piece,
        areas: piece.areas.map((a) =>
          command.sets.reduce(
            (area, { id, marks }) => (id === a.id ? withMarks(area, command.code, marks) : area),
            a,
          ),
        ),
      };
    case "change marks":
      return eachArea([command.id], (a) => remarked(a, command.at, () => command.marks));
    case "add ground shadow": {
      const { id, name, outline, place } = command;
      const { setUp } = piece;
      const area: Area = {
        ...newArea(id, name),
        place,
        school: "layered",
        tones: 2,
        form: { ...DEFAULT_FORM, kind: "flat" },
      };
      return {
        ...piece,
        setUp: { ...setUp, cuts: [...setUp.cuts, { points: outline, closed: false, curved: true }] },
        // It comes last, in two or three greys; in the order of work too, until somebody wishes otherwise.
        areas: [...piece.areas, area],
        whole: { ...piece.whole, last: [...(piece.whole.last ?? []), id] },
      };
    }
  }
}

/** An area's shape in depth, and where its tones go: as somebody has said, else as usual. */
export const formOf = ({ form }: Pick<Area, "form">): Form => form ?? DEFAULT_FORM;
export const zonesOf = ({ zones }: Pick<Area, "zones">): AreaTones => zones ?? DEFAULT_AREA_TONES;

/** What the tone map is asked for an area: its own wishes, with the places where its group's tones end. */
export function toneWishOf(area: Pick<Area, "white" | "zones">, borders: readonly number[]): ToneWish {
  const { shares, touches, whites } = zonesOf(area);
  // Said for another number of tones it says nothing of this one.
  return {
    white: area.white,
    borders,
    shares: shares?.length === borders.length - 2 ? shares : null,
    touches,
    whites,
  };
}
