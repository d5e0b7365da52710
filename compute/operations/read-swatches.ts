import { Colour, List, One, Optional, Text } from "@/border/fields";
import { colourOf, type ColourInput } from "@/border/colour";
import { IMAGE, ImageInput } from "@/border/image";
import { wrong } from "@/border/problem";
import { deviceColour } from "@/core/chart/device";
import { fitLight } from "@/core/chart/light";
import type { Raster } from "@/core/chart/raster";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { levelOf } from "@/core/colour/rgb";
import { meanLevels, patchOf, readPatch as readPixels, type PatchBox } from "@/core/picture/patch";
import { MOST_PATCHES } from "@/core/picture/patch-grid";
import type { Work } from "@/core/progress";
import { isMixed } from "@/words/patch";
import { operation } from "../operation";
import { rasterOf } from "../pictures";
import { BOX, BoxInput } from "./read-patch";

/** Pixels that all windows together have, in pictures: windows lie beside each other, not over each other. */
const MOST_SEEN = 8;
/** Windows of bare paper, and how many are enough to see from them how the light falls. */
const MOST_BARE = 400;
const ENOUGH_BARE = 8;
/** Names of swatches. */
const MOST_NAME = 60;

class SwatchInput {
  @Text(MOST_NAME, 1) code!: string;
  @One(() => BoxInput, BOX) box!: BoxInput;
}

class KnownInput {
  @Text(MOST_NAME, 1) code!: string;
  @Colour() color!: ColourInput;
}

export class ReadSwatchesQuestion {
  @One(() => ImageInput, IMAGE) image!: ImageInput;
  /** Colour of the paper, and a window of it without ink. */
  @Colour() paper!: ColourInput;
  @One(() => BoxInput, BOX) bare!: BoxInput;
  /** Further windows of bare paper: the light over the sheet follows from them. */
  @Optional() @List(() => BoxInput, 0, MOST_BARE, BOX) further: BoxInput[] = [];
  @List(() => SwatchInput, 1, MOST_PATCHES, '{"code","box"}') swatches!: SwatchInput[];
  /** Colours that are known already: those among the swatches set the photo right. */
  @List(() => KnownInput, 0, MOST_PATCHES, '{"code","color"}') known: KnownInput[] = [];
}

export interface ReadSwatch {
  readonly code: string;
  readonly lab: Lab;
  /** It is no one colour, or none but the paper's: the window lies beside its patch, most likely. */
  readonly doubt?: "uneven" | "like bare paper";
}

export interface ReadSwatchesOutput {
  /** In the order asked. */
  readonly swatches: readonly ReadSwatch[];
  /** Known colours that set the photo right; 0 when only white was set and the camera is taken for sRGB. */
  readonly references: number;
  /** Median ΔE00 of references that were left out of the fit in turn. */
  readonly expectedError?: number;
}

/** ΔE00 under which a swatch is taken for bare paper. */
const BARE = 2;
/** ΔE00 between the colour of most of a window and its mean from which on two colours lie in it. */
const TWO_COLOURS = 3;

const middleOf = ({ x, y, width, height }: PatchBox) => ({ x: 2 * x + width - 1, y: 2 * y + height - 1 });

/** Level of bare paper at a window: as a surface through all that were shown, or that of the first where they are few. */
function whiteOver(raster: Raster, windows: readonly PatchBox[]): (at: PatchBox) => Xyz {
  const samples = windows.map((box) => {
    const levels = meanLevels(patchOf(raster, box).pixels);
    return { ...middleOf(box), rgb: levels.map((v) => Math.max(1e-4, v)) as unknown as Xyz };
  });
  if (samples.length < ENOUGH_BARE) return () => samples[0]!.rgb;
  const { at } = fitLight(samples);
  return (box) => {
    const { x, y } = middleOf(box);
    return at(x, y);
  };
}

function* readSwatchesOf(question: ReadSwatchesQuestion): Work<ReadSwatchesOutput> {
  const { image, bare, further, swatches, known } = question;
  const raster = rasterOf(image, "image");
  const seen = [...swatches.map((s) => s.box), ...further].reduce(
    (sum, box) => sum + box.width * box.height,
    0,
  );
  if (seen > MOST_SEEN)
    throw wrong(
      "swatches",
      `expected smaller windows: together they cover the picture ${Math.round(seen)} times`,
    );
  const paper = colourOf(question.paper).lab;
  const white = whiteOver(raster, [bare, ...further]);
  const raw: { code: string; rgb: Xyz; isUneven: boolean }[] = [];
  for (const [i, { code, box }] of swatches.entries()) {
    const { pixels } = patchOf(raster, box);
    const levels = meanLevels(pixels);
    const { lab, spread } = readPixels(pixels);
    // Where the window lies over two colours, what most of it has is not what it has in the mean.
    const [r, g, b] = levels.map((v) => Math.round(levelOf(v)));
    const isUneven = isMixed(spread) || deltaE00(lab, rgb8ToLab(r!, g!, b!)) > TWO_COLOURS;
    const lit = white(box);
    raw.push({ code, rgb: levels.map((v, c) => v / Math.max(1e-4, lit[c]!)) as unknown as Xyz, isUneven });
    yield (0.9 * (i + 1)) / swatches.length;
  }
  const colours = new Map(known.map((k) => [k.code, colourOf(k.color).lab]));
  const references = raw.flatMap(({ code, rgb }) => {
    const lab = colours.get(code);
    return lab ? [{ rgb, lab }] : [];
  });
  const device = deviceColour(paper, references);
  return {
    swatches: raw.map(({ code, rgb, isUneven }) => {
      const lab = device.toLab(rgb);
      const doubt = isUneven ? "uneven" : deltaE00(lab, paper) < BARE ? "like bare paper" : undefined;
      return { code, lab, ...(doubt && { doubt }) };
    }),
    references: device.references,
    ...(device.expectedError !== undefined && { expectedError: device.expectedError }),
  };
}

/** Colours of swatches in a photo in which bare paper and the swatches were pointed at, set right by the paper and by what is known of them. */
export const readSwatches = operation(ReadSwatchesQuestion, readSwatchesOf);
