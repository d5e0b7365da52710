import { memory } from "@/core/memory";
import { buildName } from "@/app/build-name";
import { currentStudio } from "@/app/studio-view";
import { BadInput } from "@/border/problem";
import { deskOfRack, rackKey } from "@/compute/from-rack";
import type { GroupOutput } from "@/compute/group-output";
import type { OutputOf } from "@/compute/table";
import { keptQuestions, type JudgedGroups, type KeptQuestion } from "@/compute/kept-groups";
import { tonesIn } from "@/core/piece/area-course";
import type { Piece } from "@/core/piece/piece";
import { findFit, keepFit } from "@/store/desk-fits";
import { findJudged, keepJudged } from "@/store/judged-groups";
import { findPiece, type StoredPiece } from "@/store/pieces";
import { rackAt } from "@/store/rack-cache";
import type { Rack } from "@/store/rack";
import type { Studio } from "@/store/studio";
import type { RackAt } from "@/ui/racks-at-hand";
import { compute } from "@/workers/through-primary";

/** How long a page waits for what is not known yet, ms; without it the browser works it out. */
const PATIENCE = 80;
/** Areas of which the groups come with a page, about 4 kB each before it is compressed; the browser works out the others. */
const MOST_ALONG = 60;
/** Longest that the server goes on with it for the next time, ms. */
const LONGEST = 20_000;

/** Desks that are open, by the rack. */
const desks = memory<Promise<string>>(20);
const withTime = () => AbortSignal.timeout(LONGEST);

function deskOf(studio: Studio, rack: Rack): Promise<string> {
  const key = rackKey(rack);
  const there = desks.recall(key);
  if (there) return there;
  const opening = (async () => {
    const name = `${await buildName()} ${key}`;
    const fit = await findFit(studio, name);
    const input = { ...deskOfRack(rack), ...(fit && { fit }) };
    const opened = (await compute("open", input, withTime(), "pages")) as OutputOf<"open">;
    // What cannot be kept is worked out again the next time.
    if (!fit) await keepFit(studio, name, opened.fit).catch(() => undefined);
    return opened.desk;
  })();
  opening.catch(() => desks.forget(key));
  return desks.keep(key, opening);
}

async function assess(
  studio: Studio,
  rack: Rack,
  questions: readonly KeptQuestion[],
): Promise<readonly GroupOutput[]> {
  const areas = questions.map(({ id, question }) => ({ id, ...question }));
  const once = async () =>
    compute("assessAreas", { desk: await deskOf(studio, rack), areas }, withTime(), "pages");
  const answer = await once().catch((e: unknown) => {
    if (!(e instanceof BadInput && e.problems.some((p) => p.path === "desk"))) throw e;
    desks.forget(rackKey(rack));
    return once();
  });
  return (answer as { readonly areas: readonly { readonly group: GroupOutput }[] }).areas.map((a) => a.group);
}

/** Names that are being worked out: whoever asks meanwhile starts nothing. */
const going = new Set<string>();

async function workOut(
  studio: Studio,
  rack: Rack,
  questions: readonly KeptQuestion[],
): Promise<JudgedGroups> {
  const asked = questions.filter((q) => !going.has(q.name));
  if (!asked.length) return [];
  for (const { name } of asked) going.add(name);
  try {
    const groups = await assess(studio, rack, asked);
    const own = await buildName();
    await keepJudged(studio, new Map(asked.map(({ name }, i) => [`${own} ${name}`, groups[i]!]))).catch(
      () => undefined,
    );
    return asked.map(({ name }, i) => [name, groups[i]!] as const);
  } catch {
    // Busy, or refused: the browser works it out, and says what is wrong with it.
    return [];
  } finally {
    for (const { name } of asked) going.delete(name);
  }
}

/** Colours of a group along its area. */
export interface AreaRamp {
  readonly id: string;
  readonly name: string;
  /** As it will lie; none until that is known. */
  readonly colours: readonly string[];
}

/** Colours of a ramp that is small. */
const FEW = 9;
const thinned = (colours: readonly string[]) =>
  Array.from({ length: Math.min(FEW, colours.length) }, (_, i) => {
    const n = Math.min(FEW, colours.length);
    return colours[Math.floor(((i + 0.5) * colours.length) / n)]!;
  });

/** Ramps that are known whole, by what they are of: a bench is looked at again and again. */
const ramps = memory<AreaRamp[]>(2000);

/**
 * The ramps of a piece's planned areas, at once: one that nobody has worked out yet has no colours, and is worked out for the next time. Its
 * document is read only where the ramps are not known.
 */
export async function rampsOf(
  { id, revision }: Pick<StoredPiece, "id" | "revision">,
  at: RackAt,
): Promise<AreaRamp[]> {
  const studio = await currentStudio();
  const there = await rackAt(studio, at.paperId);
  if (!there) return [];
  const of = `${studio.id} ${id} ${revision} ${rackKey(there.rack)}`;
  const known = ramps.recall(of);
  if (known) return known;
  const stored = await findPiece(studio, id);
  if (stored?.revision !== revision) return [];
  const piece = stored.document;
  const groups = new Map(await judgedOf(piece, at, 0));
  const names = new Map(keptQuestions(there.rack, piece).map((q) => [q.id, q.name]));
  const found = piece.areas.flatMap((area): AreaRamp[] => {
    if (!tonesIn(area).tones.length) return [];
    const laid = groups.get(names.get(area.id) ?? "")?.strip;
    return [{ id: area.id, name: area.name, colours: thinned(laid ?? []) }];
  });
  // Of more areas than come along the others are worked out by the browser.
  const isWhole = found.slice(0, MOST_ALONG).every((r) => r.colours.length || !names.has(r.id));
  return isWhole ? ramps.keep(of, found) : found;
}

/** Colours along the areas of a piece as far as they were worked out, by the areas' ids: for who may look at it and starts no work. */
export async function rampsKnown(
  studio: Studio,
  pieceId: string,
  rack: Rack,
): Promise<Record<string, readonly string[]>> {
  const stored = await findPiece(studio, pieceId);
  if (!stored) return {};
  const questions = keptQuestions(rack, stored.document);
  const own = await buildName();
  const found = await findJudged(
    studio,
    questions.map((q) => `${own} ${q.name}`),
  );
  return Object.fromEntries(
    questions.flatMap(({ id, name }) => {
      const group = found.get(`${own} ${name}`) as GroupOutput | undefined;
      return group ? [[id, thinned(group.strip)] as const] : [];
    }),
  );
}

/**
 * What is known of a piece's kept groups on a paper, by the name of the question; so that a page shows them as they will lie from its
 * first moment. What is missing is worked out for the next time, and waited for a moment only.
 */
export async function judgedOf(
  piece: Piece,
  { paperId }: RackAt,
  patience = PATIENCE,
): Promise<JudgedGroups> {
  const studio = await currentStudio();
  const there = await rackAt(studio, paperId);
  if (!there) return [];
  const questions = keptQuestions(there.rack, piece).slice(0, MOST_ALONG);
  const own = await buildName();
  const found = await findJudged(
    studio,
    questions.map((q) => `${own} ${q.name}`),
  );
  const known: JudgedGroups = questions.flatMap(({ name }) => {
    const group = found.get(`${own} ${name}`) as GroupOutput | undefined;
    return group ? [[name, group] as const] : [];
  });
  const missing = questions.filter((q) => !found.has(`${own} ${q.name}`));
  if (!missing.length) return known;
  const late = new Promise<JudgedGroups>((done) => setTimeout(() => done([]), patience));
  return [...known, ...(await Promise.race([workOut(studio, there.rack, missing), late]))];
}
