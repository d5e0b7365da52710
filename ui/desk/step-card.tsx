"use client";
import type { PieceWork } from "@/core/work/of-piece";
import type { Rack } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { takeUpInWords } from "@/words/desk";
import { passAmount, passStroke, passWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { durationInWords } from "@/words/work";
import type { DeskStep } from "./use-desk";

const sentence = (said: string) => said.charAt(0).toUpperCase() + said.slice(1);

/** One step, to be read at arm's length: what to take up, where it goes, and how. */
export function StepCard({
  step,
  part,
  sections,
  rack,
  before,
  laid,
  hand,
}: {
  readonly step: DeskStep;
  readonly part: PieceWork | undefined;
  readonly sections: number;
  readonly rack: Rack;
  /** What is in the hand. */
  readonly before: string | undefined;
  /** It lies already. */
  readonly laid: boolean;
  readonly hand: "right" | "left" | null;
}) {
  const marker = [...rack.markers, ...rack.others].find((m) => m.code === step.code);
  const pass = part?.passes[step.pass];
  return (
    <div className="grid gap-2">
      <p className="m-0 text-[17px] text-soft">
        {laid ? "Laid" : takeUpInWords(before && pencilName(before), pencilName(step.code))}
      </p>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <span
          className="code text-[clamp(38px,5.4vw,64px)] leading-none font-semibold"
          data-testid="desk-code"
        >
          {pencilName(step.code)}
        </span>
        {marker && <MarkerChip marker={marker} width={200} height={56} />}
        {marker && !marker.owned && <strong className="text-[16px]">not owned</strong>}
        {marker?.state === "low" && <strong className="text-[16px]">runs low</strong>}
      </div>
      <p className="m-0 text-[clamp(24px,2.8vw,34px)] leading-tight">
        <strong data-testid="desk-area">{part?.area.name ?? step.area}</strong>
        {sections > 1 && (
          <span className="text-soft">
            , part {step.section + 1} of {sections}
          </span>
        )}
      </p>
      {pass && (
        <p className="m-0 text-[clamp(18px,1.7vw,22px)] leading-snug">
          {pass.dry && !pass.wet && <strong>When dry: </strong>}
          {sentence(
            `${pass.wet ? "while it is wet: " : ""}${passAmount(pass)}, ${passWhere(pass)}; ${passStroke(pass)}.`,
          )}{" "}
          <span className="text-soft">
            About {durationInWords(Math.max(1, step.seconds))}
            {hand === "left" && sections > 1 ? ", from the right" : ""}.
          </span>
        </p>
      )}
    </div>
  );
}
