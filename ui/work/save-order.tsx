"use client";
import { Download } from "lucide-react";
import type { WorkOrderOutput } from "@/compute/operations/work-order";
import { bringsOf } from "@/core/media/medium";
import { partName, type PieceWork } from "@/core/work/of-piece";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { usePieceHandles } from "@/ui/piece/piece-context";
import { saveFile } from "@/ui/save-file";
import { FORMULA } from "@/words/formula";
import { ORDER_COLUMNS, orderCells, orderMarkdown, type OrderRow } from "@/words/order-file";
import { passInWords } from "@/words/pass";
import { SaveBooklet } from "./save-booklet";

/** The order to take along: as a table, and as a list to tick. */
export function SaveOrder({
  piece,
  rack,
  work,
  sum,
  order,
  parts,
  openTime,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly work: readonly PieceWork[];
  readonly sum: string;
  readonly order: WorkOrderOutput;
  readonly parts: ReadonlyMap<string, PieceWork>;
  readonly openTime: number;
}) {
  const { name } = piece;
  const { id } = usePieceHandles();
  const first = order.steps[0]?.start ?? 0;
  const rows = (): OrderRow[] =>
    order.steps.map((s, i) => {
      const part = parts.get(String(s.area));
      const pass = part?.passes[s.pass];
      const n = order.sections[String(s.area)] ?? 1;
      const start = s.start - first;
      return {
        step: i + 1,
        start,
        seconds: s.seconds,
        wetUntil: pass && bringsOf(pass) === "ink" ? start + s.seconds + openTime : null,
        code: s.code,
        area: partName(part),
        part: n > 1 ? `${s.section + 1} of ${n}` : "",
        how: pass ? passInWords(pass) : "",
        mm2: s.mm2,
      };
    });
  const saveTable = async () => {
    const { default: Papa } = await import("papaparse");
    const text = Papa.unparse(
      { fields: [...ORDER_COLUMNS], data: rows().map(orderCells) },
      { escapeFormulae: FORMULA },
    );
    saveFile(`${name}, order of work.csv`, "text/csv", `${text}\r\n`);
  };
  return (
    <div className="screen-only flex flex-wrap gap-2">
      <button className="button" onClick={() => void saveTable()}>
        <Download size={16} aria-hidden /> Order as CSV
      </button>
      <button
        className="button"
        onClick={() =>
          saveFile(`${name}, order of work.md`, "text/markdown", orderMarkdown(name, sum, rows()))
        }
      >
        <Download size={16} aria-hidden /> Order as Markdown
      </button>
      <SaveBooklet pieceId={id} piece={piece} rack={rack} sum={sum} order={order} work={work} rows={rows} />
    </div>
  );
}
