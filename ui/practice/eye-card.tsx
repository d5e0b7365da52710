"use client";
import { Check, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { EyeOutput } from "@/compute/operations/eye";
import { isRight } from "@/core/practice/eye";
import { useKey } from "@/ui/use-keys";

const CHOICE_KEYS = ["1", "2", "3", "4", "5", "6"] as const;

const clock = () => performance.now();

const namesOf = (codes: readonly string[]) =>
  new Set(codes).size === 1 && codes.length > 1 ? `${codes[0]} ×${codes.length}` : codes.join(", ");

/** One question: colours to look at, choices, and, once it is answered, what was right and by how much. */
export function EyeCard({
  question,
  onAnswer,
  onNext,
}: {
  readonly question: EyeOutput;
  readonly onAnswer: (right: boolean, seconds: number) => void;
  readonly onNext: () => void;
}) {
  const { kind, asks, shown, choices, right, says } = question;
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const asksRef = useRef<HTMLParagraphElement>(null);
  // Whoever goes on by keys goes on at the question, not at one of its answers.
  useEffect(() => asksRef.current?.focus({ preventScroll: true }), []);
  const [began] = useState(() => clock());
  const wanted = right.length;
  const answered = chosen.length === wanted;
  const choose = (i: number) => {
    if (answered || i >= choices.length) return;
    const next = chosen.includes(i) ? chosen.filter((c) => c !== i) : [...chosen, i];
    setChosen(next);
    if (next.length === wanted) onAnswer(isRight(question, next), (clock() - began) / 1000);
  };
  return (
    <div className="grid gap-5">
      <p className="m-0 text-[19px] outline-none" id="eye-asks" tabIndex={-1} ref={asksRef}>
        {asks}
      </p>
      {shown.length > 0 && (
        <div className="flex flex-wrap items-end gap-4">
          {kind === "behind" ? (
            <span
              className="grid h-44 w-64 place-items-center"
              style={{ background: shown[0]!.hex }}
              role="img"
              aria-label="A colour on a field"
            >
              <span className="block h-14 w-14" style={{ background: shown[1]!.hex }} />
            </span>
          ) : (
            shown.map((c, i) => (
              <figure key={i} className="m-0">
                <span
                  className="block h-32 w-44 max-[480px]:w-32"
                  style={{ background: c.hex }}
                  role="img"
                  aria-label={`Colour ${i + 1}`}
                />
                <figcaption className="mt-1 min-h-5 text-[14px] text-soft">
                  {kind === "coats" && i === 0
                    ? `${c.codes[0]}, one coat`
                    : answered || kind === "overlay"
                      ? namesOf(c.codes)
                      : ""}
                </figcaption>
              </figure>
            ))
          )}
        </div>
      )}
      <div role="group" aria-labelledby="eye-asks" className="flex flex-wrap gap-3">
        {choices.map((c, i) => {
          const place = chosen.indexOf(i);
          const isOne = right.includes(i) && wanted === 1;
          return (
            <button
              key={i}
              className={`grid gap-1 border-2 p-1 text-left ${place >= 0 || (answered && isOne) ? "border-text" : "border-transparent"} ${answered ? "" : "hover:border-line"}`}
              aria-pressed={place >= 0}
              disabled={answered && place < 0 && !isOne}
              onClick={() => choose(i)}
              aria-label={kind === "coats" ? `${i + 1} coats` : `Choice ${i + 1}`}
            >
              {kind === "coats" ? (
                <span className="grid h-14 w-24 place-items-center border border-line text-[19px]">
                  {i + 1}
                </span>
              ) : (
                <span
                  className={`block border border-line ${choices.length > 4 ? "h-24 w-24" : "h-28 w-28"} max-[480px]:h-20 max-[480px]:w-20`}
                  style={{ background: c.hex }}
                />
              )}
              <span className="flex min-h-6 items-center gap-1 text-[14px]">
                <span className="text-soft tabular-nums">{i + 1}</span>
                {wanted > 1 && place >= 0 && !answered && <b>{ordinal(place + 1)}</b>}
                {answered && (
                  <>
                    {wanted === 1 && isOne && <Check size={16} aria-label="right" />}
                    {wanted === 1 && place >= 0 && !isOne && <X size={16} aria-label="chosen" />}
                    {wanted > 1 && <b>{ordinal(right.indexOf(i) + 1)}</b>}
                    <span className="max-w-24 truncate" title={namesOf(c.codes)}>
                      {kind === "behind" ? c.lab[0].toFixed(0) : kind === "coats" ? "" : namesOf(c.codes)}
                    </span>
                  </>
                )}
              </span>
            </button>
          );
        })}
      </div>
      {answered ? (
        <Told says={says} isRight={isRight(question, chosen)} onNext={onNext} />
      ) : (
        <p className="m-0 text-[14px] text-soft">
          By keys: 1 to {choices.length}.{wanted > 1 && " The same again takes it back."}
        </p>
      )}
      {!answered && choices.map((_, i) => <ChoiceKey key={i} at={i} onPress={() => choose(i)} />)}
    </div>
  );
}

const ordinal = (n: number) => ["", "1st", "2nd", "3rd", "4th", "5th", "6th"][n] ?? `${n}th`;

function ChoiceKey({ at, onPress }: { readonly at: number; readonly onPress: () => void }) {
  useKey(CHOICE_KEYS[at]!, onPress, { useKey: true });
  return null;
}

/** What was right. */
function Told({
  says,
  isRight: right,
  onNext,
}: {
  readonly says: string;
  readonly isRight: boolean;
  readonly onNext: () => void;
}) {
  const [ready, setReady] = useState(false);
  useEffect(() => {
    // The key that gave the answer does not take it away again.
    const timer = setTimeout(() => setReady(true), 250);
    return () => clearTimeout(timer);
  }, []);
  useKey("n", () => ready && onNext());
  return (
    <div className="flex flex-wrap items-center gap-4">
      <p className="m-0 max-w-[52ch] border-l-4 border-text pl-3 text-[17px]" role="status">
        <b>{right ? "Right." : "Not this time."}</b> {says}
      </p>
      <button className="button button-main" onClick={onNext} autoFocus>
        Next <span className="text-[13px]">N</span>
      </button>
    </div>
  );
}
