"use client";
import { useMemo, useSyncExternalStore } from "react";
import { eyeProgress } from "@/core/practice/progress";
import { eyeSchedule, type EyeAnswer } from "@/core/practice/schedule";
import { axis, ChartCanvas } from "@/ui/kit/chart";
import { eyeInWords } from "@/words/eye";
import { counted } from "@/words/numbers";

const percent = (right: number, asked: number) => `${Math.round((100 * right) / asked)} %`;
const hard = (level: number) =>
  level < 0.25 ? "easy" : level < 0.5 ? "fair" : level < 0.75 ? "hard" : "very hard";
const NEVER = () => () => undefined;
const weekOf = (ms: number) =>
  new Intl.DateTimeFormat("en", { day: "numeric", month: "short", timeZone: "UTC" }).format(new Date(ms));

/** How an eye has come on: what is due, each kind, what is least sure, and the weeks. */
export function EyeProgressView({
  answers,
  families,
}: {
  readonly answers: readonly EyeAnswer[];
  readonly families: readonly string[];
}) {
  const { kinds, families: byFamily, weeks } = useMemo(() => eyeProgress(answers), [answers]);
  // The clock is the browser's alone.
  const isHere = useSyncExternalStore(
    NEVER,
    () => true,
    () => false,
  );
  // eslint-disable-next-line react-hooks/purity -- what is due is due by now
  const due = isHere ? eyeSchedule(answers, families, Date.now()).due : 0;
  const asked = kinds.filter((k) => k.asked > 0);
  const unsure = byFamily.filter((f) => f.right < 0.7 * f.asked).slice(0, 3);
  if (!answers.length)
    return (
      <section aria-label="How it goes">
        <h2 className="m-0 text-[19px]">How it goes</h2>
        <p className="mt-1 text-[15px] text-soft">Nothing was asked yet. Ten questions take three minutes.</p>
      </section>
    );
  return (
    <section aria-label="How it goes">
      <h2 className="m-0 text-[19px]">How it goes</h2>
      <p className="mt-1 mb-3 text-[15px]" role="status">
        {due ? `${counted(due, "thing")} to repeat now.` : "Nothing has to be repeated now."}
      </p>
      <table className="w-full border-collapse text-[15px]">
        <caption className="sr-only">
          Right answers of the last twenty of each kind, and how hard they are
        </caption>
        <thead>
          <tr className="text-left text-[14px] text-soft">
            <th className="font-normal">kind</th>
            <th className="text-right font-normal">right</th>
            <th className="pl-4 font-normal">now</th>
          </tr>
        </thead>
        <tbody>
          {asked.map((k) => (
            <tr key={k.kind} className="border-b border-line">
              <td className="py-1">{eyeInWords[k.kind].name}</td>
              <td className="text-right tabular-nums">
                {percent(k.right, k.asked)} <span className="text-soft">of {k.asked}</span>
              </td>
              <td className="pl-4">{hard(k.level)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {unsure.length > 0 && (
        <p className="mt-3 mb-0 text-[15px]">
          Least sure with{" "}
          {unsure.map((f) => `${f.family} (${percent(f.right, f.asked)} of ${f.asked})`).join(", ")}.
        </p>
      )}
      {weeks.length > 1 && (
        <>
          <h3 className="mt-4 mb-1 text-[16px]">By week</h3>
          <ChartCanvas
            kind="line"
            className="h-40"
            label="Right answers by week"
            says={JSON.stringify(weeks)}
            data={({ text }) => ({
              labels: weeks.map((w) => weekOf(w.from)),
              datasets: [
                {
                  label: "right",
                  data: weeks.map((w) => (100 * w.right) / w.asked),
                  borderColor: text,
                  borderWidth: 2.5,
                  pointRadius: 3,
                },
                {
                  label: "how hard",
                  data: weeks.map((w) => 100 * w.level),
                  borderColor: text,
                  borderWidth: 1.2,
                  borderDash: [4, 3],
                  pointRadius: 0,
                },
              ],
            })}
            options={(ink) => ({
              scales: {
                x: axis(ink, "week from"),
                y: axis(ink, "%", { min: 0, max: 100, stepSize: 25 }),
              },
              plugins: { legend: { labels: { color: ink.text, font: ink.font, boxHeight: 1 } } },
            })}
          />
          <details className="mt-1">
            <summary className="cursor-pointer text-[14px]">As a table</summary>
            <table className="w-full border-collapse text-[14px]">
              <thead>
                <tr className="text-left text-soft">
                  <th className="font-normal">week from</th>
                  <th className="text-right font-normal">asked</th>
                  <th className="text-right font-normal">right</th>
                  <th className="text-right font-normal">how hard</th>
                </tr>
              </thead>
              <tbody>
                {weeks.map((w) => (
                  <tr key={w.from} className="border-b border-line tabular-nums">
                    <td>{weekOf(w.from)}</td>
                    <td className="text-right">{w.asked}</td>
                    <td className="text-right">{percent(w.right, w.asked)}</td>
                    <td className="text-right">{Math.round(100 * w.level)} %</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </details>
        </>
      )}
      <p className="mt-3 mb-0">
        <a className="button" href="/api/practice/csv" download>
          Save as CSV
        </a>
      </p>
    </section>
  );
}
