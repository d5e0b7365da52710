import { median } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { layDesk, seenLab, type Stack } from "@/core/ink/desk";
import { finish } from "@/core/progress";
import { remediesFor } from "@/core/repair/remedies";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { warmToned, whiteCard } from "@/sim/paper-stock";
import { normal, seeded } from "@/sim/random";
import { layOnSheet } from "@/sim/sheet";
import { type Cause, doubtOf, whyOff } from "./why";

const inks = demoRange().filter((_, i) => i % 6 === 0);
const desk = layDesk(...scanInks(whiteCard, inks, 41));
const truth = (stack: Stack, stock = whiteCard): Lab =>
  xyzToLab(
    look(
      layOnSheet(
        stock,
        stack.map((i) => ({ ink: inks[i]!.recipe, coats: 1, wet: false })),
      ),
    ),
  );
const all = () => true;
const PHOTO = 0.7;

/** Plans of two and three inks that a hand would lay: light to dark. */
function* plans(count: number, random: () => number): Generator<Stack> {
  const byL = desk.inks.map((_, i) => i).sort((a, b) => seenLab(desk, [b])[0] - seenLab(desk, [a])[0]);
  for (let n = 0; n < count; n++) {
    const third = Math.floor(byL.length / 3);
    const [light, mid, dark] = [0, 1, 2].map((k) => byL[k * third + Math.floor(random() * third)]!);
    yield n % 2 ? [light!, mid!] : [light!, light!, dark!];
  }
}

describe("why a place came out otherwise", () => {
  it("says nothing of a place that lies as it was planned, as far as photo and model tell", () => {
    const random = seeded(5);
    let told = 0;
    for (const stack of plans(200, random)) {
      const lies = truth(stack).map((v) => v + (PHOTO / 1.5) * normal(random)) as unknown as Lab;
      const why = whyOff(desk, { stack, planned: seenLab(desk, stack), lies }, all, PHOTO);
      expect(why.doubt).toBeGreaterThan(doubtOf(desk, stack));
      if (!why.within) told++;
    }
    // One in eight, as why.ts says.
    expect(told).toBeLessThan(25);
  });
  it("finds what was laid: a coat fewer, a coat more, another ink, the tone beside it", () => {
    const random = seeded(8);
    const cases: { readonly kind: Cause["kind"]; readonly named: boolean; readonly seen: boolean }[] = [];
    for (const stack of plans(120, random)) {
      const kind = (["fewer", "more", "other ink", "darker tone"] as const)[cases.length % 4]!;
      const last = stack.at(-1)!;
      const other = Math.floor(random() * inks.length);
      const darker: Stack = [...stack, last];
      const mixed = (a: Lab, b: Lab): Lab => {
        const [from, to] = [labToXyz(a), labToXyz(b)];
        return xyzToLab(from.map((v, c) => (v + to[c]!) / 2) as unknown as Xyz);
      };
      const lain = {
        fewer: () => truth(stack.slice(0, -1)),
        more: () => truth([...stack, last]),
        "other ink": () => truth([...stack.slice(0, -1), other]),
        "darker tone": () => mixed(truth(stack), truth([...darker, last])),
      }[kind]();
      const place = {
        stack,
        planned: seenLab(desk, stack),
        lies: lain,
        ...(kind === "darker tone" && { darker: seenLab(desk, [...darker, last]) }),
      };
      const why = whyOff(desk, place, all, PHOTO);
      const first = why.causes[0];
      const named = why.causes.some(
        (c) => c.kind === kind && (c.kind !== "other ink" || c.instead === other || c.left < 2),
      );
      cases.push({ kind, named, seen: !why.within });
      // Whatever is told explains most of it.
      if (first) expect(first.left).toBeLessThanOrEqual(Math.max(why.doubt, why.off / 2));
    }
    const seen = cases.filter((c) => c.seen);
    expect(seen.length).toBeGreaterThan(80);
    for (const kind of ["fewer", "more", "other ink", "darker tone"] as const) {
      const own = seen.filter((c) => c.kind === kind);
      expect({ kind, share: own.filter((c) => c.named).length / own.length > 0.6 }).toEqual({
        kind,
        share: true,
      });
    }
  });
  it("has no cause for what no ink and no coat could do, and none that may not be used", () => {
    const stack: Stack = [3, 9];
    const planned = seenLab(desk, stack);
    expect(whyOff(desk, { stack, planned, lies: [98, -60, 60] }, all, PHOTO).causes).toEqual([]);
    const other = inks.findIndex((_, i) => deltaE00(seenLab(desk, [3, i]), planned) > 15);
    const lies = truth([3, other]);
    const named = whyOff(desk, { stack, planned, lies }, (i) => i !== other, PHOTO).causes;
    expect(named.some((c) => c.kind === "other ink" && c.instead === other)).toBe(false);
    expect(whyOff(desk, { stack: [], planned: desk.paper.lab, lies: [50, 0, 0] }, all, PHOTO).causes).toEqual(
      [],
    );
  });
});

describe("a repair of a place that was read", () => {
  it("is predicted nearer than by the model alone, on a paper that the desk does not know", () => {
    const random = seeded(12);
    const [withIt, without]: [number[], number[]] = [[], []];
    for (const stack of plans(40, random)) {
      const wanted = seenLab(desk, [...stack, stack.at(-1)!]);
      const lies = truth(stack, warmToned);
      for (const [off, known] of [
        [withIt, { lies }],
        [without, {}],
      ] as const) {
        const [first] = finish(remediesFor(desk, { stack, wanted, ...known, wet: false, coatsLeft: 2 }, all));
        if (!first?.add.length) continue;
        off.push(deltaE00(first.lab, truth([...stack, ...first.add], warmToned)));
      }
    }
    expect(withIt.length).toBeGreaterThan(20);
    expect(median(withIt)).toBeLessThan(0.6 * median(without));
  });
});
