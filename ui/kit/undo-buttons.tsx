import { Redo2, Undo2 } from "lucide-react";

interface Props {
  readonly undo: () => void;
  readonly redo: () => void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** The last change taken back, and made again. */
export const UndoButtons = ({ undo, redo, canUndo, canRedo }: Props) => (
  <>
    <button className="button-bare" onClick={() => undo()} disabled={!canUndo} aria-label="Undo" title="Undo">
      <Undo2 size={19} aria-hidden />
    </button>
    <button className="button-bare" onClick={() => redo()} disabled={!canRedo} aria-label="Redo" title="Redo">
      <Redo2 size={19} aria-hidden />
    </button>
  </>
);
