import type { SheetInput } from "@/border/sheet";
import { courseOf } from "@/core/course/course";
import { inkPasses } from "@/core/course/laid-passes";
import { plannedLayers } from "@/core/course/planned-layers";
import { rampOf } from "@/core/course/ramp";
import type { LaidArea } from "@/core/course/laid-area";
import { fadeOf } from "@/core/ink/fade";
import { reachOn } from "@/core/ink/reach";
import { covers } from "@/core/ink/span";
import { bringsOf, type Pass } from "@/core/media/medium";
import { closeness, deltaE00, type Closeness } from "@/core/colour/delta-e00";
import { displayLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { Advice } from "@/core/group/advice";
import type { AssessedGroup } from "@/core/group/assess";
import { differenceOf, spanOf } from "@/core/group/difference";
import type { School } from "@/core/group/school";
import type { Verdict } from "@/core/group/step";
import type { Role } from "@/core/group/tone";
import { isMeasured, knowledgeOf, seenLab, type Knowledge, type Stack } from "@/core/ink/desk";
import { adviceInWords } from "@/words/advice";
import { differenceInWords } from "@/words/difference";
import type { OpenDesk } from "./desk";
import type { ShownArea } from "./laid-areas";
import { seen, type SeenColour } from "./seen";

export interface ToneOutput extends SeenColour {
  readonly code: string;
  readonly coats: number;
  readonly role: Role;
  readonly measured: boolean;
}

export interface StepOutput {
  readonly deltaL: number;
  readonly deltaE00: number;
  readonly verdict: Verdict;
  readonly mud: number;
  /** The blend at ¼, ½ and ¾. */
  readonly blend: readonly string[];
}

/** What one sees after a tone has been laid over all that came before it. */
export interface BuildOutput extends SeenColour {
  readonly code: string;
  readonly knowledge: Knowledge;
}

/** One time over part of the area, as the course has it. */
export interface PassOutput extends Pick<
  Pass,
  "code" | "coats" | "from" | "to" | "role" | "where" | "stroke"
> {
  readonly wet: boolean;
  readonly kind: Pass["kind"] | "underlay" | "overlay";
}

const passOutput = ({ code, coats, from, to, role, where, stroke, kind, wet }: Pass): PassOutput => ({
  code,
  coats,
  from,
  to,
  role,
  where,
  stroke,
  wet,
  kind: role === "underlay" || role === "overlay" ? role : kind,
});

/** What lies and what is seen at a place of the area. */
export interface PlaceOutput extends SeenColour {
  readonly name: "light" | "tone" | "shadow";
  readonly t: number;
  /** First pass first. */
  readonly stack: readonly { readonly code: string; readonly coats: number }[];
  /** What is wanted there. */
  readonly goal: Lab;
  readonly deltaE00: number;
}

export interface GroupOutput {
  readonly school: School;
  /** Each alone on the paper: its own stroke. */
  readonly tones: readonly ToneOutput[];
  /** Between the tones as laid, and from the last one to the shadow end where that is another place. */
  readonly steps: readonly StepOutput[];
  /** The tone that carries the local colour, from 0. */
  readonly local: number;
  readonly localColourDeltaE00: number;
  readonly localCloseness: Closeness;
  readonly score: number;
  /** L* from the light end to the shadow end, as laid. */
  readonly contrast: number;
  readonly advice: readonly (Advice & { readonly message: string })[];
  /** How it differs from the first group, in words; empty for the first. */
  readonly difference: string;
  /** What one sees after each tone, in the order of laying. */
  readonly build: readonly BuildOutput[];
  /** What lies under or over the shadow end. */
  readonly shade: readonly {
    readonly kind: "underlay" | "overlay";
    readonly code: string;
    readonly coats: number;
  }[];
  readonly passes: readonly PassOutput[];
  /** Light end, the middle of each tone, shadow end. */
  readonly places: readonly PlaceOutput[];
  /** The area as it will lie on the paper, from its lightest end to its darkest. */
  readonly strip: readonly string[];
  /** Most coats anywhere, and what the paper holds. */
  readonly mostCoats: number;
  readonly capacity: number;
}

export const coatsOf = ({ ink, coats }: { readonly ink: number; readonly coats: number }): number[] =>
  Array<number>(coats).fill(ink);

/** Colours of a build-up: after each tone, over what lies beneath. */
export function buildUp(
  { desk }: OpenDesk,
  tones: readonly { readonly ink: number; readonly coats: number }[],
  beneath: Stack = [],
): BuildOutput[] {
  let stack: Stack = beneath;
  return tones.map((t) => {
    stack = [...stack, ...coatsOf(t)];
    return {
      code: desk.inks[t.ink]!.code,
      ...seen(seenLab(desk, stack)),
      knowledge: knowledgeOf(desk, stack),
    };
  });
}

/** What else is known of a group that is shown. */
interface Shown {
  readonly sheet: SheetInput;
  /** The group that it is compared with. */
  readonly first?: AssessedGroup | undefined;
  /** The area with all that lies on it, where that is more than the group: what is seen at a place is seen of all of it. */
  readonly whole?: Pick<ShownArea, "passes" | "laid"> | undefined;
}

/** Coats that lie at a place, first pass first. */
const stackAt = (passes: readonly Pass[], t: number) =>
  passes.filter((p) => bringsOf(p) === "ink" && covers(p, t)).map(({ code, coats }) => ({ code, coats }));

/** Everything that is shown of a group. */
export function groupOutput(
  open: OpenDesk,
  group: AssessedGroup,
  { sheet, first, whole }: Shown,
): GroupOutput {
  const { desk } = open;
  const { inks, laying, places, goal } = group;
  const code = (ink: number) => desk.inks[ink]!.code;
  const course = courseOf(plannedLayers(group, code), {
    school: laying.school,
    capacity: laying.capacity,
  });
  const wanted = (n: number): Lab =>
    n === 0 ? goal.light : n === places.length - 1 ? goal.shadow : goal.places[n - 1]!;
  const passes = whole?.passes ?? course.passes;
  const along: Pick<LaidArea, "at"> =
    whole?.laid ?? fadeOf(desk, inkPasses(passes, open.find), reachOn(desk, sheet));
  const seenAt = places.map((p, n): PlaceOutput => {
    const colour = wanted(n);
    const lab = whole ? along.at(p.t, 0) : p.lab;
    return {
      name: n === 0 ? "light" : n === places.length - 1 ? "shadow" : "tone",
      t: p.t,
      stack: stackAt(passes, p.t),
      ...seen(lab),
      goal: colour,
      deltaE00: deltaE00(lab, colour),
    };
  });
  const localColour = seenAt[goal.localAt + 1]!.deltaE00;
  const inOrder = laying.hand?.map((t) => group.tones[t]!) ?? group.tones;
  const shade = (kind: "underlay" | "overlay", list: readonly number[], coats: readonly number[]) =>
    list.map((ink, i) => ({ kind, code: code(ink), coats: coats[i]! }));
  return {
    school: laying.school,
    tones: group.tones.map((t) => ({
      code: code(t.ink),
      coats: t.coats,
      role: t.role,
      ...seen(t.lab),
      measured: isMeasured(desk, coatsOf(t)),
    })),
    steps: group.steps.map((s) => ({
      deltaL: s.deltaL,
      deltaE00: s.deltaE00,
      verdict: s.verdict,
      mud: s.mud,
      blend: s.mixtures.map((m) => seen(m).hex),
    })),
    local: laying.local,
    localColourDeltaE00: localColour,
    localCloseness: closeness(localColour),
    score: group.score,
    contrast: spanOf(group),
    advice: group.advice.map((a) => ({ ...a, message: adviceInWords(a) })),
    difference: first ? differenceInWords(differenceOf(first, group)) : "",
    build: buildUp(
      open,
      inOrder,
      inks.under.flatMap((ink, i) => coatsOf({ ink, coats: laying.under[i]! })),
    ),
    shade: [...shade("underlay", inks.under, laying.under), ...shade("overlay", inks.over, laying.over)],
    passes: course.passes.map(passOutput),
    places: seenAt,
    strip: rampOf(along).map((lab) => displayLab(lab).hex),
    mostCoats: group.mostCoats,
    capacity: laying.capacity,
  };
}
