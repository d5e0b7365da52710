"use client";
import { drop, useIsDropped } from "@/ui/kit/dropping";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { closeness, deltaE00 } from "@/core/colour/delta-e00";
import { labToHex } from "@/core/colour/display";
import { VERDICTS } from "@/core/stock/verdicts";
import type { Lab } from "@/core/colour/lab";
import { nameStack, readStack } from "@/core/formats/cgats";
import type { Rack } from "@/store/rack";
import type { Trial } from "@/store/trials";
import { ask } from "@/ui/jobs/client";
import { Day } from "@/ui/day";
import { messageOf, send } from "@/ui/send";
import { labInWords } from "@/words/numbers";
import { verdictInWords } from "@/words/verdict";
import type { PaperData } from "./paper-view";
import { PickFromPhoto } from "./pick-from-photo";
import { colourTyped } from "./typed-colour";

/** Stacks that were tried: what the model said, what came out, and what it was good for. */
export function TrialsTab({ rack, trials, readings }: PaperData) {
  const router = useRouter();
  const isDropped = useIsDropped();
  const measured = (stack: readonly string[]) =>
    readings.find((r) => !r.excluded && !r.lift && r.stack.join("\n") === stack.join("\n"))?.lab;
  const done = trials.flatMap((t) => {
    const lab = measured(t.stack);
    return lab ? [deltaE00(lab, t.predicted)] : [];
  });
  return (
    <div className="grid gap-5">
      <NewTrial rack={rack} onDone={() => router.refresh()} />
      <section aria-label="Trials">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h2 className="m-0 text-[17px]">Tried on {rack.paper.name}</h2>
          <p className="m-0 text-[14px] text-soft">
            {done.length
              ? `${done.length} read, ${(done.reduce((a, b) => a + b, 0) / done.length).toFixed(1)} ΔE00 from the prediction on average. Near stacks now lean towards them.`
              : "Once a trial is read, it is shown as read, and what is like it leans towards it."}
          </p>
        </div>
        {trials.length === 0 && (
          <p className="my-1 text-[15px]">
            None yet. Type layers above, or press what is seen after a layer of an area.
          </p>
        )}
        <ul className="m-0 mt-2 grid list-none gap-3 p-0 min-[1000px]:grid-cols-2">
          {trials
            .filter((t) => !isDropped(`/api/trials/${t.id}`))
            .map((t) => (
              <OneTrial
                key={t.id}
                trial={t}
                rack={rack}
                read={measured(t.stack)}
                onDone={() => router.refresh()}
              />
            ))}
        </ul>
      </section>
    </div>
  );
}

function NewTrial({ rack, onDone }: { rack: Rack; onDone: () => void }) {
  const [stack, setStack] = useState("");
  const [said, setSaid] = useState<string>();
  const [busy, setBusy] = useState(false);
  const add = async (e: React.FormEvent) => {
    e.preventDefault();
    const parsed = readStack(stack);
    const unread = parsed?.filter((c) => !rack.markers.some((m) => m.code === c && m.swatches.length));
    if (!parsed?.length) return setSaid("Type the layers bottom to top, such as plum3c + clay3m ×2.");
    if (unread?.length)
      return setSaid(
        `Not on the rack, or not read on ${rack.paper.name}: ${[...new Set(unread)].join(", ")}.`,
      );
    setBusy(true);
    try {
      const { stacks } = await ask("predict", rack, { stacks: [parsed] });
      await send("POST", "/api/trials", {
        paperId: rack.paper.id,
        stack: parsed,
        predicted: { lab: stacks[0]!.lab },
      });
      setStack("");
      setSaid(undefined);
      onDone();
    } catch (error) {
      setSaid(messageOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={(e) => void add(e)}>
      <label className="min-w-64 flex-1 text-[14px]">
        Try layers, bottom to top
        <input
          className="field mt-0.5 w-full font-mono"
          placeholder="plum3c + clay3m ×2"
          value={stack}
          onChange={(e) => setStack(e.target.value)}
        />
      </label>
      <button className="button button-main" disabled={busy}>
        Predict and note it
      </button>
      {said && (
        <p role="alert" className="m-0 basis-full text-[14px]">
          {said}
        </p>
      )}
    </form>
  );
}

function OneTrial({
  trial,
  rack,
  read,
  onDone,
}: {
  trial: Trial;
  rack: Rack;
  read: Lab | undefined;
  onDone: () => void;
}) {
  const [colour, setColour] = useState("");
  const [picking, setPicking] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const attempt = (work: Promise<unknown>) =>
    work.then(
      () => {
        setTrouble(undefined);
        setColour("");
        onDone();
      },
      (e: unknown) => setTrouble(messageOf(e)),
    );
  const keep = (color: ReturnType<typeof colourTyped>, source: "hand" | "picture") =>
    color
      ? attempt(
          send("POST", `/api/papers/${rack.paper.id}/readings`, {
            readings: [{ stack: trial.stack, color, source }],
          }),
        )
      : setTrouble("Type the colour as hex, #c8a27a, or as L* a* b*, 70 12 30.");
  const off = read && deltaE00(read, trial.predicted);
  return (
    <li className="border border-line bg-panel p-3" data-trial={nameStack(trial.stack)}>
      <div className="flex items-start gap-3">
        <span
          className="grid h-20 w-40 shrink-0 grid-cols-2 border border-strong text-[12px]"
          style={{ background: labToHex(rack.paper.lab) }}
        >
          <span
            className="border-r border-dashed border-strong"
            style={{ background: labToHex(trial.predicted) }}
            role="img"
            aria-label={`predicted ${labInWords(trial.predicted)}`}
          />
          <span
            style={{ background: read ? labToHex(read) : "transparent" }}
            role="img"
            aria-label={read ? `read ${labInWords(read)}` : "not read yet"}
          />
        </span>
        <div className="min-w-0 flex-1">
          <p className="code m-0 text-[16px]">{nameStack(trial.stack)}</p>
          <p className="m-0 text-[14px]">
            {off === undefined ? (
              `Predicted ${labInWords(trial.predicted)}; not read yet.`
            ) : (
              <>
                Read {labInWords(read!)}: <strong>{off.toFixed(1)} ΔE00</strong> from the prediction,{" "}
                {closeness(off)}.
              </>
            )}
          </p>
          <p className="m-0 text-[13px] text-soft">
            Left predicted, right read. <Day at={trial.createdAt} />
          </p>
        </div>
        <button
          className="button-bare text-[14px] underline"
          onClick={() => drop(`/api/trials/${trial.id}`, `The trial ${nameStack(trial.stack)}`)}
        >
          Drop
        </button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2 text-[14px]">
        <form
          className="flex items-center gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            void keep(colourTyped(colour), "hand");
          }}
        >
          <input
            className="field w-36 font-mono"
            placeholder="hex or L* a* b*"
            aria-label={`Reading of ${nameStack(trial.stack)}`}
            value={colour}
            onChange={(e) => setColour(e.target.value)}
          />
          <button className="button">Read</button>
        </form>
        <button className="button" onClick={() => setPicking(true)}>
          Pick from a photo
        </button>
        <select
          className="field"
          aria-label={`Verdict on ${nameStack(trial.stack)}`}
          value={trial.verdict}
          onChange={(e) =>
            void attempt(send("PATCH", `/api/trials/${trial.id}`, { verdict: e.target.value }))
          }
        >
          {VERDICTS.map((v) => (
            <option key={v} value={v}>
              {verdictInWords(v)}
            </option>
          ))}
        </select>
        <input
          className="field min-w-40 flex-1"
          aria-label={`Note on ${nameStack(trial.stack)}`}
          placeholder="what it is good for"
          defaultValue={trial.note}
          maxLength={4000}
          onBlur={(e) =>
            e.target.value !== trial.note &&
            void attempt(send("PATCH", `/api/trials/${trial.id}`, { note: e.target.value }))
          }
        />
      </div>
      {trouble && (
        <p role="alert" className="mt-1 mb-0 text-[14px]">
          {trouble}
        </p>
      )}
      {picking && (
        <PickFromPhoto
          paper={rack.paper}
          name={nameStack(trial.stack)}
          onClose={() => setPicking(false)}
          onPick={(lab) => {
            setPicking(false);
            void keep({ lab: [...lab] as [number, number, number] }, "picture");
          }}
        />
      )}
    </li>
  );
}
