import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { knowledgeOf, seenLab, type Desk, type Stack } from "@/core/ink/desk";

/** A place of the sheet that was read from a photo, and what was planned for it. */
export interface ReadPlace {
  /** Ink that was planned, one entry a coat, first coat first. */
  readonly stack: Stack;
  /** What was to be seen there, with all that lies over and beside it. */
  readonly planned: Lab;
  readonly lies: Lab;
  /** What was planned for the tones beside it, where there are such. */
  readonly lighter?: Lab | undefined;
  readonly darker?: Lab | undefined;
}

/** What would make a place come out as it was read. */
export type Cause =
  /** One coat of an ink fewer or more than planned; left out where it was to be one. */
  | (Explains & { readonly kind: "fewer" | "more"; readonly ink: number; readonly planned: number })
  /** The tone beside it covers this share of the place. */
  | (Explains & { readonly kind: "lighter tone" | "darker tone"; readonly share: number })
  /** An ink instead of the one that was planned. */
  | (Explains & { readonly kind: "other ink"; readonly ink: number; readonly instead: number });

interface Explains {
  /** What lies there then. */
  readonly stack: Stack;
  /** ΔE00 between what would be seen then and what was read. */
  readonly left: number;
}

export interface Explained {
  /** ΔE00 of what was read from what was planned. */
  readonly off: number;
  /** How far (ΔE00) prediction and photo together may be wrong by themselves. */
  readonly doubt: number;
  /** Whether the difference is no larger than that. */
  readonly within: boolean;
  /** Believed most first; none where nothing that is tried comes near what was read. */
  readonly causes: readonly Cause[];
}

/** Median ΔE00 of a prediction by what is known of its stack: read, leaning on one that was, two coats or more by the model alone (`bench/prediction.ts`). */
const [READ, LEANING, TWO, MORE] = [0.5, 0.8, 1, 1.6] as const;
/** Prediction and photo together are further off than so many medians in one case of eight. */
const SURELY = 2.5;
/** ΔE00 that a kind of cause must explain more than one that is simpler: of many inks one always comes near. */
const PRIOR: Readonly<Record<Cause["kind"], number>> = {
  fewer: 0,
  more: 0.2,
  "lighter tone": 0.4,
  "darker tone": 0.4,
  "other ink": 1.5,
};
/** Share of the difference that a cause must explain, and by how much (ΔE00) another may be worse and still be told. */
const [EXPLAINS, ALSO] = [0.5, 0.7] as const;
/** Shares of a place that the tone beside it may cover. */
const SHARES = [0.25, 0.5, 0.75, 1] as const;
const MOST_CAUSES = 2;

/** How far (median ΔE00) the model may be wrong on a stack. */
export function doubtOf(desk: Desk, stack: Stack): number {
  switch (knowledgeOf(desk, stack)) {
    case "measured":
      return Math.max(READ, desk.residual);
    case "leaning":
      return Math.max(LEANING, desk.residual);
    case "predicted":
      return Math.max(stack.length > 2 ? MORE : TWO, desk.residual);
  }
}

const added = (a: Lab, b: Lab, c: Lab): Lab => [
  Math.min(100, Math.max(0, a[0] + b[0] - c[0])),
  a[1] + b[1] - c[1],
  a[2] + b[2] - c[2],
];

/** Mean light of two colours of which the second covers a share. */
function mixed(a: Lab, b: Lab, share: number): Lab {
  const [from, to] = [labToXyz(a), labToXyz(b)];
  return xyzToLab(from.map((v, c) => v + share * (to[c]! - v)) as unknown as Xyz);
}

/** Inks that are tried in place of another. */
const SHORTLIST = 24;

/** Inks whose coat differs from a coat of this one most nearly as what was read from what was planned. */
function mistakable(desk: Desk, ink: number, usable: (ink: number) => boolean, shift: Lab): number[] {
  const own = desk.inks[ink]!.coats[0]!.lab;
  return desk.inks
    .flatMap(({ coats }, other) =>
      other === ink || !usable(other)
        ? []
        : [{ other, by: Math.hypot(...coats[0]!.lab.map((v, c) => v - own[c]! - shift[c]!)) }],
    )
    .sort((a, b) => a.by - b.by)
    .slice(0, SHORTLIST)
    .map(({ other }) => other);
}

/**
 * What may have come out otherwise at a place: every single change of its coats, the tones beside it, and one ink taken for another, each with
 * what it leaves unexplained. Of inks that may have been taken for another those are tried whose coats differ most as what was read does. What the desk's model says of a change is counted from what was planned, so that pencil, fades and readings stay in.
 * @param usable inks that may have been taken by mistake
 * @param photo median ΔE00 by which the photo may be wrong
 * Complexity: inks × different planned inks to choose among, a hundred stacks to predict.
 */
export function whyOff(
  desk: Desk,
  { stack, planned, lies, lighter, darker }: ReadPlace,
  usable: (ink: number) => boolean,
  photo: number,
): Explained {
  const off = deltaE00(lies, planned);
  const doubt = Math.hypot(doubtOf(desk, stack), photo);
  if (off <= SURELY * doubt) return { off, doubt, within: true, causes: [] };
  const base = seenLab(desk, stack);
  const shift = lies.map((v, c) => v - planned[c]!) as unknown as Lab;
  const found: Cause[] = [];
  const lie = (other: Stack): Explains => ({
    stack: other,
    left: deltaE00(added(planned, seenLab(desk, other), base), lies),
  });
  const inks = [...new Set(stack)];
  for (const ink of inks) {
    const last = stack.lastIndexOf(ink);
    const coats = stack.filter((i) => i === ink).length;
    found.push(
      { kind: "fewer", ink, planned: coats, ...lie(stack.toSpliced(last, 1)) },
      { kind: "more", ink, planned: coats, ...lie(stack.toSpliced(last, 0, ink)) },
    );
    for (const instead of mistakable(desk, ink, usable, shift))
      found.push({
        kind: "other ink",
        ink,
        instead,
        ...lie(stack.map((i) => (i === ink ? instead : i))),
      });
  }
  const beside = (kind: "lighter tone" | "darker tone", lab: Lab | undefined) => {
    if (lab)
      for (const share of SHARES)
        found.push({ kind, share, stack, left: deltaE00(mixed(planned, lab, share), lies) });
  };
  beside("lighter tone", lighter);
  beside("darker tone", darker);
  const believed = (c: Cause) => c.left + PRIOR[c.kind];
  const sorted = found.sort((a, b) => believed(a) - believed(b));
  const best = sorted[0];
  const limit = Math.max(doubt, (1 - EXPLAINS) * off);
  if (!best || believed(best) > limit) return { off, doubt, within: false, causes: [] };
  // Of each kind the best alone: a second share, or the next of many inks, is no other reason.
  const kinds = new Set<Cause["kind"]>();
  const causes = sorted.filter((c) => {
    if (kinds.has(c.kind) || believed(c) > Math.min(limit, believed(best) + ALSO)) return false;
    kinds.add(c.kind);
    return true;
  });
  return { off, doubt, within: false, causes: causes.slice(0, MOST_CAUSES) };
}
