import type { ColourInput } from "@/border/colour";
import {
  Codes,
  Colour,
  Flag,
  List,
  One,
  OneOf,
  Optional,
  Rule,
  Stacks,
  Whole,
  Within,
} from "@/border/fields";
import { TONE, ToneInput } from "@/border/tone";
import { checkMonochrome } from "@/core/shadow/monochrome";
import { greyBases } from "@/core/shadow/neutral";
import {
  boldnessOf,
  expectationOf,
  rankShadows,
  SHADOW_KINDS,
  SHADOW_ORDER,
  wantedShadow,
  type Boldness,
  type Shadow,
  type ShadowKind,
  type ShadowWish,
} from "@/core/shadow/shadow";
import { seenLab } from "@/core/ink/desk";
import { expectationInWords } from "@/words/shadow";
import { costOf, isUnowned } from "../cost";
import type { OpenDesk } from "../desk";
import { AmongOwned, deskOperation } from "../operation";
import { seen, type SeenColour } from "../seen";

class MonochromeInput {
  /** Inks of the underlay, light to dark. */
  @Codes(1, 4) under!: string[];
  /** What makes each area's local colour. */
  @Stacks(200, 1) covers!: string[][];
}

const Kinds = () =>
  Rule(
    `expected a list of ${SHADOW_KINDS.join(", ")}`,
    (v) =>
      Array.isArray(v) &&
      v.length <= SHADOW_KINDS.length &&
      v.every((k) => SHADOW_KINDS.includes(k as ShadowKind)),
  );

export class ShadowQuestion extends AmongOwned {
  /** What makes the local colour, bottom to top. */
  @List(() => ToneInput, 1, 6, TONE) cover!: ToneInput[];
  @Optional() @Kinds() kinds: ShadowKind[] = ["deeper", "underlay", "overlay", "cool hint"];
  /** The shadow as read; else one is made up from depth and lean. */
  @Optional() @Colour() shadow?: ColourInput;
  @Optional() @Within(2, 60, "L*") depth = 16;
  /** Cooler (−1), as it comes (0) or warmer (1). */
  @Optional() @OneOf([-1, 0, 1]) lean: -1 | 0 | 1 = 0;
  @Optional() @Flag() grey = false;
  @Optional() @Whole(1, 20, "coats") capacity = 5;
  @Optional() @Whole(1, 10) top = 3;
  /** A whole-piece underlay to be checked. */
  @Optional() @One(() => MonochromeInput, 'expected {"under","covers"}') monochrome?: MonochromeInput;
  /** Wants a cool and a warm grey base of this lightness. */
  @Optional() @Within(10, 95, "L*") greyBases?: number;
}

export interface ShadowOutput extends Omit<Shadow, "ink" | "bare" | "covered"> {
  readonly order: "under" | "over";
  readonly code: string;
  readonly bare: SeenColour;
  readonly covered: SeenColour;
  readonly expectation: string;
  /** Of what lies under: what one, two and three coats leave once covered, and the fewest that reach the wanted depth. */
  readonly boldness?: { readonly steps: readonly Boldness[]; readonly enough?: number };
  readonly unowned: boolean;
}

export interface CoverageOutput {
  readonly cover: readonly string[];
  readonly alone: SeenColour;
  readonly strengths: readonly {
    readonly under: string;
    readonly covered: SeenColour;
    readonly deepening: number;
    readonly hueTurn: number;
    readonly covers: boolean;
  }[];
  readonly deeper?: {
    readonly code: string;
    readonly coats: number;
    readonly covered: SeenColour;
    readonly deltaE00: number;
  };
}

export interface ShadowsOutput {
  readonly cover: SeenColour;
  readonly wanted: SeenColour;
  readonly shadows: readonly ShadowOutput[];
  readonly monochrome?: readonly CoverageOutput[];
  readonly greyBases?: readonly {
    readonly cool: string;
    readonly warm: string;
    readonly colours: readonly [SeenColour, SeenColour];
    readonly apart: number;
    readonly deltaL: number;
  }[];
}

/** Ways to make an area's shadow, ranked, each with what to expect of it. */
export const shadow = deskOperation(ShadowQuestion, function* (question, open): Generator<
  number,
  ShadowsOutput
> {
  const { desk, labOf, placeOf } = open;
  const price = costOf(open, question.ownedOnly);
  const cover = question.cover.flatMap((t, i) =>
    Array<number>(t.coats).fill(placeOf(t.code, `cover[${i}].code`)),
  );
  const usable = (ink: number) => Number.isFinite(price(ink));
  const local = seenLab(desk, cover);
  const wanted = question.shadow
    ? labOf(question.shadow)
    : wantedShadow(local, question.depth, question.lean);
  const wish: ShadowWish = {
    cover,
    shadow: wanted,
    grey: question.grey,
    capacity: question.capacity,
    usable,
  };
  const found: Shadow[] = [];
  for (const [n, kind] of question.kinds.entries()) {
    found.push(...rankShadows(desk, [kind], wish, question.top));
    yield (n + 1) / (question.kinds.length + 1);
  }
  const monochrome = question.monochrome && (yield* coverage(open, question.monochrome, usable));
  return {
    cover: seen(local),
    wanted: seen(wanted),
    shadows: found.sort((a, b) => a.score - b.score).map((s) => shadowOutput(open, s, wish)),
    ...(monochrome && { monochrome }),
    ...(question.greyBases !== undefined && {
      greyBases: greyBases(desk, question.greyBases, usable).map((b) => ({
        cool: desk.inks[b.cool]!.code,
        warm: desk.inks[b.warm]!.code,
        colours: [seen(b.labs[0]), seen(b.labs[1])] as const,
        apart: b.apart,
        deltaL: b.deltaL,
      })),
    }),
  };
});

function shadowOutput(open: OpenDesk, found: Shadow, wish: ShadowWish): ShadowOutput {
  const { desk } = open;
  const { ink, bare, covered, ...rest } = found;
  const code = desk.inks[ink]!.code;
  const order = SHADOW_ORDER[found.kind];
  const wanted = seenLab(desk, wish.cover)[0] - wish.shadow[0];
  const bold = order === "under" ? boldnessOf(desk, found, wish, wanted) : undefined;
  return {
    ...rest,
    order,
    code,
    bare: seen(bare),
    covered: seen(covered),
    expectation: expectationInWords(code, found, expectationOf(desk, found, wish)),
    ...(bold && {
      boldness: { steps: bold.steps, ...(bold.enough !== undefined && { enough: bold.enough }) },
    }),
    unowned: isUnowned(open, ink),
  };
}

function* coverage(
  { desk, placeOf }: OpenDesk,
  { under, covers }: MonochromeInput,
  usable: (ink: number) => boolean,
): Generator<number, CoverageOutput[]> {
  const beneath = under.map((code, i) => placeOf(code, `monochrome.under[${i}]`));
  const out: CoverageOutput[] = [];
  for (const [i, codes] of covers.entries()) {
    const stack = codes.map((code, j) => placeOf(code, `monochrome.covers[${i}][${j}]`));
    const [{ cover, strengths, deeper }] = checkMonochrome(desk, beneath, [stack], usable) as [
      ReturnType<typeof checkMonochrome>[number],
    ];
    out.push({
      cover: cover.map((k) => desk.inks[k]!.code),
      alone: seen(seenLab(desk, cover)),
      strengths: strengths.map(({ under: u, covered, ...s }) => ({
        ...s,
        under: desk.inks[u]!.code,
        covered: seen(covered),
      })),
      ...(deeper && {
        deeper: {
          code: desk.inks[deeper.ink]!.code,
          coats: deeper.coats,
          covered: seen(deeper.covered),
          deltaE00: deeper.deltaE00,
        },
      }),
    });
    yield (i + 1) / covers.length;
  }
  return out;
}
