"use client";
import { useState } from "react";
import { LengthField } from "@/ui/kit/length-field";
import { Modal } from "@/ui/kit/modal";

/** Asks how long the pointed-out length truly is. */
export function KnownLength({
  mm,
  onTake,
  onClose,
}: {
  readonly mm: number | undefined;
  readonly onTake: (mm: number) => void;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState<number>();
  return (
    <Modal open={mm !== undefined} title="How long is it?" onClose={onClose}>
      <form
        className="flex items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (typed ?? mm) onTake((typed ?? mm)!);
          setTyped(undefined);
        }}
      >
        <LengthField
          label="Known length"
          mm={typed ?? mm ?? null}
          least={0.5}
          most={2000}
          onChange={(v) => setTyped(v ?? undefined)}
        />
        <button className="button button-main">Take it</button>
      </form>
    </Modal>
  );
}
