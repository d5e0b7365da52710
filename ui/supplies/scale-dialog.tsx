"use client";
import { useState } from "react";
import { USUAL_FULL } from "@/core/stock/ink-level";
import type { ScaleEvent, ScaleKind } from "@/core/stock/ink-ledger";
import { Day } from "@/ui/day";
import { useSending } from "@/ui/jobs/use-sending";
import { Modal } from "@/ui/kit/modal";
import { NumberField } from "@/ui/kit/number-field";
import { send } from "@/ui/send";
import { scaleInWords } from "@/words/ink";

/** What can be said of a marker's ink. */
const WAYS = {
  weighed: "It weighs, g",
  full: "It was filled and holds, ml",
} as const satisfies Partial<Record<ScaleKind, string>>;
type Way = keyof typeof WAYS;
const MOST: Readonly<Record<Way, number>> = { weighed: 1000, full: 100 };

/** Writes down what a marker weighs, or that it was filled; and what was written down before. */
export function ScaleDialog({
  code,
  refills,
  entries,
  onClose,
  onChanged,
}: {
  readonly code: string;
  /** Refills of it in stock. */
  readonly refills: number;
  readonly entries: readonly ScaleEvent[];
  readonly onClose: () => void;
  readonly onChanged: () => void;
}) {
  const [kind, setKind] = useState<Way>("weighed");
  const [amount, setAmount] = useState<number | null>(null);
  const [fromStock, setFromStock] = useState(true);
  // Sent twice after a torn answer it is written down once.
  const [id, setId] = useState(() => crypto.randomUUID());
  const sending = useSending();
  const keep = async () => {
    const refill = kind === "full" && refills > 0 && fromStock;
    const event = { id, code, kind, amount: amount!, at: Date.now(), ...(refill && { refill }) };
    if (!(await sending.run(() => send("POST", "/api/ink", event)))) return;
    setId(crypto.randomUUID());
    setAmount(null);
    onChanged();
  };
  const take = async (entry: ScaleEvent) => {
    if (await sending.run(() => send("DELETE", `/api/ink/${entry.id}`))) onChanged();
  };
  return (
    <Modal open title={`Ink of ${code}`} onClose={onClose}>
      <div className="grid gap-3">
        <fieldset className="m-0 grid gap-1.5 border-0 p-0 text-[15px]">
          <legend className="sr-only">What is known</legend>
          {(Object.keys(WAYS) as Way[]).map((way) => (
            <label key={way} className="flex items-center gap-2">
              <input
                type="radio"
                name="way"
                checked={kind === way}
                onChange={() => {
                  setKind(way);
                  setAmount(way === "full" ? USUAL_FULL : null);
                }}
              />
              {WAYS[way]}
            </label>
          ))}
        </fieldset>
        {kind === "full" && refills > 0 && (
          <label className="flex min-h-8 items-center gap-2 text-[15px]">
            <input
              type="checkbox"
              className="size-4 accent-black"
              checked={fromStock}
              onChange={(e) => setFromStock(e.target.checked)}
            />
            from a refill in stock ({refills} now)
          </label>
        )}
        <div className="flex flex-wrap items-center gap-3">
          <NumberField
            key={`${kind} ${id}`}
            label={WAYS[kind]}
            value={amount}
            least={0}
            most={MOST[kind]}
            width="w-24"
            empty=""
            onChange={setAmount}
          />
          <span aria-hidden className="-ml-1.5 text-[15px]">
            {kind === "weighed" ? "g" : "ml"}
          </span>
          <button
            className="button button-main"
            disabled={amount === null || sending.busy}
            onClick={() => void keep()}
          >
            Write it down
          </button>
        </div>
        <p className="m-0 text-[14px] text-soft">
          {kind === "weighed"
            ? "With its cap, on a kitchen scale that shows tenths. One weighing says little; the next one, after some work, tells how much ink went, here and on this paper."
            : "What was in it before no longer counts. Fill with the window open, away from flames; the ink's data sheet says more."}
        </p>
        {sending.trouble && (
          <p role="alert" className="m-0 text-[15px]">
            {sending.trouble}
          </p>
        )}
        {entries.length > 0 && (
          <ul className="m-0 max-h-56 list-none overflow-auto p-0" aria-label="Written down">
            {[...entries].reverse().map((entry) => (
              <li
                key={entry.id}
                className="flex items-center gap-3 border-t border-line py-1.5 text-[15px] tabular-nums"
              >
                <Day at={new Date(entry.at)} />
                <span className="mr-auto">{scaleInWords(entry)}</span>
                <button
                  className="button"
                  aria-label={`Take back: ${scaleInWords(entry)}`}
                  disabled={sending.busy}
                  onClick={() => void take(entry)}
                >
                  Take back
                </button>
              </li>
            ))}
          </ul>
        )}
      </div>
    </Modal>
  );
}
