import { acrossBorder, labsOf, mergingShare, seeArea, type Border } from "@/core/colouring/look-over";
import { paint } from "@/core/colouring/paint";
import { type ToneMap, type ToneWish } from "@/core/colouring/tone-map";
import { planTogether } from "@/core/group/joint";
import type { KeptTone } from "@/core/piece/piece";
import { part, type Work } from "@/core/progress";
import { otherOf, type AnewInput } from "./area-anew";
import { costOf } from "./cost";
import type { OpenDesk } from "./desk";
import type { Field } from "./grounds";
import { fixedOf, shapeWishOf } from "./group-wish";
import type { ShownArea } from "./laid-areas";
import { DEARER, type Mend, type Place } from "./mend-one";
import { isMerging } from "./noticing";
import type { ShownInField } from "./operations/render";

/** Whether an area's tones may stand while another is planned: each is read on this paper, and is there once. */
function mayBeHeld(open: OpenDesk, { kept: { tones } }: Place): boolean {
  const codes = new Set(tones.map((t) => t.code));
  return codes.size === tones.length && tones.every((t) => open.find(t.code) !== undefined);
}

/** Two areas that run together, planned anew to stand apart: neither may come to run together with another one that it touches. */
export function* parted(
  open: OpenDesk,
  field: Field,
  apart: number,
  shown: readonly (ShownInField | undefined)[],
  mapWith: (other: ReadonlyMap<number, ToneWish>) => ToneMap,
  borders: readonly Border[],
  places: readonly Place[],
  pair: readonly string[],
): Work<Mend | undefined> {
  const { ground } = field.relieved;
  const { ids } = field.named;
  const isPair = (b: Border) => b.areas.every((a) => pair.includes(ids[a]!));
  const beside = borders.filter((b) => b.areas.some((a) => places.some((p) => p.at === a)));
  /** Shares of the borders beside that run together, in the picture as it would be painted. */
  const meetings = (laid: ReadonlyMap<number, ShownArea>, map: ToneMap) => {
    const colours = shown.map((s, a) => {
      const lies = laid.get(a) ?? s;
      return lies?.passes.length ? lies.colours() : undefined;
    });
    const { flows } = field.relieved;
    const labAt = labsOf(
      paint(ground, map.places, colours, flows, { paper: open.desk.paper.lab, texture: 0 }),
    );
    return beside.map((b) => mergingShare(acrossBorder(b, labAt), apart));
  };
  const at = beside.findIndex(isPair);
  if (at < 0) return undefined;
  const before = meetings(new Map(), mapWith(new Map()));
  const offNow = places.map((p) => p.look(p.now).off ?? 0);
  const isWorse = (after: readonly number[]) =>
    after.some((share, i) => i !== at && isMerging(beside[i]!.mm, share) && share > before[i]! + 0.05);
  const best: { off: number; mend?: Mend } = { off: Infinity };
  // First one of them anew and then both: what changes least is offered.
  const ways = places.length > 1 ? [...places.map((p) => [p]), [...places]] : [[places[0]!]];
  for (const [n, way] of ways.entries()) {
    if (places.some((p) => !way.includes(p) && !mayBeHeld(open, p))) continue;
    const areas = places.map((p) => {
      const isFree = way.includes(p);
      const held = isFree ? [] : p.kept.tones;
      const asked = isFree
        ? p.wish
        : { ...p.wish, tones: Math.max(2, held.length), fixed: held as KeptTone[] };
      const excluded = new Set(p.wish.exclude);
      return {
        wish: shapeWishOf(open, asked as AnewInput),
        fixed: fixedOf(open, asked as AnewInput, p.path),
        excluded: (ink: number) => excluded.has(open.desk.inks[ink]!.code),
        emphasis: true,
      };
    });
    const plan = yield* part(
      planTogether(open.desk, {
        areas,
        neighbours: places.length > 1 ? [[0, 1]] : [],
        apart,
        markerCost: 0.5,
        inkCost: costOf(
          open,
          places.every((p) => p.wish.ownedOnly),
        ),
        limit: null,
      }),
      n / ways.length,
      1 / ways.length,
    );
    if (!plan) continue;
    const groups = way.map((p) => otherOf(open, plan.together.groups[places.indexOf(p)]!));
    const laid = new Map(way.map((p, i) => [p.at, p.lay(groups[i]!)]));
    const map = mapWith(new Map(way.map((p) => [p.at, { ...p.now.wish, borders: laid.get(p.at)!.borders }])));
    const after = meetings(laid, map);
    const { mmPerPixel } = ground;
    const off = way.map((p) => {
      const s = laid.get(p.at)!;
      return seeArea(s.laid, map, p.at, s.wanted, s.borders[1] ?? 1, mmPerPixel).off ?? 0;
    });
    const dearer = way.some((p, i) => off[i]! > offNow[places.indexOf(p)]! + 3 * DEARER);
    if (isMerging(beside[at]!.mm, after[at]!) || isWorse(after) || dearer) continue;
    const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
    const sum = mean(places.map((p, i) => (way.includes(p) ? off[way.indexOf(p)]! : offNow[i]!)));
    if (sum >= best.off) continue;
    best.off = sum;
    best.mend = {
      kind: "merging",
      areas: pair,
      means: "other group",
      off: [mean(way.map((p) => offNow[places.indexOf(p)]!)), mean(off)],
      figure: [before[at]!, after[at]!],
      groups: way.map((p, i) => ({ id: p.id, ...groups[i]! })),
    };
  }
  return best.mend;
}
