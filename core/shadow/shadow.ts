import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import { reads } from "./monochrome";
import { knowledgeOf, seenLab, type Desk, type Knowledge, type Stack } from "@/core/ink/desk";

/** Ways to make a shadow. */
export const SHADOW_KINDS = ["deeper", "underlay", "overlay", "cool hint", "warm hint", "undertone"] as const;
export type ShadowKind = (typeof SHADOW_KINDS)[number];

/** Where the ink of a kind of shadow goes: beneath the local colour or over it. */
export const SHADOW_ORDER: Readonly<Record<ShadowKind, "under" | "over">> = {
  deeper: "over",
  underlay: "under",
  overlay: "over",
  "cool hint": "over",
  "warm hint": "over",
  undertone: "under",
};

/** Whether a kind leaves the depth alone and only turns the colour a little. */
const isHint = (kind: ShadowKind) => kind === "cool hint" || kind === "warm hint";

/** One way to make the shadow of an area, with all that can be said of it before it is laid. */
export interface Shadow {
  readonly kind: ShadowKind;
  /** Place of its ink on the desk. */
  readonly ink: number;
  readonly coats: number;
  /** Its ink alone on the paper. */
  readonly bare: Lab;
  /** With the cover over it, or itself over the cover. */
  readonly covered: Lab;
  /** L* below the same cover without it. */
  readonly deepening: number;
  /** Of what lies under: share of its own strength (L* below the paper) that covering takes away. */
  readonly fade: number;
  /** L* and chroma lost to covering. */
  readonly fadeL: number;
  readonly fadeC: number;
  /** Degrees from the cover's hue, positive anticlockwise. */
  readonly hueTurn: number;
  /** Chroma as a share of the cover's. */
  readonly purity: number;
  /** Purity under a third where no grey was asked for. */
  readonly muddy: boolean;
  /** Coats that the paper still holds. */
  readonly coatsLeft: number;
  readonly knowledge: Knowledge;
  /** Lower is better, in ΔE00 of the shadow that is wanted. */
  readonly score: number;
}

export interface ShadowWish {
  /** The stack that makes the local colour, bottom to top. */
  readonly cover: Stack;
  /** The shadow as read, or what is made up for it by {@link wantedShadow}. */
  readonly shadow: Lab;
  /** Greys do not count as mud. */
  readonly grey: boolean;
  /** Coats that the paper holds. */
  readonly capacity: number;
  readonly usable: (ink: number) => boolean;
}

/** Chroma share under which a shadow is called muddy. */
export const MUD_SHARE = 1 / 3;
/** Purity of covers of less chroma than this says nothing: they are greys. */
const GREYISH = 8;

/** A shadow for a local colour when none was read: deeper by `depth` L*, a little less chroma, its hue turned to the cool or the warm side. */
export function wantedShadow(local: Lab, depth: number, lean: -1 | 0 | 1 = 0): Lab {
  const shift = 6 * lean;
  return [Math.max(12, local[0] - depth), local[1] * 0.85 + shift / 3, local[2] * 0.85 + shift];
}

/** A lit place with a hint of warm light: hardly deeper, its hue a little to the yellow. */
const warmed = ([L, a, b]: Lab): Lab => [L - 2, a + 2, b + 6];

/** Everything about one ink as a shadow, so many coats, under or over the cover. */
export function weighShadow(
  desk: Desk,
  kind: ShadowKind,
  ink: number,
  coats: number,
  wish: ShadowWish,
): Shadow {
  const own = Array<number>(coats).fill(ink);
  const under = SHADOW_ORDER[kind] === "under";
  const stack = under ? [...own, ...wish.cover] : [...wish.cover, ...own];
  const [bare, covered, cover] = [seenLab(desk, own), seenLab(desk, stack), seenLab(desk, wish.cover)];
  const paper = desk.paper.lab;
  const deepening = cover[0] - covered[0];
  const strength = Math.max(0.1, paper[0] - bare[0]);
  const purity = chroma(covered) / Math.max(1, chroma(cover));
  const muddy = !wish.grey && !isHint(kind) && chroma(cover) > GREYISH && purity < MUD_SHARE;
  const coatsLeft = wish.capacity - stack.length;
  return {
    kind,
    ink,
    coats,
    bare,
    covered,
    deepening,
    purity,
    muddy,
    coatsLeft,
    fade: under ? Math.min(1, Math.max(0, 1 - deepening / strength)) : 0,
    fadeL: under ? strength - deepening : 0,
    fadeC: under
      ? Math.hypot(bare[1] - paper[1], bare[2] - paper[2]) -
        Math.hypot(covered[1] - cover[1], covered[2] - cover[2])
      : 0,
    hueTurn: Math.min(chroma(cover), chroma(covered)) < 2 ? 0 : hueTurn(hue(cover), hue(covered)),
    knowledge: knowledgeOf(desk, stack),
    score:
      deltaE00(covered, kind === "warm hint" ? warmed(cover) : wish.shadow) +
      (muddy ? 6 * (1 - purity / MUD_SHARE) + 1 : 0) +
      0.5 * (coats - 1) +
      1.5 * Math.max(0, -coatsLeft),
  };
}

const isCool = (h: number) => h > 200 && h < 340;

/** Whether an ink, by its colour in one coat, belongs to a kind of shadow over or under a cover. */
export function suits(kind: ShadowKind, own: Lab, cover: Lab): boolean {
  const [c, turn] = [chroma(own), Math.abs(hueTurn(hue(cover), hue(own)))];
  const neutralCover = chroma(cover) < GREYISH;
  switch (kind) {
    case "deeper":
      return own[0] < cover[0] - 4 && (neutralCover ? c < 14 : c > 6 && turn < 32);
    case "underlay":
      return c > 6 && own[0] < 88 && own[0] > 30 && (turn > 100 || isCool(hue(own)));
    case "overlay":
      return c < 11 && own[0] > 30 && own[0] < 90;
    case "cool hint":
      return own[0] > 74 && own[0] < 94 && c > 4 && c < 40 && isCool(hue(own));
    case "warm hint":
      return own[0] > 80 && own[0] < 96 && c > 5 && c < 45 && (hue(own) < 110 || hue(own) > 340);
    case "undertone":
      return c > 12 && own[0] < 75 && own[0] > 25 && isCool(hue(own));
  }
}

/** Most coats of a shadow's ink that are tried: hints are one coat. */
const MOST_COATS: Readonly<Record<ShadowKind, number>> = {
  deeper: 2,
  underlay: 3,
  overlay: 2,
  "cool hint": 1,
  "warm hint": 1,
  undertone: 2,
};
/** ΔE00 of the covered colours under which two candidates are the same to the eye. */
const SAME = 1.5;

/**
 * The best inks for each kind of shadow, best first; of candidates that look alike under their cover only the better is given.
 * @param top most of a kind
 */
export function rankShadows(desk: Desk, kinds: readonly ShadowKind[], wish: ShadowWish, top = 3): Shadow[] {
  const cover = seenLab(desk, wish.cover);
  const oneCoat = desk.inks.map((_, i) => seenLab(desk, [i]));
  return kinds
    .flatMap((kind) => {
      const all = oneCoat.flatMap((own, ink) =>
        wish.usable(ink) && !wish.cover.includes(ink) && suits(kind, own, cover)
          ? Array.from({ length: MOST_COATS[kind] }, (_, n) => weighShadow(desk, kind, ink, n + 1, wish))
          : [],
      );
      // A hint is judged by what it leaves alone: the least that still turns the hue.
      const fit = isHint(kind) ? all.filter((s) => s.deepening < 12) : all;
      const chosen: Shadow[] = [];
      for (const s of fit.sort((a, b) => a.score - b.score)) {
        if (chosen.length >= top) break;
        if (chosen.every((c) => c.ink !== s.ink && deltaE00(c.covered, s.covered) > SAME)) chosen.push(s);
      }
      return chosen;
    })
    .sort((a, b) => a.score - b.score);
}

/** How bold an underlay must start: what each number of coats leaves once it is covered. */
export interface Boldness {
  readonly coats: number;
  readonly bareL: number;
  readonly coveredL: number;
  readonly deepening: number;
}

/** The effect of one to three coats beneath a cover, and the fewest that reach a deepening; none when three do not. */
export function boldnessOf(
  desk: Desk,
  shadow: Pick<Shadow, "kind" | "ink">,
  wish: ShadowWish,
  wanted: number,
): { steps: Boldness[]; enough: number | undefined } {
  const steps = [1, 2, 3].map((coats): Boldness => {
    const s = weighShadow(desk, shadow.kind, shadow.ink, coats, wish);
    return { coats, bareL: s.bare[0], coveredL: s.covered[0], deepening: s.deepening };
  });
  return { steps, enough: steps.find((s) => s.deepening >= wanted)?.coats };
}

/** What a shadow will look like against its cover, beyond its own figures. */
export interface Expectation {
  /** Codes of the cover, each once. */
  readonly over: readonly string[];
  readonly coverCoats: number;
  /** L* of the shadow's ink alone below the paper. */
  readonly strength: number;
  /** Which way the hue turns; undefined while it stays. */
  readonly turns: "cooler" | "warmer" | undefined;
  /** Whether the cover still reads as itself. */
  readonly reads: boolean;
}

/** Degrees of hue that nobody sees turn. */
const HUE_STAYS = 6;

export function expectationOf(desk: Desk, s: Shadow, wish: ShadowWish): Expectation {
  const cover = seenLab(desk, wish.cover);
  // Towards blue is cool, towards orange is warm, wherever the cover stands.
  const toBlue = (h: number) => Math.abs(hueTurn(h, 270));
  const after = (hue(cover) + s.hueTurn + 360) % 360;
  const turns =
    Math.abs(s.hueTurn) < HUE_STAYS ? undefined : toBlue(after) < toBlue(hue(cover)) ? "cooler" : "warmer";
  return {
    over: [...new Set(wish.cover)].map((i) => desk.inks[i]!.code),
    coverCoats: wish.cover.length,
    strength: desk.paper.lab[0] - s.bare[0],
    turns,
    reads: SHADOW_ORDER[s.kind] === "over" || wish.grey || reads(cover, s.covered),
  };
}
