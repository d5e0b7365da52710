"use client";
import { ArrowLeftRight, Eye, NotebookPen, SkipForward, Wrench, PieChart } from "lucide-react";
import { useState, type ReactNode } from "react";
import type { Rack } from "@/store/rack";
import { Modal } from "@/ui/kit/modal";
import { useKey } from "@/ui/use-keys";
import { Exchange } from "./exchange-dialog";
import { Note } from "./note-dialog";
import { Repair } from "./repair-dialog";
import { TryInk } from "./try-dialog";
import type { DeskState, DeskStep } from "./use-desk";

type Tool = "part" | "repair" | "try" | "exchange" | "note";

const TITLES: Readonly<Record<Tool, string>> = {
  part: "How much of it is done?",
  repair: "What came out otherwise?",
  try: "Hold an ink over a place",
  exchange: "Another marker instead",
  note: "Note",
};
const SHARES = [0.25, 0.5, 0.75] as const;

/** What else one does at the desk: each by a button and by a key. */
export function DeskTools({
  state,
  step,
  rack,
  nameOf,
}: {
  readonly state: DeskState;
  /** The step that is looked at, unless it lies already. */
  readonly step: DeskStep | undefined;
  readonly rack: Rack;
  readonly nameOf: (area: string) => string;
}) {
  const [open, setOpen] = useState<Tool>();
  const close = () => setOpen(undefined);
  const none = state.work.length === 0;
  const { record, add } = state;
  const may = record.going;
  const place = step && {
    area: step.area,
    section: step.section,
    of: state.sections[step.area] ?? 1,
    pass: step.pass,
  };
  const skip = () => {
    if (!place || !may) return;
    add({ kind: "skipped", ...place });
    state.anew();
  };
  useKey("s", skip);
  useKey("r", () => !none && setOpen("repair"), { preventDefault: true });
  useKey("t", () => !none && setOpen("try"), { preventDefault: true });
  useKey("x", () => step && setOpen("exchange"), { preventDefault: true });
  useKey("n", () => setOpen("note"), { preventDefault: true });
  const button = (tool: Tool, name: string, icon: ReactNode, disabled = false) => (
    <button className="button" disabled={disabled} onClick={() => setOpen(tool)}>
      {icon} {name}
    </button>
  );
  return (
    <div className="flex flex-wrap gap-1.5" role="group" aria-label="At this step">
      <button className="button" disabled={!place || !may} onClick={skip}>
        <SkipForward size={17} aria-hidden /> Leave out
      </button>
      {button("part", "In part", <PieChart size={17} aria-hidden />, !place || !may)}
      {button("repair", "Repair", <Wrench size={17} aria-hidden />, none)}
      {button("try", "Try an ink", <Eye size={17} aria-hidden />, none)}
      {button("exchange", "Marker is dry", <ArrowLeftRight size={17} aria-hidden />, !step)}
      {button("note", "Note", <NotebookPen size={17} aria-hidden />)}
      <Modal
        open={open !== undefined}
        title={open ? TITLES[open] : ""}
        onClose={close}
        wide={open === "repair"}
      >
        {open === "part" && step && place && (
          <div className="flex flex-wrap gap-2">
            {SHARES.map((share) => (
              <button
                key={share}
                className="button min-h-12 flex-1 text-[17px]"
                onClick={() => {
                  const pass = state.parts.get(step.area)!.passes[step.pass]!;
                  add({
                    kind: "part",
                    ...place,
                    code: step.code,
                    coats: pass.coats,
                    mm2: step.mm2 * share,
                    share,
                  });
                  close();
                }}
              >
                {share === 0.5 ? "Half" : share < 0.5 ? "A quarter" : "Three quarters"}
              </button>
            ))}
          </div>
        )}
        {open === "repair" && <Repair state={state} step={step} rack={rack} onDone={close} />}
        {open === "try" && <TryInk state={state} step={step} rack={rack} onDone={close} />}
        {open === "exchange" && step && (
          <Exchange state={state} step={step} rack={rack} nameOf={nameOf} onDone={close} />
        )}
        {open === "note" && <Note state={state} area={step?.area} onDone={close} />}
      </Modal>
    </div>
  );
}
