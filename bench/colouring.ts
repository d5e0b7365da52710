import { reachOn, USUAL_SHEET } from "@/core/ink/reach";
import { covers } from "@/core/ink/span";
import { layArea } from "@/core/course/laid-area";
import { quantile } from "@/core/algebra/median";
import { runOperation } from "@/compute/run";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { paint, screenColours } from "@/core/colouring/paint";
import { NO_TONES, toneMap, tOf } from "@/core/colouring/tone-map";
import { inkOfPass } from "@/core/group/lay";
import { planGroups } from "@/core/group/plan";
import { DEFAULT_FORM, type Form } from "@/core/light/form";
import { DEFAULT_LIGHT } from "@/core/light/light";
import { relieve, valueField } from "@/core/light/value-field";
import { groundWhere } from "@/fixtures/forms";
import { finish } from "@/core/progress";
import { shapeWish } from "@/fixtures/group-wish";
import { scanInks } from "@/fixtures/scanned-desk";
import { withBlending, type BlendReading } from "@/core/ink/fit-blending";
import { demoRange, strangeInks, type SimulatedInk } from "@/sim/demo-range";
import { colourAlong } from "@/sim/flow";
import { colourSheet } from "@/sim/sheet";
import { colourField } from "@/sim/field";
import { look } from "@/sim/observer";
import { whiteCard } from "@/sim/paper-stock";
import { rackOf, reachableTargets } from "./groups";

const nobody = () => -1;

/** A pixel of a rendered picture against `predict` of the stack that lies there. */
export async function againstPredict(): Promise<string> {
  const [paper, inks] = scanInks(whiteCard, strangeInks(12, 8), 8);
  const desk = {
    paper: { color: { lab: paper } },
    inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
  };
  const [W, H] = [240, 160];
  const labels = new Uint16Array(W * H).map(
    (_, p) => 1 + Math.floor((p % W) / 60) + 4 * Math.floor(Math.floor(p / W) / 80),
  );
  const plane = { width: W, height: H, data: Buffer.from(labels.buffer).toString("base64") };
  const { field } = await runOperation("light", { labels: plane, mmPerPixel: 0.3 });
  const { desk: handle } = await runOperation("open", desk);
  const off: number[] = [];
  for (let round = 0; round < 6; round++) {
    const areas = Array.from({ length: 8 }, (_, i) => ({
      id: i + 1,
      layers: ["all", "all", "shadow"].map((place, k) => ({
        medium: "shadow",
        kind: k ? "overlay" : "underlay",
        code: inks[(i * 3 + k * 4 + round) % 12]!.code,
        coats: 1 + ((i + k) % 2),
        place,
      })),
    }));
    const { rgba, areas: drawn } = await runOperation("render", {
      desk: handle,
      field,
      areas,
      texture: 0,
      sheet: { bleed: 0, openTime: 1, capacity: 8 },
    });
    const { places } = await runOperation("toneMap", { field });
    for (let p = 0; p < rgba.length / 4; p += 41) {
      const passes = drawn[labels[p]! - 1]!.passes;
      const t = tOf(places.data[p]!);
      const here = passes.filter((q) => q.from <= t && (t < q.to || q.to >= 1));
      if (passes.some((q) => q.from > 0 && Math.abs(q.from - t) < 0.08)) continue;
      const { stacks } = await runOperation("predict", {
        desk: handle,
        stacks: [here.flatMap((q) => Array<string>(q.coats).fill(q.code))],
      });
      off.push(deltaE00(rgb8ToLab(rgba[4 * p]!, rgba[4 * p + 1]!, rgba[4 * p + 2]!), stacks[0]!.lab));
    }
  }
  return off.length
    ? `${off.length} pixels against predict: ${quantile(off, 0.5).toFixed(2)} ΔE00 median, at most ${Math.max(...off).toFixed(2)}.`
    : "no pixels";
}

const CELL = 0.5;
const PX = 0.1;

/** Long cells of three pairs, as a blend page of the chart is read. */
function blendsOf(inks: readonly SimulatedInk[]): BlendReading[] {
  const [width, columns] = [26, 52];
  const byDepth = inks.map((_, i) => i).sort((a, b) => depthOf(inks[b]!) - depthOf(inks[a]!));
  return [0, 1, 2].flatMap((k) => {
    const [light, dark] = [byDepth[k]!, byDepth.at(-1 - 5 * k)!];
    const pass = (ink: number, from: number, wet: boolean) => ({
      ink: inks[ink]!.recipe,
      coats: 1,
      wet,
      from,
    });
    return (
      [
        ["dark over wet light", [pass(light, 0, false), pass(dark, width / 2, true)]],
        ["light over wet dark", [pass(dark, width / 2, false), pass(light, 0, true)]],
        ["dark over dry light", [pass(light, 0, false), pass(dark, width / 2, false)]],
      ] as const
    ).map(([how, passes]): BlendReading => ({
      how,
      stack: [light],
      over: [dark],
      profile: {
        step: width / columns,
        labs: colourAlong(whiteCard, passes, columns, width / columns).map((r) => xyzToLab(look(r))),
      },
    }));
  });
}

const depthOf = (ink: SimulatedInk): number => xyzToLab(look(colourSheet(whiteCard, [ink.recipe])))[0];

/** A piece of four areas as it is predicted, and as it is coloured pass by pass on the simulated desk. */
export function againstDesk(): string {
  // The racks on which groups are judged.
  const inks = demoRange()
    .filter((_, i) => i % 7 !== 3)
    .slice(0, 160);
  const rack = rackOf("", inks, 3);
  const desk = withBlending(rack.desk, blendsOf(inks));
  const targets = reachableTargets(rack, 8, 31);
  const shapes: readonly (readonly [string, Partial<Form>, (x: number, y: number) => boolean])[] = [
    ["ball", { kind: "ball", height: 1 }, (x, y) => Math.hypot(x - 80, y - 80) < 76],
    ["tube", { kind: "tube", axis: 0 }, (x, y) => y > 24 && y < 136 && x > 4 && x < 156],
    ["flat under shade", { kind: "flat" }, () => true],
    ["small", { kind: "ball" }, (x, y) => Math.hypot(x - 80, y - 80) < 34],
  ];
  const side = 160;
  const n = Math.round((side * PX) / CELL);
  const off: number[] = [];
  const texts: string[] = [];
  for (const [k, target] of targets.entries()) {
    const [name, form, inside] = shapes[k % shapes.length]!;
    const flat = form.kind === "flat";
    // What stands before the flat one throws its shade on it.
    const ground = groundWhere(
      side,
      side,
      2,
      (x, y) => (flat && Math.hypot(x - 50, y - 50) < 28 ? 0 : inside(x, y) ? 1 : -1),
      PX,
    );
    const relieved = relieve(
      ground,
      [
        { ...DEFAULT_FORM, kind: "flat" },
        { ...DEFAULT_FORM, ...form },
      ],
      nobody,
    );
    const { values } = valueField(relieved, DEFAULT_LIGHT);
    const [group] = finish(planGroups(desk, shapeWish(desk, target), 1));
    if (!group) continue;
    const passes = group.weighed.passes;
    const map = toneMap(values, ground, [{ ...NO_TONES, white: true }, NO_TONES]);
    const area = layArea(
      desk,
      {
        ink: passes.map((p) => ({
          ink: inkOfPass(p, group.inks),
          coats: p.coats,
          wet: p.wet,
          from: p.from,
          to: p.to,
        })),
        pencil: [],
        opaque: [],
      },
      reachOn(desk, USUAL_SHEET),
    );
    const rgba = paint(ground, map.places, [undefined, screenColours(area)], new Map(), {
      paper: desk.paper.lab,
      texture: 0,
    });
    // Cells that lie wholly in the area: how much of each is covered by each pass.
    const share = passes.map(() => new Float64Array(n * n));
    const whole = new Uint8Array(n * n);
    const mean = Array.from({ length: n * n }, () => [0, 0, 0]);
    const per = CELL / PX;
    for (let cy = 0; cy < n; cy++)
      for (let cx = 0; cx < n; cx++) {
        const q = cy * n + cx;
        let count = 0;
        for (let y = cy * per; y < (cy + 1) * per; y++)
          for (let x = cx * per; x < (cx + 1) * per; x++) {
            const p = y * side + x;
            if (ground.own[p] !== 1) continue;
            count++;
            const t = tOf(map.places[p]!);
            passes.forEach((pass, i) => covers(pass, t) && (share[i]![q]! += 1 / per ** 2));
            const lab = rgb8ToLab(rgba[4 * p]!, rgba[4 * p + 1]!, rgba[4 * p + 2]!);
            for (let c = 0; c < 3; c++) mean[q]![c]! += lab[c]!;
          }
        if (count === per ** 2) whole[q] = 1;
        if (count) mean[q] = mean[q]!.map((v) => v / count);
      }
    const laid = colourField(
      whiteCard,
      passes.map((p, i) => ({
        ink: inks[inkOfPass(p, group.inks)]!.recipe,
        coats: p.coats,
        wet: p.wet,
        cover: share[i]!,
      })),
      n,
      whole,
      CELL,
    );
    const own: number[] = [];
    laid.forEach(
      (reflectance, q) =>
        whole[q] && own.push(deltaE00(xyzToLab(look(reflectance)), mean[q] as unknown as Lab)),
    );
    off.push(...own);
    texts.push(`${name} ${quantile(own, 0.5).toFixed(1)}`);
  }
  return `Eight areas of four tones as predicted and as coloured on the simulated desk, cell by cell of ${CELL} mm (${off.length} cells): ${quantile(off, 0.5).toFixed(2)} ΔE00 median, 95th ${quantile(off, 0.95).toFixed(2)} (medians: ${texts.join(", ")}).`;
}
