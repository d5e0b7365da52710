import { Figure } from "@/ui/kit/figure";
import { differenceWords } from "@/words/closeness";
import type { PencilPlanOutput, PencilStepOutput } from "@/compute/operations/pencil-plan";
import { signed } from "@/words/numbers";
import { pencilName } from "@/words/pencil";
import { ValueScale } from "./value-scale";

/** Values of which something is to be said, each in a sentence. */
function Values({
  label,
  steps,
  is,
}: {
  readonly label: string;
  readonly steps: readonly (readonly [PencilStepOutput, string])[];
  readonly is: (step: PencilStepOutput) => string;
}) {
  if (!steps.length) return null;
  return (
    <ul className="m-0 list-none space-y-1 p-0" aria-label={label}>
      {steps.map(([s, why]) => (
        <li
          key={s.wanted.hex + s.wanted.lab[0]}
          className="border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]"
        >
          <strong>
            Lightness {signed(s.wanted.lab[0])} {is(s)}
          </strong>{" "}
          {why}.
        </li>
      ))}
    </ul>
  );
}

/** Values that are predicted near what is wanted, but not surely, in one sentence. */
function Unsure({ steps }: { readonly steps: readonly PencilStepOutput[] }) {
  if (!steps.length) return null;
  const far = Math.max(...steps.map((s) => s.doubt));
  const values = new Intl.ListFormat("en").format(steps.map((s) => signed(s.wanted.lab[0])));
  return (
    <p className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">
      <strong>
        {steps.length === 1 ? "Lightness" : "Values of lightness"} {values}{" "}
        {steps.length === 1 ? "is" : "are"} not sure:
      </strong>{" "}
      predicted near, but may come out up to <Figure unit="ΔE00">{far.toFixed(0)} ΔE00</Figure> from that,
      hatched in the scale.
    </p>
  );
}

/** A pencil plan in a sentence, as a scale of values, and as a table. */
export function PlanShown({ plan }: { readonly plan: PencilPlanOutput }) {
  return (
    <>
      <p className="m-0 text-[14px]">
        {plan.base?.code ? (
          <>
            Base <strong className="code">{plan.base.code}</strong>, {Math.abs(plan.base.above).toFixed(0)}{" "}
            {plan.base.above < 0 ? "below" : "above"} the middle lightness
            {plan.base.above < plan.wantedAbove ? (
              <strong> (at least {plan.wantedAbove} above it is better: pencil only darkens)</strong>
            ) : (
              ""
            )}
            .{" "}
          </>
        ) : (
          "On bare paper. "
        )}
        Three neighbours: <strong>{plan.trio.map(pencilName).join(", ") || "none"}</strong>
        {plan.fourth && (
          <>
            , and <strong>{pencilName(plan.fourth)}</strong> over them where it pays
          </>
        )}
        . Dark beneath: {plan.darks.map(pencilName).join(", ") || "none at hand"}. White:{" "}
        {plan.white ? pencilName(plan.white) : "none at hand"}. Lines and details:{" "}
        {plan.darks.length ? `${pencilName(plan.darks[0]!)}, sharp, on dry layers` : "a liner"}. As a rule it
        comes out {differenceWords(plan.medianDeltaE00)},{" "}
        <Figure unit="ΔE00">{plan.medianDeltaE00.toFixed(1)} ΔE00</Figure>.
      </p>
      <ValueScale steps={plan.steps} base={plan.base?.hex ?? null} />
      <Values
        label="Values that cannot be reached"
        steps={plan.steps.flatMap((s) =>
          s.shortfall ? [[s, [s.shortfall, s.reach].filter(Boolean).join("; ")] as const] : [],
        )}
        is={(s) => `is not reached, it comes out ${differenceWords(s.deltaE00)}:`}
      />
      <Unsure steps={plan.steps.filter((s) => s.unsure)} />
      <details className="text-[14px]">
        <summary className="cursor-pointer text-[15px] font-semibold">The same as a table</summary>
        <table className="mt-1 border-collapse">
          <thead>
            <tr>
              {["wanted lightness", "layers from the paper up", "comes out", "ΔE00", "doubt"].map((h) => (
                <th key={h} className="pr-4 text-left">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plan.steps.map((s) => (
              <tr key={s.wanted.lab[0]} className="border-t border-line">
                <td className="pr-4">{signed(s.wanted.lab[0])}</td>
                <td className="pr-4">
                  {s.onPaper ? "bare paper" : (plan.base?.code ?? "bare paper")}
                  {s.layers.map((l) => `, ${pencilName(l.code)} ×${l.layers} ${l.pressure}`).join("")}
                </td>
                <td className="pr-4">{signed(s.lab[0])}</td>
                <td className="pr-4">{s.deltaE00.toFixed(1)}</td>
                <td>within {s.doubt.toFixed(1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </>
  );
}
