import type { Point } from "@/core/algebra/point";
import type { Cut } from "@/core/picture/cut";
import { NO_GAINS } from "@/core/picture/balance";
import { newArea, type Area, type Piece } from "./piece";
import {
  MOST_CUTS,
  MOST_REFERENCES,
  type AreaPlace,
  type LineArt,
  type Reference,
  type SetUp,
  type SheetPlan,
} from "./set-up";

/** An area that was found, with its place. */
export interface FoundArea extends AreaPlace {
  readonly id: string;
  readonly name: string;
}

/** What can be said of an area's place by a mark. */
export type AreaMarks = Partial<Pick<Area, "white" | "past" | "fixed" | "joints">>;

/** Every change of how a piece is set up, by name. */
export type SetUpCommand =
  | {
      readonly type: "choose line";
      readonly line: LineArt | null;
      /** The sheet that goes with it, such as one turned on its side. */
      readonly sheet?: Partial<SheetPlan>;
    }
  | { readonly type: "change line"; readonly set: Partial<Omit<LineArt, "pictureId">> }
  | { readonly type: "change sheet"; readonly set: Partial<SheetPlan> }
  | { readonly type: "change search"; readonly set: Partial<Pick<SetUp, "gap" | "speck">> }
  | { readonly type: "add cut"; readonly cut: Cut }
  | { readonly type: "take cut away"; readonly at: number }
  | { readonly type: "order areas"; readonly order: readonly string[] | null }
  | { readonly type: "add areas"; readonly areas: readonly FoundArea[]; readonly instead?: readonly string[] }
  | {
      readonly type: "place areas";
      readonly places: readonly { readonly id: string; readonly at: readonly Point[] }[];
      /** Areas that are gone with it. */
      readonly without?: readonly string[];
    }
  | {
      readonly type: "measure areas";
      readonly places: readonly ({ readonly id: string } & Omit<AreaPlace, "at">)[];
      readonly touches: SetUp["touches"];
    }
  | {
      readonly type: "share areas";
      readonly shares: readonly { readonly id: string; readonly shares: readonly number[] }[];
    }
  | { readonly type: "mark areas"; readonly ids: readonly string[]; readonly set: AreaMarks }
  | { readonly type: "add reference"; readonly pictureId: string }
  | {
      readonly type: "change reference";
      readonly pictureId: string;
      readonly set: Partial<Omit<Reference, "pictureId">>;
    }
  | { readonly type: "take reference away"; readonly pictureId: string }
  | {
      readonly type: "propose readings";
      readonly areas: readonly { readonly id: string; readonly readings: Area["readings"] }[];
    };

const changeSetUp = (piece: Piece, set: Partial<SetUp>): Piece => ({
  ...piece,
  setUp: { ...piece.setUp, ...set },
});

/** The piece without some areas, and without any word of them. */
export function withoutAreas(piece: Piece, ids: readonly string[]): Piece {
  const gone = new Set(ids);
  const { whole, setUp } = piece;
  const wished = (ids: readonly string[] | undefined) => ids?.filter((id) => !gone.has(id));
  const [first, last] = [wished(whole.first), wished(whole.last)];
  return {
    ...piece,
    areas: piece.areas.filter((a) => !gone.has(a.id)),
    whole: {
      ...whole,
      neighbours: whole.neighbours?.filter((pair) => !pair.some((id) => gone.has(id))) ?? null,
      ...(first && { first }),
      ...(last && { last }),
    },
    setUp: {
      ...setUp,
      order: setUp.order?.filter((id) => !gone.has(id)) ?? null,
      touches: setUp.touches.filter(([a, b]) => !gone.has(a) && !gone.has(b)),
    },
  };
}

/** A reference with nothing said of it yet. */
const plainReference = (pictureId: string): Reference => ({ pictureId, pairs: [], gains: NO_GAINS });

/** A picture is the reference at hand, and one of the references. */
export function withReference(piece: Piece, pictureId: string): Piece {
  const known = piece.references.some((r) => r.pictureId === pictureId);
  if (!known && piece.references.length >= MOST_REFERENCES) return piece;
  return {
    ...piece,
    pictureId,
    references: known ? piece.references : [...piece.references, plainReference(pictureId)],
  };
}

const withMeasures = (area: Area, { mm2, part, width }: Omit<AreaPlace, "at">): Area =>
  area.place ? { ...area, place: { ...area.place, mm2, part, width } } : area;

/** The piece after a command of set-up. */
export function applySetUp(piece: Piece, command: SetUpCommand): Piece {
  const { setUp } = piece;
  const eachArea = (ids: ReadonlySet<string>, change: (area: Area) => Area): Piece => ({
    ...piece,
    areas: piece.areas.map((a) => (ids.has(a.id) ? change(a) : a)),
  });
  switch (command.type) {
    case "choose line":
      return changeSetUp(piece, { line: command.line, sheet: { ...setUp.sheet, ...command.sheet } });
    case "change line":
      return setUp.line ? changeSetUp(piece, { line: { ...setUp.line, ...command.set } }) : piece;
    case "change sheet":
      return changeSetUp(piece, { sheet: { ...setUp.sheet, ...command.set } });
    case "change search":
      return changeSetUp(piece, command.set);
    case "add cut":
      return setUp.cuts.length < MOST_CUTS
        ? changeSetUp(piece, { cuts: [...setUp.cuts, command.cut] })
        : piece;
    case "take cut away":
      return changeSetUp(piece, { cuts: setUp.cuts.filter((_, i) => i !== command.at) });
    case "order areas":
      return changeSetUp(piece, { order: command.order });
    case "add areas": {
      const kept = command.instead ? withoutAreas(piece, command.instead) : piece;
      const added = command.areas.map(({ id, name, ...place }): Area => ({ ...newArea(id, name), place }));
      return { ...kept, areas: [...kept.areas, ...added] };
    }
    case "place areas": {
      const at = new Map(command.places.map((p) => [p.id, p.at]));
      const placed = eachArea(new Set(at.keys()), (a) => ({
        ...a,
        place: at.get(a.id)!.length ? { mm2: 0, part: 0, width: 0, ...a.place, at: at.get(a.id)! } : null,
      }));
      return command.without ? withoutAreas(placed, command.without) : placed;
    }
    case "measure areas": {
      const known = new Map(command.places.map((p) => [p.id, p]));
      const measured = eachArea(new Set(known.keys()), (a) => withMeasures(a, known.get(a.id)!));
      return changeSetUp(measured, { touches: command.touches });
    }
    case "share areas": {
      const known = new Map(command.shares.map((p) => [p.id, p.shares]));
      return eachArea(new Set(known.keys()), (a) =>
        a.place ? { ...a, place: { ...a.place, shares: known.get(a.id)! } } : a,
      );
    }
    case "mark areas":
      return eachArea(new Set(command.ids), (a) => ({ ...a, ...command.set }));
    case "add reference":
      return withReference(piece, command.pictureId);
    case "change reference":
      return {
        ...piece,
        references: piece.references.map((r) =>
          r.pictureId === command.pictureId ? { ...r, ...command.set } : r,
        ),
      };
    case "take reference away": {
      const references = piece.references.filter((r) => r.pictureId !== command.pictureId);
      const pictureId =
        piece.pictureId === command.pictureId ? (references[0]?.pictureId ?? null) : piece.pictureId;
      return { ...piece, references, pictureId };
    }
    case "propose readings": {
      const read = new Map(command.areas.map((a) => [a.id, a.readings]));
      return eachArea(new Set(read.keys()), (a) => ({ ...a, readings: read.get(a.id)! }));
    }
  }
}

const NAMES: Readonly<Record<SetUpCommand["type"], true>> = {
  "choose line": true,
  "change line": true,
  "change sheet": true,
  "change search": true,
  "add cut": true,
  "take cut away": true,
  "order areas": true,
  "add areas": true,
  "place areas": true,
  "measure areas": true,
  "share areas": true,
  "mark areas": true,
  "add reference": true,
  "change reference": true,
  "take reference away": true,
  "propose readings": true,
};

export const isSetUpCommand = (command: { readonly type: string }): command is SetUpCommand =>
  Object.hasOwn(NAMES, command.type);
