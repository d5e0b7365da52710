"use client";
import { MoreHorizontal } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useSending } from "@/ui/jobs/use-sending";
import { ActionMenu } from "@/ui/kit/action-menu";
import { drop, useIsDropped } from "@/ui/kit/dropping";
import { Modal } from "@/ui/kit/modal";
import { send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";

interface PieceMenuProps {
  readonly id: string;
  readonly name: string;
  readonly done: boolean;
  readonly archived: boolean;
}

/** What can be done to a piece from the bench. */
export function PieceMenu({ id, name, done, archived }: PieceMenuProps) {
  const router = useRouter();
  const may = useMayChange();
  const sending = useSending();
  const isDropped = useIsDropped();
  const [renaming, setRenaming] = useState<string>();
  const url = `/api/pieces/${id}`;
  const change = (work: () => Promise<unknown>) =>
    void sending.run(work).then((well) => {
      if (well) router.refresh();
    });
  if (!may) return null;
  if (isDropped(url)) return <span className="relative z-10 text-[15px] font-semibold">removed</span>;
  return (
    <span className="relative z-10 flex items-center gap-2">
      {sending.trouble && (
        <span role="alert" className="text-[14px]">
          {sending.trouble}
        </span>
      )}
      <ActionMenu
        label={`What to do with ${name}`}
        className="button-bare"
        anchor="bottom end"
        entries={[
          { id: "rename", content: "Rename", act: () => setRenaming(name) },
          {
            id: "variants",
            content: "Variants side by side",
            act: () => router.push(`/pieces/${id}/variants`),
          },
          { id: "copy", content: "Duplicate", act: () => change(() => send("POST", `${url}/copy`)) },
          {
            id: "done",
            content: done ? "Not done after all" : "Mark as done",
            act: () => change(() => send("PATCH", url, { done: !done })),
          },
          {
            id: "archive",
            content: archived ? "Back from the archive" : "Archive",
            act: () => change(() => send("PATCH", url, { archived: !archived })),
          },
          "line",
          { id: "remove", content: "Remove", act: () => drop(url, `The piece ${name}`) },
        ]}
      >
        <MoreHorizontal size={20} aria-hidden />
      </ActionMenu>
      <Modal open={renaming !== undefined} title={`Rename ${name}`} onClose={() => setRenaming(undefined)}>
        <form
          className="grid gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            const next = renaming?.trim();
            if (!next) return;
            setRenaming(undefined);
            if (next !== name) change(() => send("PATCH", url, { name: next }));
          }}
        >
          <label className="grid gap-1 text-[15px]">
            Name
            <input
              autoFocus
              className="field"
              maxLength={80}
              value={renaming ?? ""}
              onChange={(e) => setRenaming(e.target.value)}
            />
          </label>
          <button className="button button-main justify-self-start" disabled={!renaming?.trim()}>
            Rename it
          </button>
        </form>
      </Modal>
    </span>
  );
}
