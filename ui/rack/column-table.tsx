import { RACK_COLUMNS, type Mapping, type RackColumn } from "@/core/stock/rack-file";
import type { RackFileHead } from "@/workers/rack-file";

export const COLUMN_NAMES: Record<RackColumn, string> = {
  code: "code",
  name: "name",
  family: "family",
  kind: "kind",
  owned: "owned or wished",
  state: "state",
  refills: "refills",
  nib: "nib",
  price: "price",
  place: "kept in",
  notes: "notes",
  colour: "colour (hex)",
};

/** The first rows of a file under its headings, and what each column means. */
export function ColumnTable({
  head,
  mapping,
  onMap,
}: {
  readonly head: RackFileHead;
  readonly mapping: Mapping;
  readonly onMap: (mapping: Mapping) => void;
}) {
  return (
    <div className="overflow-x-auto border border-line bg-panel">
      <table className="border-collapse text-[14px]">
        <thead>
          <tr>
            {head.headings.map((h, i) => (
              <th key={i} className="border-b border-strong p-1 text-left align-bottom font-normal">
                <span className="block font-semibold">{h || `column ${i + 1}`}</span>
                <select
                  className="field min-h-8 text-[13px]"
                  aria-label={`Meaning of column ${h || i + 1}`}
                  value={RACK_COLUMNS.find((c) => mapping[c] === i) ?? ""}
                  onChange={(e) => {
                    const cleared = Object.fromEntries(
                      Object.entries(mapping).filter(([c, at]) => at !== i && c !== e.target.value),
                    );
                    onMap(e.target.value ? { ...cleared, [e.target.value]: i } : cleared);
                  }}
                >
                  <option value="">not taken</option>
                  {RACK_COLUMNS.map((c) => (
                    <option key={c} value={c}>
                      {COLUMN_NAMES[c]}
                    </option>
                  ))}
                </select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {head.sample.map((row, i) => (
            <tr key={i}>
              {head.headings.map((_, c) => (
                <td key={c} className="max-w-56 truncate border-b border-line p-1">
                  {row[c]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
