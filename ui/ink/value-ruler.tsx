import type { Verdict } from "@/core/group/step";
import { signed } from "@/words/numbers";

export interface RulerTone {
  readonly code: string;
  readonly lightness: number;
  readonly hex: string;
}
export interface RulerStep {
  readonly deltaL: number;
  readonly verdict: Verdict;
}
export interface RulerMark {
  readonly name: string;
  readonly lightness: number;
}

/** Least distance between labels, in the ruler's units. */
const APART = 15;

/** Labels pushed apart, each as near to its wanted place as the others allow. */
export function spreadLabels(
  wanted: readonly number[],
  apart: number,
  least: number,
  most: number,
): number[] {
  const out = [...wanted];
  for (let i = 1; i < out.length; i++) out[i] = Math.max(out[i]!, out[i - 1]! + apart);
  const over = (out.at(-1) ?? 0) - most;
  if (over > 0)
    for (let i = out.length - 1, limit = most; i >= 0; i--, limit -= apart) out[i] = Math.min(out[i]!, limit);
  if ((out[0] ?? least) < least)
    for (let i = 0, limit = least; i < out.length; i++, limit += apart) out[i] = Math.max(out[i]!, limit);
  return out;
}

const verdictMark: Record<Verdict, string> = {
  "too wide": "▲ too wide",
  even: "even",
  "too narrow": "▼ too narrow",
};

/** What the ruler shows, for who hears it. */
const spoken = (
  tones: readonly RulerTone[],
  steps: readonly RulerStep[],
  marks: readonly RulerMark[],
): string =>
  [
    `Lightness of the layers: ${tones
      .map((t, i) => {
        const step = steps[i];
        const on = step ? `, a step of ${signed(step.deltaL)}, ${step.verdict},` : "";
        return `${t.code} ${signed(t.lightness)}${on}`;
      })
      .join(" ")}`,
    ...(marks.length ? [`Picked: ${marks.map((m) => `${m.name} ${signed(m.lightness)}`).join(", ")}`] : []),
  ].join(". ");

/** Lightness 100–0 along one edge: tones as ticks, readings as marks, each step with its ΔL* and verdict. */
export function ValueRuler({
  tones,
  steps,
  marks,
  height = 300,
}: {
  tones: readonly RulerTone[];
  steps: readonly RulerStep[];
  marks: readonly RulerMark[];
  height?: number;
}) {
  // Only what is not even needs words, and room for them.
  const width = steps.every((s) => s.verdict === "even") ? 190 : 236;
  const top = 10;
  const y = (L: number) => top + ((100 - L) / 100) * (height - 2 * top);
  const tickLabels = spreadLabels(
    tones.map((t) => y(t.lightness)),
    APART,
    top,
    height - top,
  );
  const stepLabels = spreadLabels(
    steps.map((_, i) => (y(tones[i]!.lightness) + y(tones[i + 1]!.lightness)) / 2),
    APART,
    top,
    height - top,
  );
  const orderedMarks = [...marks].sort((a, b) => b.lightness - a.lightness);
  const markLabels = spreadLabels(
    orderedMarks.map((m) => y(m.lightness)),
    APART,
    top,
    height - top,
  );
  return (
    <figure className="m-0">
      <figcaption className="small-title mb-1">Lightness, 100 is white</figcaption>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={spoken(tones, steps, orderedMarks)}
        className="text-[12px]"
      >
        <line x1="62" x2="62" y1={y(100)} y2={y(0)} stroke="var(--text)" strokeWidth="1.5" />
        {Array.from({ length: 11 }, (_, i) => (
          <g key={i}>
            <line x1="58" x2="62" y1={y(i * 10)} y2={y(i * 10)} stroke="var(--text)" />
            {i % 2 === 0 && markLabels.every((m) => Math.abs(m - y(i * 10)) > 11) && (
              <text x="54" y={y(i * 10) + 4} textAnchor="end" fill="var(--soft)">
                {i * 10}
              </text>
            )}
          </g>
        ))}
        {orderedMarks.map((m, i) => (
          <g key={m.name}>
            <path
              d={`M58 ${y(m.lightness)}l-9 -5v10z`}
              fill="var(--panel)"
              stroke="var(--text)"
              strokeWidth="1.3"
            />
            <text
              x="2"
              y={markLabels[i]! + 4}
              fill="var(--text)"
              fontWeight="600"
              stroke="var(--panel)"
              strokeWidth="3"
              paintOrder="stroke"
            >
              {m.name}
            </text>
          </g>
        ))}
        {tones.map((t, i) => (
          <g key={t.code}>
            <path
              d={`M64 ${y(t.lightness) - 5}L84 ${y(t.lightness) - 6}L82 ${y(t.lightness) + 5}L62 ${y(t.lightness) + 5}Z`}
              fill={t.hex}
              stroke="var(--text)"
              strokeWidth="0.8"
            />
            <line x1="84" x2="92" y1={y(t.lightness)} y2={tickLabels[i]!} stroke="var(--line)" />
            <text x="94" y={tickLabels[i]! + 4} fill="var(--text)" className="font-mono" fontWeight="600">
              {t.code}{" "}
              <tspan fill="var(--soft)" fontWeight="400">
                {signed(t.lightness)}
              </tspan>
            </text>
          </g>
        ))}
        {steps.map((s, i) => (
          <text
            key={i}
            x={width - 2}
            textAnchor="end"
            y={stepLabels[i]! + 4}
            fill="var(--text)"
            fontWeight={s.verdict === "even" ? 400 : 700}
            className="text-[11.5px]"
          >
            {signed(s.deltaL)}
            {s.verdict === "even" ? "" : ` ${verdictMark[s.verdict]}`}
          </text>
        ))}
      </svg>
      <details className="text-[13px]">
        <summary>The same as a table</summary>
        <table className="w-full border-collapse">
          <thead>
            <tr>
              <th className="text-left font-normal text-soft">layer</th>
              <th className="text-right font-normal text-soft">lightness</th>
              <th className="text-right font-normal text-soft">step to the next</th>
            </tr>
          </thead>
          <tbody>
            {tones.map((t, i) => (
              <tr key={t.code} className="border-t border-line">
                <td className="code">{t.code}</td>
                <td className="text-right">{signed(t.lightness)}</td>
                <td className="text-right">
                  {steps[i] && `${signed(steps[i].deltaL)} ${verdictMark[steps[i].verdict]}`}
                </td>
              </tr>
            ))}
            {orderedMarks.map((m) => (
              <tr key={m.name} className="border-t border-line">
                <td>picked {m.name}</td>
                <td className="text-right">{signed(m.lightness)}</td>
                <td />
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  );
}
