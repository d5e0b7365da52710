import { schoolPasses, type School, type Stroke } from "@/core/group/school";
import { rolesOf, type Role } from "@/core/group/tone";
import type { KeptPencil, KeptShadow } from "@/core/piece/piece";
import { SHADOW_FACTS } from "@/core/shadow/shadow";

/** One time over an area with one marker or pencil. */
export interface Pass {
  readonly code: string;
  /** Coats of ink, or layers of pencil. */
  readonly coats: number;
  readonly role: Role | "underlay" | "overlay" | "base" | "pencil";
  readonly kind: "lay" | "blend back" | "draw";
  /** Whether what is there must be dry first. */
  readonly dry: boolean;
  /** Where on the area. */
  readonly where: string;
  readonly stroke: string;
}

interface LaidTone {
  readonly code: string;
  readonly coats: number;
  /** Place from light (0) to dark. */
  readonly depth: number;
}

export const strokeInWords: Readonly<Record<Stroke, string>> = {
  flat: "side of the brush, quick and even",
  circles: "small circles, light hand",
  flick: "flicks, lifting at the end",
  dab: "dabs with the tip",
};

/** Tones that were put in another order by hand than from light to dark are laid in that order; blending back still follows. */
function inHandOrder(group: readonly Pass[], tones: readonly LaidTone[]): readonly Pass[] {
  if (tones.every((t, i) => t.depth === i)) return group;
  const place = (p: Pass) => tones.findIndex((t) => t.code === p.code);
  return [
    ...group.filter((p) => p.kind === "lay").sort((a, b) => place(a) - place(b)),
    ...group.filter((p) => p.kind !== "lay"),
  ];
}

/**
 * The passes of an area: what lies under the shadow first and dry, the group in its school, what goes over the shadow, then the pencils.
 * @param tones in the order chosen by hand, with their place from light to dark
 */
export function passesOf(
  tones: readonly LaidTone[],
  school: School = "light first",
  shadow: KeptShadow | null = null,
  pencil: KeptPencil | null = null,
): Pass[] {
  const roles = rolesOf(tones.length);
  const byDepth = [...tones].sort((a, b) => a.depth - b.depth);
  const group = schoolPasses(
    school,
    byDepth.map((t) => t.coats),
  ).map((p, i): Pass => ({
    code: byDepth[p.tone]!.code,
    coats: p.coats,
    role: roles[p.tone]!,
    kind: p.kind,
    dry: !p.wet && (i > 0 || shadow !== null),
    where: p.where,
    stroke: strokeInWords[p.stroke],
  }));
  return [
    ...shadowPass(shadow, "under"),
    ...inHandOrder(group, tones),
    ...shadowPass(shadow, "over"),
    ...pencilPasses(pencil),
  ];
}

function shadowPass(shadow: KeptShadow | null, order: "under" | "over"): Pass[] {
  if (!shadow || SHADOW_FACTS[shadow.kind].order !== order) return [];
  const under = order === "under";
  return [
    {
      code: shadow.code,
      coats: shadow.coats,
      role: under ? "underlay" : "overlay",
      kind: "lay",
      dry: !under,
      where: under
        ? "in the shadow, bolder than feels right; let it dry"
        : "in the shadow only, over dry ink",
      stroke: strokeInWords.circles,
    },
  ];
}

/** Pencil layers in the order in which they are drawn: each part from the lightest value to the darkest, one pencil after another. */
function pencilPasses(pencil: KeptPencil | null): Pass[] {
  if (!pencil) return [];
  const order: { code: string; part: string; layers: number[]; pressures: Set<string>; values: number[] }[] =
    [];
  for (const step of pencil.steps)
    for (const l of step.layers) {
      let own = order.find((o) => o.code === l.code && o.part === l.part);
      if (!own)
        order.push((own = { code: l.code, part: l.part, layers: [], pressures: new Set(), values: [] }));
      own.layers.push(l.layers);
      own.pressures.add(l.pressure);
      own.values.push(step.lightness);
    }
  const rank = (part: string) => (part === "over all" ? 1 : 0);
  const base: Pass[] = pencil.base
    ? [
        {
          code: pencil.base,
          coats: 1,
          role: "base",
          kind: "lay",
          dry: true,
          where: "all over, flat: it fills the tooth",
          stroke: strokeInWords.flat,
        },
      ]
    : [];
  const value = (v: number) => `L* ${v.toFixed(0)}`;
  return [
    ...base,
    ...order
      .sort((a, b) => rank(a.part) - rank(b.part))
      .map((o): Pass => ({
        code: o.code,
        coats: Math.max(...o.layers),
        role: "pencil",
        kind: "draw",
        dry: true,
        where: `${o.part}: ${o.values.length === 1 ? `at ${value(o.values[0]!)}` : `${value(Math.max(...o.values))} to ${value(Math.min(...o.values))}`}`,
        stroke: `${Math.min(...o.layers) === Math.max(...o.layers) ? o.layers[0] : `${Math.min(...o.layers)}–${Math.max(...o.layers)}`} layers, ${[...o.pressures].join(" to ")}; short strokes, sharp point`,
      })),
  ];
}
