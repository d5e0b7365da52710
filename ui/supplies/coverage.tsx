"use client";
import type { PurchasesOutput } from "@/compute/operations/purchases";
import { axis, ChartCanvas } from "@/ui/kit/chart";
import { moneyInWords } from "@/words/purchases";

const percent = (share: number) => Math.round(1000 * share) / 10;

/** What share of the picked colours is met by what money: where one stands, what the plan gains, and how it goes on. */
export const Coverage = ({ plan, budget }: { readonly plan: PurchasesOutput; readonly budget: number }) => (
  <section aria-label="What money gains">
    <h2 className="m-0 text-[18px]">What money gains</h2>
    <p className="mt-0.5 mb-2 text-[15px]">
      <b className="text-[22px] font-semibold">{percent(plan.before)} %</b> now,{" "}
      <b className="text-[22px] font-semibold">{percent(plan.after)} %</b> with the list
    </p>
    <ChartCanvas
      kind="scatter"
      className="h-64"
      label="Share of the picked colours within 3 ΔE00 by money spent; the table below says the same"
      says={JSON.stringify([plan.curve, plan.spent, plan.after, budget])}
      data={({ text, line }) => ({
        datasets: [
          {
            label: "bought one by one",
            data: plan.curve.map(({ money, share }) => ({ x: money, y: percent(share) })),
            showLine: true,
            stepped: "before",
            borderColor: text,
            backgroundColor: text,
            borderWidth: 2,
            pointRadius: 2.5,
          },
          {
            label: "the list",
            data: [{ x: plan.spent, y: percent(plan.after) }],
            pointStyle: "rectRot",
            pointRadius: 9,
            borderColor: text,
            backgroundColor: line,
            pointBorderWidth: 2,
          },
        ],
      })}
      options={(ink) => ({
        scales: {
          x: axis(ink, "money", { min: 0, max: Math.max(budget, plan.curve.at(-1)?.money ?? 0, 1) }),
          y: axis(ink, "% of colours met", { max: 100 }),
        },
        plugins: {
          legend: { position: "bottom", labels: { color: ink.text, font: ink.font, usePointStyle: true } },
          tooltip: { animation: false },
        },
      })}
    />
    <details className="mt-2 text-[14px]">
      <summary>As a table</summary>
      <table className="mt-1 w-full border-collapse text-left tabular-nums">
        <thead>
          <tr>
            <th className="py-1 font-semibold">spent</th>
            <th className="py-1 text-right font-semibold">colours met</th>
          </tr>
        </thead>
        <tbody>
          {plan.curve.map(({ money, share }, i) => (
            <tr key={i} className="border-t border-line">
              <td className="py-0.5">{moneyInWords(money)}</td>
              <td className="py-0.5 text-right">{percent(share)} %</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  </section>
);
