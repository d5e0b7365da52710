"use client";
import { useRouter } from "next/navigation";
import { useMemo } from "react";
import type { PaperSheet } from "@/store/papers";
import { Modal } from "@/ui/kit/modal";
import { colourTyped } from "@/ui/swatchbook/typed-colour";
import { FormError } from "@/ui/studio/fields";
import { useSubmit } from "@/ui/studio/use-submit";
import { useTyped } from "@/ui/kit/use-typed";
import { send } from "@/ui/send";
import { counted } from "@/words/numbers";
import { readColourList } from "./colour-list";

/** Colours of one to three coats, typed or pasted: a code and its colours a line. */
export function HexList({
  paper,
  markers,
  onClose,
}: {
  readonly paper: PaperSheet;
  readonly markers: readonly string[];
  readonly onClose: () => void;
}) {
  const router = useRouter();
  const { text, type, done } = useTyped(`colours on ${paper.id}`);
  const { found, unknown } = useMemo(
    () => readColourList(text, new Set(markers), colourTyped),
    [text, markers],
  );
  const readings = found.reduce((sum, f) => sum + f.coats.length, 0);
  const { busy, error, submit } = useSubmit(async () => {
    await send("POST", `/api/papers/${paper.id}/readings`, {
      readings: found.flatMap(({ code, coats }) =>
        coats.map((color, n) => ({ stack: Array<string>(n + 1).fill(code), color, source: "hand" })),
      ),
    });
    done();
    router.refresh();
    onClose();
  });
  return (
    <Modal open wide title={`Colours on ${paper.name}`} onClose={onClose}>
      <form onSubmit={submit} className="grid gap-3">
        <label className="grid gap-1 text-[15px]">
          A line each: the code, then its colour after one coat, and after two and three where you know them;
          as #c8a27a or as L* a* b*. Rows and columns of a spreadsheet can be pasted as they are.
          <textarea
            className="field min-h-48 font-mono"
            spellCheck={false}
            value={text}
            onChange={(e) => type(e.target.value)}
            placeholder={"reed4c #a9b77c #93a561\nclay3m 72 14 24"}
          />
        </label>
        <p className="m-0 text-[15px]" aria-live="polite">
          {counted(readings, "colour")} of {counted(found.length, "marker")} understood
          {unknown.length > 0 &&
            `; not understood: ${unknown
              .slice(0, 4)
              .map((u) => `line ${u.line}, ${u.why}`)
              .join("; ")}${unknown.length > 4 ? ` and ${unknown.length - 4} more` : ""}`}
          .
        </p>
        <FormError error={error} />
        <button className="button button-main justify-self-start" disabled={busy || !found.length}>
          Keep {counted(readings, "reading")}
        </button>
      </form>
    </Modal>
  );
}
