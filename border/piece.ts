import type { Point } from "@/core/algebra/point";
import type { Lab } from "@/core/colour/lab";
import { MATERIALS, type Material } from "@/core/group/material";
import { SCHOOLS, type School } from "@/core/group/school";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { LAYER_PLACES, type LayerPlace } from "@/core/media/layer";
import {
  LEAST_WIDTH,
  MARK_KINDS,
  MOST_MARK_POINTS,
  MOST_MARKS,
  MOST_WIDTH,
  type MarkKind,
} from "@/core/media/mark";
import { MEDIA, inOrder, overfull } from "@/core/media/registry";
import type { LaidPencil } from "@/core/pencil/plan";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import { SCENES, type Piece, type PlacedStep, type Scene } from "@/core/piece/piece";
import { MOST_REFERENCES, type Joints } from "@/core/piece/set-up";
import { upgradePiece } from "@/core/piece/upgrade";
import { SHADOW_KINDS, type ShadowKind } from "@/core/shadow/shadow";
import {
  Code,
  Codes,
  Flag,
  Id,
  List,
  ListOfKinds,
  Name,
  Notes,
  Nullable,
  Numbers,
  One,
  OneOf,
  Optional,
  Rule,
  Text,
  Texts,
  Whole,
  Within,
  Yes,
} from "./fields";
import { AREA_TONES, AreaTonesInput, FormInput, LightInput } from "./light";
import { BadInput, within, type Problem } from "./problem";
import { plain, readAs, type Expect, type Tied } from "./read-as";
import { AreaPlaceInput, JOINT_KINDS, Points, ReferenceInput, SetUpInput } from "./set-up";
import { ChosenToneInput, DriftInput, ToneInput } from "./tone";
import { Followed, Pins } from "./work-steps";

class SpotInput {
  @Within(0, 1) x!: number;
  @Within(0, 1) y!: number;
  @Within(0, 1) width!: number;
  @Within(0, 1) height!: number;
}

class PickedInput {
  @Numbers(3, -200, 200) lab!: Lab;
  @Within(0, 200, "ΔE00") spread!: number;
  @Optional()
  @One(() => SpotInput, 'expected {"x","y","width","height"} as shares of the picture')
  at?: SpotInput;
  @Optional() @Text(60) from?: string;
}

class PickedColoursInput {
  @Optional() @One(() => PickedInput) light?: PickedInput;
  @Optional() @One(() => PickedInput) local?: PickedInput;
  @Optional() @One(() => PickedInput) shadow?: PickedInput;
}

/** A tone that is kept: in an area, or in a group of the library. */
export class KeptToneInput extends ChosenToneInput {
  @Optional() @Yes() overruled?: true;
  @Optional() @Yes() locked?: true;
}

class ToneLayerInput extends KeptToneInput {
  @OneOf(["tone"]) medium!: "tone";
}

class ShadowLayerInput extends ToneInput {
  @OneOf(["shadow"]) medium!: "shadow";
  @OneOf(SHADOW_KINDS) kind!: ShadowKind;
  @OneOf(LAYER_PLACES) place!: LayerPlace;
}

const PARTS: readonly LaidPencil["part"][] = ["dark beneath", "white beneath", "over all"];

class LaidPencilInput {
  @Code() code!: string;
  @Whole(1, 30, "layers") layers!: number;
  @OneOf(PRESSURES) pressure!: Pressure;
  @OneOf(PARTS) part!: LaidPencil["part"];
}

class PencilStepInput {
  @Within(0, 100, "L*") lightness!: number;
  @Flag() onPaper!: boolean;
  @List(() => LaidPencilInput, 0, 12, '{"code","layers","pressure","part"}') layers!: LaidPencilInput[];
}

class PencilLayerInput {
  @OneOf(["pencil"]) medium!: "pencil";
  @Nullable() @Code() base: string | null = null;
  @List(() => PencilStepInput, 2, 9, '{"lightness","onPaper","layers"}') steps!: PencilStepInput[];
  @OneOf(LAYER_PLACES) place!: LayerPlace;
}

class MarkInput {
  @OneOf(MARK_KINDS) kind!: MarkKind;
  @Points(1, MOST_MARK_POINTS) points!: Point[];
  @Within(LEAST_WIDTH, MOST_WIDTH, "mm") width!: number;
}

class FinishLayerInput {
  @OneOf(["finish"]) medium!: "finish";
  @Code() code!: string;
  @OneOf(LAYER_PLACES) place!: LayerPlace;
  @Optional() @List(() => MarkInput, 0, MOST_MARKS, '{"kind","points","width"}') marks?: MarkInput[];
}

export const MOST_LAYERS = Object.values(MEDIA).reduce((sum, m) => sum + m.most, 0);

/** Layers of an area by their medium. */
export const PIECE_LAYERS = {
  tone: () => ToneLayerInput,
  shadow: () => ShadowLayerInput,
  pencil: () => PencilLayerInput,
  finish: () => FinishLayerInput,
};

class AreaInput {
  @Text(60, 1) id!: string;
  @Name() name!: string;
  @One(() => PickedColoursInput, 'expected {"light","local","shadow"}, each left out until it is read')
  readings!: PickedColoursInput;
  @OneOf(MATERIALS) material!: Material;
  @Nullable() @OneOf(SCHOOLS) school: School | null = null;
  @Nullable()
  @One(() => AreaPlaceInput, 'expected {"at","mm2","part","width"} or null')
  place: AreaPlaceInput | null = null;
  @Flag() white!: boolean;
  @Flag() past!: boolean;
  @Flag() fixed!: boolean;
  @Nullable() @OneOf(JOINT_KINDS) joints: Joints | null = null;
  @Nullable() @One(() => FormInput, "expected the area's shape in depth, or null") form: FormInput | null =
    null;
  @Nullable() @One(() => AreaTonesInput, `${AREA_TONES} or null`) zones: AreaTonesInput | null = null;
  @Nullable() @Within(1, 1e6, "mm²") size: number | null = null;
  @Nullable() @Whole(FEWEST_TONES, MOST_TONES) tones: number | null = null;
  @Nullable() @Within(4, 90, "L*") contrast: number | null = null;
  @One(() => DriftInput, 'expected {"light","shadow"}') drift!: DriftInput;
  @Flag() ownedOnly!: boolean;
  @Codes(0, 400) excluded!: string[];
  @Flag() emphasis!: boolean;
  @ListOfKinds("medium", PIECE_LAYERS, MOST_LAYERS)
  layers!: (ToneLayerInput | ShadowLayerInput | PencilLayerInput | FinishLayerInput)[];
  @Notes() note!: string;
}

const isAreaId = (v: unknown) => typeof v === "string" && v.length > 0 && v.length <= 60;
const MOST_PAIRS = 2000;
const isPairs = (v: unknown): boolean =>
  Array.isArray(v) &&
  v.length <= MOST_PAIRS &&
  v.every((p) => Array.isArray(p) && p.length === 2 && p.every(isAreaId));

/** Areas that are wished first or last. */
const MOST_WISHED = 400;

class WholeInput {
  @OneOf(SCENES) scene!: Scene;
  @Within(0, 60, "ΔE00") apart!: number;
  @Nullable()
  @Rule(`expected at most ${MOST_PAIRS} pairs of area ids, or null`, isPairs)
  neighbours: [string, string][] | null = null;
  @Within(0, 20, "ΔE00") markerCost!: number;
  @Nullable() @Whole(2, 400, "markers") markerLimit: number | null = null;
  @Codes(0, 4) underlay!: string[];
  @Optional() @Texts(MOST_WISHED, 60) first?: string[];
  @Optional() @Texts(MOST_WISHED, 60) last?: string[];
  @Optional() @Pins() pins?: [PlacedStep, PlacedStep][];
  @Optional() @Followed() byHand?: PlacedStep[];
}

/** Most areas of a piece. */
export const MOST_AREAS = 400;

class PieceInput {
  @Rule("expected version 1 to 5 of a piece", (v) => v === 5) version!: 5;
  @Name() name!: string;
  @Nullable() @Id("paper, or null") paperId: string | null = null;
  @Nullable() @Id("picture, or null") pictureId: string | null = null;
  @List(() => ReferenceInput, 0, MOST_REFERENCES) references!: ReferenceInput[];
  @One(() => SetUpInput, "expected how the piece is set up") setUp!: SetUpInput;
  @One(() => LightInput, "expected the light of the piece") light!: LightInput;
  @List(() => AreaInput, 0, MOST_AREAS) areas!: AreaInput[];
  @One(() => WholeInput, "expected the wishes of the whole") whole!: WholeInput;
}

// A field that only one of the two has does not compile.
type _PieceIsTied = Expect<Tied<PieceInput, Piece>>;

/** What one field alone cannot say. */
function* amissIn(piece: Piece): Generator<Problem> {
  if (piece.pictureId && !piece.references.some((r) => r.pictureId === piece.pictureId))
    yield { path: "pictureId", expected: "expected the picture of one of the references, or null" };
  const first = new Map<string, number>();
  for (const [i, area] of piece.areas.entries()) {
    const at = `areas[${i}]`;
    if (first.has(area.id))
      yield { path: `${at}.id`, expected: `expected an id of its own; areas[${first.get(area.id)}] has it` };
    first.set(area.id, first.get(area.id) ?? i);
    const medium = overfull(area.layers);
    if (medium)
      yield { path: `${at}.layers`, expected: `expected at most ${MEDIA[medium].most} layers of ${medium}` };
    const tones = area.layers.filter((l) => l.medium === "tone").length;
    if (tones > 0 && tones < FEWEST_TONES)
      yield { path: `${at}.layers`, expected: `expected no tone, or ${FEWEST_TONES} to ${MOST_TONES}` };
  }
}

/**
 * A piece that came from outside, of any version; its layers in the order of laying.
 * @throws BadInput with every field that is wrong
 */
export function readPiece(value: unknown): Piece {
  const read: Piece = plain(readAs(PieceInput, upgradePiece(value)));
  const amiss = [...amissIn(read)];
  if (amiss.length) throw new BadInput(amiss);
  return { ...read, areas: read.areas.map((a) => ({ ...a, layers: inOrder(a.layers) })) };
}

/** A change to be saved: the piece, and the revision it was made to. */
export class SaveInput {
  @Whole(1, 2 ** 31 - 1) revision!: number;
  @Rule("expected a piece", (v) => typeof v === "object" && v !== null && !Array.isArray(v))
  document!: object;
  /** Names this save, so that its sender knows it again when the answer was lost. */
  @Nullable() @Id("save") save?: string | null;
}

/** @throws BadInput with every field that is wrong */
export function pieceOfSave({ document }: Pick<SaveInput, "document">): Piece {
  try {
    return readPiece(document);
  } catch (e) {
    throw e instanceof BadInput ? within(e, "document") : e;
  }
}
