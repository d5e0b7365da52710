import { FinisherInput } from "@/border/finisher";
import {
  Codes,
  Flag,
  List,
  ListOfKinds,
  Nullable,
  One,
  OneOf,
  Optional,
  Rule,
  Stack,
  Whole,
  Within,
} from "@/border/fields";
import { ToneWishInput } from "@/border/light";
import { MOST_AREAS, MOST_LAYERS, PIECE_LAYERS } from "@/border/piece";
import { PLANE, PlaneInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { SHEET, SheetInput } from "@/border/sheet";
import { paint, type Box } from "@/core/colouring/paint";
import { markedPixels, setMarks } from "@/core/colouring/set-marks";
import { NO_TONES, sharesOf, type ToneWish } from "@/core/colouring/tone-map";
import { extentsOf } from "@/core/light/ground";
import { inOrder } from "@/core/media/registry";
import { SCHOOLS, type School } from "@/core/group/school";
import type { Layer } from "@/core/media/layer";
import type { Pass } from "@/core/media/medium";
import { part, type Work } from "@/core/progress";
import type { OpenDesk } from "../desk";
import { AreaId, lineOfPlane, type AreaIdInput, type Field } from "../grounds";
import { GroupWish, schoolOf } from "../group-wish";
import { NO_PENCILS, pencilsFor, shownArea, type ShownArea } from "../laid-areas";
import { deskOperation } from "../operation";
import { FieldQuestion, fieldFor, toneMapFor } from "./tone-map";

/** Places of one area that were gone over beside the plan. */
const MOST_ADDED = 40;

class AddedInput {
  @Stack(1) codes!: string[];
  @Within(0, 1) from!: number;
  @Within(0, 1) to!: number;
  @Optional() @Flag() wet = false;
}

/** An area as it lies: its layers, what its group should reach, and where its tones go. */
export class ShownAreaInput {
  @AreaId() id!: AreaIdInput;
  @ListOfKinds("medium", PIECE_LAYERS, MOST_LAYERS) layers!: Layer[];
  @Optional() @One(() => GroupWish, 'expected {"target",…}') wish?: GroupWish;
  /** The school in which it is laid; that of its wish when it is left out. */
  @Optional() @OneOf(SCHOOLS) school?: School;
  @Optional()
  @One(() => ToneWishInput, 'expected {"shares","touches","whites","white"}')
  tones?: ToneWishInput;
  /** So many of its passes; all when it is left out. */
  @Nullable() @Whole(0, 200, "passes") upTo: number | null = null;
  /** Ink that was laid beside the plan, over all of that. */
  @Optional() @List(() => AddedInput, 0, MOST_ADDED, '{"codes","from","to","wet"}') added: AddedInput[] = [];
}

/** How an area's layers lie, and on what. */
export class ShownQuestion extends FieldQuestion {
  @Optional() @One(() => SheetInput, SHEET) sheet: SheetInput = new SheetInput();
  /** Inks of a whole-piece underlay, light to dark. */
  @Optional() @Codes(0, 4) underlay: string[] = [];
  /** Colours of what is opaque; white where nothing is said. */
  @Optional() @List(() => FinisherInput, 0, 300, '{"code","color"}') finishers: FinisherInput[] = [];
  @List(() => ShownAreaInput, 0, MOST_AREAS, '{"id","layers","wish","tones"}') areas!: ShownAreaInput[];
  /** Without pencil it is there at once: fitting the pencils of a rack takes seconds, the first time. */
  @Optional() @Flag() pencil = true;
}

export class RenderQuestion extends ShownQuestion {
  /** Draws only the part of the picture that holds these areas. */
  @Optional()
  @Rule(
    `expected a list of at most ${MOST_AREAS} area ids`,
    (v) =>
      Array.isArray(v) && v.length <= MOST_AREAS && v.every((id) => ["string", "number"].includes(typeof id)),
  )
  only?: AreaIdInput[];
  /** Unevenness of strokes and grain; 0 shows even ink. */
  @Optional() @Within(0, 1) texture = 1;
  /** Leaves all that is not of the areas in `only` clear, for layers to lie over each other. */
  @Optional() @Flag() masked = false;
  /** Line over all: that of the drawing, or the one that comes along. */
  @Optional() @Flag() lined = true;
  @Optional() @One(() => PlaneInput, PLANE) line?: PlaneInput;
}

export interface RenderOutput {
  /** Size of the whole picture, and the part of it that was drawn: left, top, first column and row beyond. */
  readonly width: number;
  readonly height: number;
  readonly box: Box;
  /** Red, green, blue and opacity of the part, row by row. */
  readonly rgba: Uint8ClampedArray;
  /** Passes of each area in order. */
  readonly areas: readonly {
    readonly id: string;
    readonly passes: readonly Pass[];
    /** How it is divided from its light end to its dark one; left out where none of it is inked. */
    readonly shares?: readonly number[];
  }[];
}

/** How often marks may pass over a picture in all, and the least picture that this is said of, pixels. */
const [MOST_MARKED, LEAST_MARKED] = [20, 100_000] as const;

/** An area of a field with all that is shown of it. */
export interface ShownInField extends ShownArea {
  readonly wish: ToneWish;
}

/** What lies on every area of a field; fits the pencils first where some are drawn. */
export function* shownIn(
  field: Field,
  question: ShownQuestion,
  open: OpenDesk,
): Work<(ShownInField | undefined)[]> {
  const { areas, sheet, underlay, finishers } = question;
  const pencils = question.pencil ? yield* part(pencilsFor(open, areas), 0, 0.6) : NO_PENCILS;
  const said = new Map(areas.map((a) => [String(a.id), a]));
  const out: (ShownInField | undefined)[] = [];
  for (const [n, id] of field.named.ids.entries()) {
    const area = said.get(id);
    if (area) {
      const { layers, wish, upTo, tones, added } = area;
      const school = area.school ?? (wish ? schoolOf(wish) : "light first");
      const asked = {
        layers: inOrder(layers),
        school,
        upTo,
        underlay,
        ...(wish && { wish }),
        ...(added.length && { added }),
      };
      const shown = shownArea(open, asked, sheet, finishers, pencils);
      // Made to the size of the plan unless somebody says where tones end as planned.
      const planned =
        !tones || tones.borders.length === 2 ? { ...(tones ?? NO_TONES), borders: shown.borders } : tones;
      out.push({ ...shown, wish: planned });
    } else out.push(undefined);
    if (n % 8 === 7) yield 0.6 + (0.2 * n) / field.named.ids.length;
  }
  return out;
}

function* renderOf(question: RenderQuestion, open: OpenDesk): Work<RenderOutput> {
  const field = fieldFor(question);
  const { ground, flows } = field.relieved;
  const { width, height } = ground;
  const shown = yield* shownIn(field, question, open);
  const { places, counts } = toneMapFor(
    field,
    shown.map((s) => s?.wish ?? NO_TONES),
  );
  yield 0.85;
  const line = question.lined ? lineFor(field, question) : undefined;
  const only = question.only && new Set(question.only.map(String));
  const box = only ? boxOf(field, only) : ([0, 0, width, height] as const);
  const colours = shown.map((s) => (s?.passes.length ? s.colours() : undefined));
  const mask =
    only && question.masked ? Uint8Array.from(field.named.ids, (id) => (only.has(id) ? 1 : 0)) : undefined;
  const wish = {
    ...(mask && { mask }),
    paper: open.desk.paper.lab,
    texture: question.texture,
    ...(line && { line }),
  };
  const sets = shown.flatMap((s, a) => (s && !(mask && !mask[a]) ? s.marks : []));
  if (markedPixels(ground, sets) > MOST_MARKED * Math.max(width * height, LEAST_MARKED))
    throw wrong(
      "areas",
      "expected fewer, shorter or narrower marks: those there are pass over the picture too often",
    );
  const rgba = paint(ground, places, colours, flows, wish, box);
  setMarks(rgba, ground, box, sets);
  return {
    width,
    height,
    box,
    rgba,
    areas: field.named.ids.map((id, a) => {
      const shares = sharesOf(counts, a);
      return { id, passes: shown[a]?.passes ?? [], ...(shares && { shares }) };
    }),
  };
}

/** The smallest part that holds some areas, with room for what runs over their edges. */
function boxOf({ named, relieved: { ground } }: Field, only: ReadonlySet<string>): Box {
  const extents = extentsOf(ground);
  let box: [number, number, number, number] = [ground.width, ground.height, 0, 0];
  named.ids.forEach((id, a) => {
    if (!only.has(id) || !extents[a]!.pixels) return;
    const [l, t, r, b] = extents[a]!.box;
    box = [Math.min(box[0], l), Math.min(box[1], t), Math.max(box[2], r), Math.max(box[3], b)];
  });
  return box[0] < box[2] ? box : [0, 0, 1, 1];
}

/** The line at the size of a field: the mean of the pixels that it stands for. */
export function lineFor(
  { named, coarser, relieved: { ground } }: Field,
  { line }: { readonly line?: PlaneInput },
): Uint8Array | undefined {
  const whole = named.line ?? lineOfPlane(line, named.ground.width, named.ground.height);
  if (!whole || coarser <= 1) return whole;
  const out = new Uint8Array(ground.own.length);
  const { width, height } = named.ground;
  for (let y = 0, p = 0; y < ground.height; y++)
    for (let x = 0; x < ground.width; x++, p++) {
      let [sum, n] = [0, 0];
      for (let v = y * coarser; v < Math.min(height, (y + 1) * coarser); v++)
        for (let u = x * coarser; u < Math.min(width, (x + 1) * coarser); u++, n++)
          sum += whole[v * width + u]!;
      out[p] = n ? sum / n : 0;
    }
  return out;
}

/** The predicted colouring: every area's layers as they lie where the tone map puts them, on the desk's paper and under its light. */
export const render = deskOperation(RenderQuestion, renderOf);
