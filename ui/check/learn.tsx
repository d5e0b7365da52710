"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import type { ComparedZone } from "@/compute/operations/compare-sheet";
import type { LearnSheetOutput, LessonOutput } from "@/compute/operations/learn-sheet";
import { nameStack } from "@/core/formats/cgats";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { Figure } from "@/ui/kit/figure";
import { messageOf, send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";
import { counted } from "@/words/numbers";
import { liesInWords } from "@/words/sheet";

/** Places of less ground (mm²) than this are too small to be sure of, and longer stacks are none of a group. */
const LEAST_MM2 = 12;
const MOST_STACK = 12;

/** Places from which the model may learn: laid as planned, as far as anybody can tell. */
const teaches = (z: ComparedZone) =>
  !z.drawnOver &&
  z.stack.length > 0 &&
  z.stack.length <= MOST_STACK &&
  z.mm2 >= LEAST_MM2 &&
  (z.within || !z.causes.length);

const keyOf = ({ stack }: LessonOutput) => stack.join(" ");

/** What was kept of a sheet as readings of its paper, and how it is taken back; it outlasts being compared anew. */
export function useLearnt({ paper }: Rack) {
  const router = useRouter();
  const [kept, setKept] = useState<{ readonly at: string; readonly added: number }>();
  const [said, setSaid] = useState<string>();
  const url = `/api/papers/${paper.id}/readings`;
  const attempt = async (change: () => Promise<void>) => {
    try {
      await change();
      router.refresh();
    } catch (e) {
      setSaid(messageOf(e));
    }
  };
  return {
    kept,
    said:
      said ?? (kept && `${counted(kept.added, "reading")} kept on ${paper.name}; every plan goes by them.`),
    keep: (lessons: readonly LessonOutput[], spread: number) =>
      attempt(async () => {
        const readings = lessons.map((l) => ({
          stack: l.stack,
          color: { lab: l.kept.lab },
          source: "picture",
          spread,
        }));
        setKept(await send<{ added: number; at: string }>("POST", url, { readings }));
        setSaid(undefined);
      }),
    takeBack: () =>
      attempt(async () => {
        const { removed } = await send<{ removed: number }>("DELETE", url, { at: kept!.at });
        setKept(undefined);
        setSaid(`${counted(removed, "reading")} taken back.`);
      }),
  };
}

/** What the model of this paper can take on of the sheet: shown, ticked, kept as readings, and taken back. */
export function Learn({
  zones,
  photo,
  sure,
  rack,
  learnt: { kept, said, keep, takeBack },
}: {
  /** Places of the sheet; nothing while they are compared anew. */
  readonly zones: readonly ComparedZone[] | undefined;
  /** Median ΔE00 by which the photo may be wrong. */
  readonly photo: number;
  /** Known colours lay in the photo: what is off in it is not the camera's. */
  readonly sure: boolean;
  readonly rack: Rack;
  readonly learnt: ReturnType<typeof useLearnt>;
}) {
  const may = useMayChange();
  const [asked, setAsked] = useState(false);
  /** Lessons that are ticked otherwise than at first: all of them are where the camera is known, else none. */
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const isTicked = (l: LessonOutput) => turned.has(keyOf(l)) !== sure;
  const places = useMemo(
    () =>
      (zones ?? []).filter(teaches).map(({ stack, planned, lies, mm2 }) => ({
        stack,
        planned: { lab: planned.lab },
        lies: { lab: lies.lab },
        mm2,
      })),
    [zones],
  );
  const work = useAsk("learnSheet", rack, asked && places.length ? { places, photo } : null);
  if (!may || (!places.length && !said)) return null;
  const lessons = work.output?.lessons ?? [];
  const ticked = lessons.filter(isTicked);
  return (
    <section aria-label="What the model learns" className="mt-3 border-t border-line pt-2">
      <h3 className="m-0 text-[15px]">What the model learns</h3>
      {said && (
        <p role="status" className="mt-1 mb-0 flex flex-wrap items-center gap-3 text-[14px]">
          {said}
          {kept && (
            <button className="button min-h-8 py-0" onClick={() => void takeBack()}>
              Take them back
            </button>
          )}
        </p>
      )}
      {!asked && !kept && places.length > 0 && (
        <p className="mt-1 mb-0 flex flex-wrap items-center gap-3 text-[14px]">
          What lies as planned tells how these inks really look over each other on {rack.paper.name}.
          <button className="button" onClick={() => setAsked(true)}>
            What can be learnt from it
          </button>
        </p>
      )}
      {asked && <Progress work={work} doing="Judging what the sheet teaches" />}
      {asked && work.output && (
        <>
          <p className="mt-1 mb-1 text-[14px]">
            <Worth {...work.output} sure={sure} />
          </p>
          {lessons.length > 0 && (
            <>
              <ul className="m-0 max-h-72 list-none overflow-auto p-0" aria-label="Stacks that it teaches">
                {lessons.map((l) => (
                  <li key={keyOf(l)} className="border-b border-line">
                    <label className="flex min-h-8 items-center gap-2.5 text-[14px]">
                      <input
                        type="checkbox"
                        className="size-4 shrink-0 accent-black"
                        checked={isTicked(l)}
                        onChange={() => {
                          const next = new Set(turned);
                          if (!next.delete(keyOf(l))) next.add(keyOf(l));
                          setTurned(next);
                        }}
                      />
                      <span className="inline-flex shrink-0" aria-hidden>
                        <span className="inline-block h-6 w-7" style={{ background: l.predicted.hex }} />
                        <span className="inline-block h-6 w-7" style={{ background: l.read.hex }} />
                      </span>
                      <span className="code min-w-0 flex-1 py-1 leading-tight">{nameStack(l.stack)}</span>
                      <span className="max-w-[42%] text-right">
                        {liesInWords(l.read.lab, l.predicted.lab)}
                      </span>
                      <span className="shrink-0 text-soft">{Math.round(100 * l.weight)} % believed</span>
                    </label>
                  </li>
                ))}
              </ul>
              <p className="mt-2 mb-0 flex gap-2">
                <button
                  className="button button-main"
                  disabled={!ticked.length}
                  onClick={() => void keep(ticked, photo).then(() => setAsked(false))}
                >
                  Keep {counted(ticked.length, "reading")}
                </button>
                <button className="button" onClick={() => setAsked(false)}>
                  Leave it
                </button>
              </p>
            </>
          )}
        </>
      )}
    </section>
  );
}

/** Share of the difference on held-out stacks that must be left at most for learning to be advised: photos err, and alike over a sheet. */
const WORTH = 0.9;

/** Whether the rest of the sheet would have been predicted better. */
function Worth({ lessons, now, then, sure }: LearnSheetOutput & { readonly sure: boolean }) {
  if (!lessons.length) return "Nothing: what lies here is known better than a photo can tell.";
  if (now === null || then === null)
    return "Too few different stacks to judge by the others what each would be worth.";
  const figures = (
    <Figure unit="ΔE00">
      {now.toFixed(1)} ΔE00 now, {then.toFixed(1)} then
    </Figure>
  );
  // Held-out stacks of one photo are off by its camera as well: they cannot tell it from the paper.
  if (!sure)
    return (
      <>
        The photo’s colour is known from its paper alone: what is off ({figures} on stacks that were held
        back) may be the camera’s. Keep only what you see on the sheet as well.
      </>
    );
  return then < WORTH * now ? (
    <>With these, stacks of the sheet that were held back would have been predicted nearer: {figures}.</>
  ) : (
    <>
      Stacks of the sheet that were held back would hardly have been predicted nearer, {figures}. Rather leave
      it: a photo with more known colours tells more.
    </>
  );
}
