"use client";
import { CircleHelp } from "lucide-react";
import { useState } from "react";
import dynamic from "next/dynamic";
import { later } from "@/ui/kit/later";
import { Modal } from "@/ui/kit/modal";
import { STAGES, type StageSlug } from "@/words/stages";

const Body = dynamic(
  later(() => import("./stage-help-body").then((m) => m.StageHelpBody)),
  { ssr: false },
);

/** What a stage is for, what one does there, and the words of the craft that it uses. */
export function StageHelp({ stage }: { readonly stage: StageSlug }) {
  const [open, setOpen] = useState(false);
  const own = STAGES.find((s) => s.slug === stage)!;
  return (
    <>
      <button
        className="button-bare"
        aria-label={`About ${own.name}`}
        title={`About ${own.name}`}
        onClick={() => setOpen(true)}
      >
        <CircleHelp size={19} aria-hidden />
      </button>
      <Modal open={open} wide title={own.name} onClose={() => setOpen(false)}>
        <Body of={own} />
      </Modal>
    </>
  );
}
