"use client";
import { Download } from "lucide-react";
import { useMemo, useState } from "react";
import { besideOwned } from "@/core/stock/have";
import type { Rack, RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { useSending } from "@/ui/jobs/use-sending";
import { saveFile } from "@/ui/save-file";
import { send } from "@/ui/send";
import { useMayChange, useStudio } from "@/ui/studio/studio-context";
import { FORMULA } from "@/words/formula";
import { counted } from "@/words/numbers";
import { moneyInWords } from "@/words/purchases";
import { sumOf, WISH_COLUMNS, wishCells, wishMarkdown, type WishRow } from "@/words/wish-list";

/** Wishes that are shown before somebody asks for more. */
const FIRST = 12;
const MORE = 100;

/** What is wished for and not owned yet: to take along, and to tick off when it has come. */
export function WishList({ rack }: { readonly rack: Rack }) {
  const may = useMayChange();
  const studio = useStudio()?.name ?? "";
  const [come, setCome] = useState<ReadonlySet<string>>(new Set());
  const [most, setMost] = useState(FIRST);
  const sending = useSending();
  const wished = useMemo(() => [...rack.markers, ...rack.others].filter((m) => m.wished && !m.owned), [rack]);
  const left = wished.filter((m) => !come.has(m.code));
  const rowOf = (m: RackMarker): WishRow => {
    const { twins, nearest } = besideOwned(rack.markers, m);
    return {
      code: m.code,
      name: m.name,
      kind: m.kind,
      price: m.price,
      nearest: (twins[0] ?? nearest)?.marker.code ?? "",
    };
  };
  const saveTable = async () => {
    const { default: Papa } = await import("papaparse");
    const text = Papa.unparse(
      { fields: [...WISH_COLUMNS], data: left.map(rowOf).map(wishCells) },
      { escapeFormulae: FORMULA },
    );
    saveFile("wished for.csv", "text/csv", `${text}\r\n`);
  };
  const arrived = (m: RackMarker) =>
    void sending.run(async () => {
      await send("PATCH", "/api/rack", {
        changes: [{ code: m.code, set: { owned: true, wished: false, state: "full" } }],
      });
      setCome(new Set([...come, m.code]));
    });
  if (!wished.length) return null;
  const sum = sumOf(left);
  return (
    <section aria-label="Wished for">
      <h2 className="m-0 text-[18px]">Wished for</h2>
      <p className="mt-1 mb-2 text-[15px]" role="status">
        {left.length ? counted(left.length, "thing") : "Everything has come."}
        {sum !== undefined && `, ${moneyInWords(sum)} as far as prices are known`}
        {come.size > 0 && `; ${[...come].join(", ")} on the rack now`}
      </p>
      {left.length > 0 && (
        <div className="mb-2 flex flex-wrap gap-2">
          <button className="button" onClick={() => void saveTable()}>
            <Download size={16} aria-hidden /> Wishes as CSV
          </button>
          <button
            className="button"
            onClick={() => saveFile("wished for.md", "text/markdown", wishMarkdown(studio, left.map(rowOf)))}
          >
            <Download size={16} aria-hidden /> Wishes as Markdown
          </button>
        </div>
      )}
      {sending.trouble && (
        <p role="alert" className="m-0 text-[15px]">
          {sending.trouble}
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {left.slice(0, most).map((m) => (
          <li
            key={m.code}
            className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 border-t border-line py-1.5 text-[15px]"
          >
            <MarkerChip marker={m} width={56} height={26} />
            <span className="min-w-0 truncate">
              <span className="code font-semibold">{m.code}</span>{" "}
              <span className="text-soft">
                {m.name} {m.price}
              </span>
            </span>
            {may && (
              <button
                className="button"
                aria-label={`${m.code} has come`}
                disabled={sending.busy}
                onClick={() => arrived(m)}
              >
                It has come
              </button>
            )}
          </li>
        ))}
      </ul>
      {left.length > most && (
        <button className="button mt-2" onClick={() => setMost(most + MORE)}>
          Show {Math.min(MORE, left.length - most)} more of {left.length}
        </button>
      )}
    </section>
  );
}
