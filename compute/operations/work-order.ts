import { BadInput, type Problem } from "@/border/problem";
import { WorkOrderQuestion } from "@/border/work";
import { part } from "@/core/progress";
import {
  leastSections,
  sectionsOf,
  type StepAt,
  type WorkArea,
  type WorkQuestion,
} from "@/core/work/problem";
import type { PlacedStep } from "@/core/piece/piece";
import { workOrder as orderOf, type WorkOrder } from "@/core/work/work-order";
import type { Operation } from "../operation";

/** Steps of one order, once areas are cut. */
const MOST_STEPS = 4000;

/**
 * A question with places for ids, every touch told on both sides.
 * @throws BadInput naming ids that are not there, areas that touch themselves, circles, and what is too much
 */
export function workQuestionOf(asked: WorkOrderQuestion): WorkQuestion {
  const problems: Problem[] = [];
  const wrong = (path: string, expected: string) => problems.push({ path, expected });
  const places = new Map<string, number>();
  asked.areas.forEach(({ id }, i) => {
    if (places.has(String(id))) wrong(`areas[${i}].id`, "expected an id of its own");
    places.set(String(id), i);
  });
  const placeOf = (id: string | number, path: string): number => {
    const place = places.get(String(id));
    if (place === undefined) wrong(path, "expected the id of one of these areas");
    return place ?? -1;
  };
  const touches = asked.areas.map(() => new Set<number>());
  const after = asked.areas.map(() => new Set<number>());
  asked.areas.forEach((area, i) => {
    const said = (list: readonly (string | number)[], name: string, into: (b: number) => void) =>
      list.forEach((id, k) => {
        const path = `areas[${i}].${name}[${k}]`;
        const b = placeOf(id, path);
        if (b === i) wrong(path, "expected another area than itself");
        else if (b >= 0) into(b);
      });
    said(area.touches, "touches", (b) => {
      touches[i]!.add(b);
      touches[b]!.add(i);
    });
    said(area.after, "after", (b) => after[i]!.add(b));
  });
  const circle = inCircle(after);
  if (circle >= 0)
    wrong(`areas[${circle}].after`, "expected areas that do not wait for each other in a circle");
  const first = asked.first.map((id, k) => placeOf(id, `first[${k}]`));
  if (new Set(first).size < first.length) wrong("first", "expected every area once");
  const cuts = new Map(
    Object.entries(asked.cuts ?? {}).map(([id, n]) => [placeOf(id, `cuts.${id}`), n] as const),
  );
  const areas: WorkArea[] = asked.areas.map(({ id, box, passes }, i) => ({
    id: String(id),
    touches: [...touches[i]!],
    box,
    after: [...after[i]!],
    passes,
  }));
  const lies = new Set<string>();
  const done = asked.done.map(({ area, section, pass, end }, k) => {
    const place = placeOf(area, `done[${k}].area`);
    if (place >= 0 && pass >= areas[place]!.passes.length)
      wrong(`done[${k}].pass`, `expected one of the area's ${areas[place]!.passes.length} passes, from 0`);
    const most = place >= 0 ? cuts.get(place) : undefined;
    if (most !== undefined && section >= most)
      wrong(`done[${k}].section`, `expected one of ${most} sections, from 0`);
    const key = `${place} ${section} ${pass}`;
    if (lies.has(key)) wrong(`done[${k}]`, "expected every step once");
    lies.add(key);
    return { area: place, section, pass, end };
  });
  done.forEach(({ area, section, pass }, k) => {
    if (pass > 0 && !lies.has(`${area} ${section} ${pass - 1}`))
      wrong(`done[${k}].pass`, "expected that the pass before it lies as well");
  });
  const stepAt = ([area, section, pass]: PlacedStep, path: string): StepAt => {
    const place = placeOf(area, path);
    if (place >= 0 && pass >= areas[place]!.passes.length)
      wrong(path, `expected one of the area's ${areas[place]!.passes.length} passes, from 0`);
    return { area: place, section, pass };
  };
  const pins = asked.pins.map(
    (pair, k) => pair.map((step, i) => stepAt(step, `pins[${k}][${i}]`)) as [StepAt, StepAt],
  );
  const follow = asked.follow
    ?.map((step, k) => stepAt(step, `follow[${k}]`))
    .filter(({ area, section, pass }) => !lies.has(`${area} ${section} ${pass}`));
  if (problems.length) throw new BadInput(problems);
  const question = {
    areas,
    desk: asked.desk,
    worth: asked.worth,
    first,
    done,
    cuts,
    pins,
    ...(follow && { follow }),
  };
  const steps = sectionsOf(question).reduce((sum, n, a) => sum + n * areas[a]!.passes.length, 0);
  if (steps > MOST_STEPS) {
    const most = areas.reduce(
      (m, a, i) =>
        leastSections(a, asked.desk) * a.passes.length >
        leastSections(areas[m]!, asked.desk) * areas[m]!.passes.length
          ? i
          : m,
      0,
    );
    throw new BadInput([
      {
        path: "areas",
        expected: `expected work of at most ${MOST_STEPS} steps once areas are cut; these come to ${steps}, most of them in “${areas[most]!.id}”`,
      },
    ]);
  }
  return question;
}

/** The place of an area that waits, over others, for itself; −1 for none. */
function inCircle(after: readonly ReadonlySet<number>[]): number {
  const waits = after.map((s) => s.size);
  const whoWait = after.map((): number[] => []);
  after.forEach((s, a) => s.forEach((b) => whoWait[b]!.push(a)));
  const free = [...waits.keys()].filter((a) => !waits[a]);
  let seen = 0;
  for (let a = free.pop(); a !== undefined; a = free.pop()) {
    seen++;
    for (const b of whoWait[a]!) if (!--waits[b]!) free.push(b);
  }
  return seen === after.length ? -1 : waits.findIndex((n) => n > 0);
}

type Id = string | number;
export type WorkOrderOutput = Omit<WorkOrder, "steps" | "broken"> & {
  readonly steps: readonly (Omit<WorkOrder["steps"][number], "area"> & { readonly area: Id })[];
  readonly broken: readonly (Omit<WorkOrder["broken"][number], "area" | "other"> & {
    readonly area: Id;
    readonly other?: Id;
  })[];
};

/** The order in which everything is laid: what next, where, and when, while it is wet. */
export const workOrder: Operation<WorkOrderQuestion, WorkOrderOutput> = {
  question: WorkOrderQuestion,
  ofDesk: false,
  *run(asked, _, show) {
    const question = workQuestionOf(asked);
    const ids = new Map(asked.areas.map(({ id }) => [String(id), id]));
    const told = (order: WorkOrder): WorkOrderOutput => ({
      ...order,
      steps: order.steps.map((s) => ({ ...s, area: ids.get(s.area)! })),
      broken: order.broken.map((b) => ({
        ...b,
        area: ids.get(b.area)!,
        ...("other" in b && b.other !== undefined && { other: ids.get(b.other)! }),
      })),
    });
    const began = performance.now();
    const time = { passed: () => (performance.now() - began) / 1000, most: asked.seconds };
    const order = yield* part(
      orderOf(question, time, (soFar) => show?.(told(soFar))),
      0,
      1,
    );
    return told(order);
  },
};
