import { List } from "@/border/fields";
import { wrong } from "@/border/problem";
import { seeArea } from "@/core/colouring/look-over";
import { NO_TONES } from "@/core/colouring/tone-map";
import { inksOf, planGroups, type PlannedGroup } from "@/core/group/plan";
import { missed } from "@/core/group/wanted";
import { part, type Work } from "@/core/progress";
import { AnewInput, laidWith, otherOf, type OtherGroup } from "../area-anew";
import { costOf, isUnowned } from "../cost";
import type { OpenDesk } from "../desk";
import { fixedOf, shapeWishOf } from "../group-wish";
import { pencilsFor, type ShownArea } from "../laid-areas";
import { deskOperation } from "../operation";
import { ShownQuestion, shownIn } from "./render";
import { fieldFor, toneMapFor } from "./tone-map";

/** Areas that are planned anew at once: about half a minute's work on a large rack. */
const MOST_ANEW = 40;
const MOST_WORK = 8_000;

export class WaysOutQuestion extends ShownQuestion {
  @List(() => AnewInput, 1, MOST_ANEW, '{"id","target"}') anew!: AnewInput[];
}

/** Another group for an area, and how near it comes. */
export interface NearerGroup extends OtherGroup {
  /** Mean ΔE00 over the area's pixels, measured as {@link lookOver} does. */
  readonly after: number;
}

/** What would bring an area nearer to what was picked; each way was laid and measured before it is offered. */
export interface WayOut {
  readonly id: string;
  /** Mean ΔE00 over its pixels as it is planned. */
  readonly before: number;
  /** Another group from what may be used; left out where none is worth the change. */
  readonly group?: NearerGroup;
  /** Mean ΔE00 if it stayed bare paper, where that is nearer than anything else. */
  readonly white?: number;
  /** The one marker that is not owned which would help most. */
  readonly buy?: { readonly code: string; readonly after: number };
}

export interface WaysOutOutput {
  readonly areas: readonly WayOut[];
}

/** ΔE00 over an area, and the share of it, by which a way out must be better to be offered. */
const [WORTH, SHARE] = [0.4, 0.1] as const;
/** ΔE00 from which on a marker to buy is looked for. */
const STILL_OFF = 3;
/** Groups that are laid and measured. */
const TRIED = 4;

const isWorth = (before: number, after: number) => after <= before - Math.max(WORTH, SHARE * before);

function* waysOutOf(
  question: WaysOutQuestion,
  open: OpenDesk,
  show?: (soFar: WaysOutOutput) => void,
): Work<WaysOutOutput> {
  if (question.anew.length * open.desk.inks.length > MOST_WORK)
    throw wrong("anew", `expected fewer areas at once: areas times inks are to be at most ${MOST_WORK}`);
  const field = fieldFor(question);
  const { ids } = field.named;
  const { ground } = field.relieved;
  const places = question.anew.map(({ id }, i) => {
    const at = ids.indexOf(String(id));
    if (at < 0) throw wrong(`anew[${i}].id`, "expected the id of an area that lies on the drawing");
    return at;
  });
  const shown = yield* part(shownIn(field, question, open), 0, 0.3);
  const pencils = yield* part(pencilsFor(open, question.areas), 0.3, 0.05);
  const wishes = shown.map((s) => s?.wish ?? NO_TONES);
  const map = toneMapFor(field, wishes);
  const said = new Map(question.areas.map((a) => [String(a.id), a]));
  const out: WayOut[] = [];

  for (const [i, asked] of question.anew.entries()) {
    const at = places[i]!;
    const id = ids[at]!;
    const now = shown[at];
    const area = said.get(id);
    const offOf = (s: ShownArea) =>
      seeArea(s.laid, map, at, s.wanted, s.borders[1] ?? 1, ground.mmPerPixel).off;
    const before = now && offOf(now);
    if (!area || !now || before === undefined) continue;
    const price = costOf(open, asked.ownedOnly);
    const excluded = new Set(asked.exclude);
    const fixed = fixedOf(open, asked, `anew[${i}].`);
    /** The best of what a planner gives, each laid and measured. */
    function* bestOf(
      purchases: number,
    ): Work<{ readonly planned: PlannedGroup; readonly group: NearerGroup } | undefined> {
      const planned = yield* planGroups(open.desk, shapeWishOf(open, asked), purchases ? 1 : TRIED, {
        inkCost: (ink) =>
          excluded.has(open.desk.inks[ink]!.code) ? Infinity : purchases ? costOf(open)(ink) : price(ink),
        fixed,
        unowned: (ink) => isUnowned(open, ink),
        ...(purchases && { purchases }),
      });
      return planned
        .map((g) => {
          const other = otherOf(open, g);
          const after = offOf(laidWith(open, question, area!, asked, other, pencils)) ?? Infinity;
          return { planned: g, group: { ...other, after } };
        })
        .sort((a, b) => a.group.after - b.group.after)[0];
    }
    const [from, wide] = [0.35 + (0.65 * i) / question.anew.length, 0.65 / question.anew.length];
    const best = yield* part(bestOf(0), from, 0.6 * wide);
    const group = best && isWorth(before, best.group.after) ? best.group : undefined;
    const least = group?.after ?? before;
    const own = map.counts.subarray(at * 256 + 1, at * 256 + 256);
    const paper = missed(
      () => open.desk.paper.lab,
      now.wanted!,
      [...own].map((n, b) => [b / 254, n] as const),
    );
    let buy: WayOut["buy"];
    if (least > STILL_OFF) {
      const bought = yield* part(bestOf(1), from + 0.6 * wide, 0.4 * wide);
      const ink = bought && inksOf(bought.planned).find((n) => isUnowned(open, n));
      if (bought && ink !== undefined && isWorth(least, bought.group.after))
        buy = { code: open.desk.inks[ink]!.code, after: bought.group.after };
    }
    out.push({
      id,
      before,
      ...(group && { group }),
      ...(isWorth(least, paper) && { white: paper }),
      ...(buy && { buy }),
    });
    show?.({ areas: [...out] });
  }
  return { areas: out };
}

/** Ways to bring areas nearer to what was picked: other groups, bare paper, a marker to buy. */
export const waysOut = deskOperation(WaysOutQuestion, waysOutOf);
