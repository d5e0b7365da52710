import { checkMonochrome } from "@/core/shadow/monochrome";
import { greyBases } from "@/core/shadow/neutral";
import {
  boldnessOf,
  expectationOf,
  rankShadows,
  SHADOW_FACTS,
  wantedShadow,
  type Boldness,
  type Shadow,
  type ShadowWish,
} from "@/core/shadow/shadow";
import { seenLab, type Desk } from "@/core/ink/desk";
import { costOf } from "./group";
import { deskOf, placeOf } from "./desk-memory";
import { colourOf } from "./inputs/colour";
import type { ShadowInput } from "./inputs/planning";
import { seen, type SeenColour } from "./predict";

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
export function shadow(input: ShadowInput): ShadowsOutput {
  const desk = deskOf(input);
  const price = costOf(input.inks);
  const usable = (ink: number) => Number.isFinite(price(ink));
  const cover = input.cover.flatMap((t, i) =>
    Array<number>(t.coats).fill(placeOf(desk, t.code, `cover[${i}].code`)),
  );
  const local = seenLab(desk, cover);
  const wanted = input.shadow ? colourOf(input.shadow).lab : wantedShadow(local, input.depth, input.lean);
  const wish: ShadowWish = { cover, shadow: wanted, grey: input.grey, capacity: input.capacity, usable };
  const found = rankShadows(desk, input.kinds, wish, input.top);
  return {
    cover: seen(local),
    wanted: seen(wanted),
    shadows: found.map(({ ink, bare, covered, ...rest }): ShadowOutput => {
      const order = SHADOW_FACTS[rest.kind].order;
      const bold =
        order === "under"
          ? boldnessOf(desk, { kind: rest.kind, ink }, wish, local[0] - wanted[0])
          : undefined;
      return {
        ...rest,
        order,
        code: desk.inks[ink]!.code,
        bare: seen(bare),
        covered: seen(covered),
        expectation: expectationOf(desk, { ...rest, ink, bare, covered }, wish),
        ...(bold && {
          boldness: { steps: bold.steps, ...(bold.enough !== undefined && { enough: bold.enough }) },
        }),
        unowned: !!input.inks[ink]!.cost,
      };
    }),
    ...(input.monochrome && { monochrome: monochrome(desk, input.monochrome, usable) }),
    ...(input.greyBases !== undefined && {
      greyBases: greyBases(desk, input.greyBases, usable).map((b) => ({
        cool: desk.inks[b.cool]!.code,
        warm: desk.inks[b.warm]!.code,
        colours: [seen(b.labs[0]), seen(b.labs[1])] as const,
        apart: b.apart,
        deltaL: b.deltaL,
      })),
    }),
  };
}

function monochrome(
  desk: Desk,
  { under, covers }: NonNullable<ShadowInput["monochrome"]>,
  usable: (ink: number) => boolean,
): CoverageOutput[] {
  const beneath = under.map((code, i) => placeOf(desk, code, `monochrome.under[${i}]`));
  const stacks = covers.map((c, i) =>
    c.map((code, j) => placeOf(desk, code, `monochrome.covers[${i}][${j}]`)),
  );
  return checkMonochrome(desk, beneath, stacks, usable).map(({ cover, strengths, deeper }) => ({
    cover: cover.map((i) => desk.inks[i]!.code),
    alone: seen(seenLab(desk, cover)),
    strengths: strengths.map(({ under: u, covered, ...rest }) => ({
      ...rest,
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
  }));
}
