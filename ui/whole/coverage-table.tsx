import type { CoverageOutput } from "@/compute/operations/shadow";
import { chroma } from "@/core/colour/lab";
import { Chip } from "@/ui/kit/chip";
import { signed } from "@/words/numbers";

/** Whether local colours cover a whole-piece underlay: a row an area, a cell a strength. */
export function CoverageTable({
  rows,
  under,
}: {
  readonly rows: readonly (CoverageOutput & { readonly name: string })[];
  readonly under: readonly string[];
}) {
  return (
    <table className="border-collapse text-[14px]">
      <thead>
        <tr>
          <th className="pr-3 text-left font-semibold">Area</th>
          <th className="pr-3 text-left font-semibold">alone</th>
          {under.map((c) => (
            <th key={c} className="code pr-3 text-left">
              {c}
            </th>
          ))}
          <th className="text-left font-semibold">does it cover?</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => {
          const failing = r.strengths.filter((s) => !s.covers);
          return (
            <tr key={r.name} className="border-t border-line">
              <td className="py-1 pr-3">{r.name}</td>
              <td className="pr-3">
                <Chip hex={r.alone.hex} />
              </td>
              {r.strengths.map((s) => (
                <td key={s.under} className="pr-3 whitespace-nowrap">
                  <Chip hex={s.covered.hex} />{" "}
                  <span className="align-super text-[13px]" title="in lightness">
                    {s.covers ? "" : "✕ "}
                    {signed(-s.deepening)}
                  </span>
                </td>
              ))}
              <td>
                {!failing.length ? (
                  "yes"
                ) : (
                  <span>
                    <strong>not over {failing.map((s) => s.under).join(", ")}</strong>:{" "}
                    {chroma(r.alone.lab) < 10
                      ? `a grey takes its tint, colour strength ${Math.max(...failing.map((s) => chroma(s.covered.lab))).toFixed(0)}`
                      : `hue turns ${Math.max(...failing.map((s) => Math.abs(s.hueTurn))).toFixed(0)}°`}
                    {r.deeper ? (
                      <>
                        ; there take{" "}
                        <span className="code">
                          {r.deeper.code}
                          {r.deeper.coats > 1 ? ` ×${r.deeper.coats}` : ""}
                        </span>{" "}
                        <Chip hex={r.deeper.covered.hex} />
                      </>
                    ) : (
                      "; nothing at hand covers it"
                    )}
                  </span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
