"use client";
import { Plus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, type FormEvent } from "react";
import { newPiece } from "@/core/piece/piece";
import { Modal } from "@/ui/kit/modal";
import { messageOf, send } from "@/ui/send";
import { useStudio } from "@/ui/studio/studio-context";

interface NewPieceProps {
  readonly papers: readonly { readonly id: string; readonly name: string }[];
}

/** Names a piece, chooses its paper and opens it. */
export function NewPiece({ papers }: NewPieceProps) {
  const router = useRouter();
  const sheet = useStudio()?.sheet;
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const [paper, setPaper] = useState(papers[0]?.id ?? "");
  const [state, setState] = useState<{ busy: boolean; error?: string }>({ busy: false });
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    setState({ busy: true });
    try {
      const { id } = await send<{ id: string }>(
        "POST",
        "/api/pieces",
        newPiece(name.trim(), paper || null, sheet),
      );
      router.push(`/pieces/${id}/set-up`);
    } catch (e) {
      setState({ busy: false, error: messageOf(e) });
    }
  };
  return (
    <>
      <button className="button button-main" onClick={() => setOpen(true)}>
        <Plus size={18} aria-hidden /> New piece
      </button>
      <Modal open={open} title="New piece" onClose={() => setOpen(false)}>
        <form onSubmit={(e) => void submit(e)} className="grid gap-3">
          <label className="grid gap-1 text-[15px]">
            Name
            <input
              autoFocus
              className="field"
              maxLength={80}
              value={name}
              onChange={(e) => setName(e.target.value)}
              placeholder="what you will colour"
            />
          </label>
          <label className="grid gap-1 text-[15px]">
            Paper
            <select className="field" value={paper} onChange={(e) => setPaper(e.target.value)}>
              {papers.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          {state.error && (
            <p role="alert" className="m-0">
              {state.error}
            </p>
          )}
          <button className="button button-main justify-self-start" disabled={!name.trim() || state.busy}>
            Open it
          </button>
        </form>
      </Modal>
    </>
  );
}
