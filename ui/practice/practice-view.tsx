"use client";
import { useMemo, useState } from "react";
import { EYE_KINDS, FEWEST_INKS, type EyeKind } from "@/core/practice/eye";
import type { ComparedPiece } from "@/core/practice/habits";
import { eyeSchedule, type EyeAnswer, type NextToAsk } from "@/core/practice/schedule";
import type { SheetResult } from "@/core/practice/sheet-result";
import type { Rack } from "@/store/rack";
import { Tabs } from "@/ui/kit/tabs";
import { ask, useQuery } from "@/ui/use-query";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { Link } from "@/ui/kit/link";
import { withRack } from "@/ui/rack-here";
import { useMayChange } from "@/ui/studio/studio-context";
import { eyeInWords } from "@/words/eye";
import { counted } from "@/words/numbers";
import { EyeCard } from "./eye-card";
import { SheetsTab } from "./sheets-tab";
import { EyeProgressView } from "./eye-progress";
import { useAnswers } from "./use-answers";

interface Asked extends NextToAsk {
  readonly seed: number;
}

const nowMs = () => Date.now();
const seedOf = () => crypto.getRandomValues(new Uint32Array(1))[0]! >>> 1;

/** Practice with the markers of one's own rack: for the eye on the screen, for the hand on sheets. */
export function PracticeView({
  answers,
  sheets,
  compared,
  rack,
}: {
  readonly answers: readonly EyeAnswer[];
  readonly sheets: readonly SheetResult[];
  readonly compared: readonly ComparedPiece[];
  readonly rack: Rack;
}) {
  const tab = useQuery().get("tab") === "sheets" ? "sheets" : "eye";
  return (
    <main id="main" className="mx-auto w-full max-w-[1240px] px-4 py-4">
      <h1 className="m-0 mb-2 text-[24px]">Practice</h1>
      <Tabs
        label="What to practise"
        open={tab}
        onOpen={(id) => ask(id === "eye" ? "/practice" : `/practice?tab=${id}`)}
        items={[
          { id: "eye", name: "The eye", content: () => <EyeTab answers={answers} rack={rack} /> },
          {
            id: "sheets",
            name: "Sheets",
            content: () => <SheetsTab sheets={sheets} compared={compared} rack={rack} />,
          },
        ]}
      />
    </main>
  );
}

function EyeTab({ answers: known, rack }: { readonly answers: readonly EyeAnswer[]; readonly rack: Rack }) {
  const may = useMayChange();
  const { answers, add, trouble } = useAnswers(known, may);
  const [asked, setAsked] = useState<Asked>();
  const [answered, setAnswered] = useState(false);
  const [count, setCount] = useState(0);
  const [without, setWithout] = useState<ReadonlySet<EyeKind>>(new Set());
  const [only, setOnly] = useState<EyeKind>();
  const read = useMemo(() => rack.markers.filter((m) => m.swatches.length && m.owned), [rack]);
  const families = useMemo(() => [...new Set(read.map((m) => m.family))].sort(), [read]);
  const enough = read.length >= FEWEST_INKS;
  const next = (kinds = without, one = only) => {
    const barred = one ? new Set(EYE_KINDS.filter((k) => k !== one)) : kinds;
    const { next: found } = eyeSchedule(answers, families, nowMs(), barred);
    setAsked({ ...found, seed: seedOf() });
    setAnswered(false);
  };
  const about = useMemo(
    () => (asked ? read.filter((m) => m.family === asked.family).map((m) => m.code) : []),
    [asked, read],
  );
  const work = useAsk(
    "eye",
    rack,
    asked && enough ? { kind: asked.kind, about, level: asked.level, seed: asked.seed } : null,
  );
  const question = work.progress === undefined && !work.old ? work.output : undefined;
  const skip = () => {
    const kinds = asked ? new Set([...without, asked.kind]) : without;
    setWithout(kinds);
    setOnly(undefined);
    next(kinds, undefined);
  };
  return (
    <div className="grid gap-8 min-[960px]:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
      <section aria-label="The eye">
        <p className="mt-0 mb-4 max-w-[62ch] text-[16px]">
          Values, warmth, overlays and coats, asked of your own markers as they were read. What you miss comes
          back soon, what you know later and later.
        </p>
        {!enough ? (
          <div className="border border-dashed border-strong p-6">
            <p className="mt-0">
              It takes {FEWEST_INKS} markers that you own and whose colours are known on this paper; there{" "}
              {read.length === 1 ? "is one" : `are ${read.length || "none"}`}.
            </p>
            <Link className="button button-main" href="/swatchbook">
              Read their colours
            </Link>
          </div>
        ) : (
          <>
            <div role="group" aria-label="What to practise" className="mb-4 flex flex-wrap gap-1.5">
              {[undefined, ...EYE_KINDS].map((kind) => (
                <button
                  key={kind ?? "all"}
                  className={`button ${only === kind ? "button-main" : ""}`}
                  aria-pressed={only === kind}
                  onClick={() => {
                    setOnly(kind);
                    if (asked) next(without, kind);
                  }}
                >
                  {kind ? eyeInWords[kind].name : "What is due"}
                </button>
              ))}
            </div>
            {!asked && (
              <button className="button button-main min-h-12 text-[17px]" onClick={() => next()}>
                Begin
              </button>
            )}
            {asked && work.error && (
              <div>
                <p role="alert">{work.error}</p>
                <button className="button" onClick={skip}>
                  Ask something else
                </button>
              </div>
            )}
            {asked && !work.error && !question && <Progress work={work} doing="Looking for a question" />}
            {asked && question && (
              <EyeCard
                key={asked.seed}
                question={question}
                onAnswer={(right, seconds) => {
                  if (answered) return;
                  setAnswered(true);
                  setCount((c) => c + 1);
                  add({ kind: asked.kind, family: asked.family, right, seconds, level: asked.level });
                }}
                onNext={() => next()}
              />
            )}
            {count > 0 && (
              <p className="mt-5 mb-0 text-[14px] text-soft">
                {counted(count, "question")} answered just now.
                {trouble && ` Not all of it could be saved yet: ${trouble} It stays on this device.`}
              </p>
            )}
            {!may && (
              <p className="mt-4 text-[14px] text-soft">
                You are a guest in this studio: nothing of this is kept.
              </p>
            )}
          </>
        )}
      </section>
      <EyeProgressView answers={answers} families={families} />
    </div>
  );
}

export const PracticePlace = withRack(PracticeView);
