"use client";
import { useTyped } from "./use-typed";

/**
 * Notes that are stored when one leaves them. What was typed and could not be stored, because the browser or the server went away, stands there
 * again and says so.
 */
export function NotesField({
  field,
  stored,
  rows,
  onStore,
}: {
  /** Names the field among all of the studio's. */
  readonly field: string;
  readonly stored: string;
  readonly rows: number;
  /** Resolves to whether they are stored. */
  readonly onStore: (notes: string) => Promise<boolean>;
}) {
  const typed = useTyped(field, stored);
  const store = async () => {
    if (typed.text === stored) return typed.done(stored);
    const { text } = typed;
    if (await onStore(text)) typed.done(text);
  };
  return (
    <label className="block text-[14px]">
      Notes
      <textarea
        className="field mt-0.5 w-full"
        rows={rows}
        value={typed.text}
        maxLength={4000}
        onChange={(e) => typed.type(e.target.value)}
        onBlur={() => void store()}
      />
      {typed.isBack && (
        <span className="mt-1 flex flex-wrap items-center gap-2 text-[14px]" role="status">
          You typed this and it was not stored.
          <button type="button" className="button min-h-8 py-0" onClick={() => void store()}>
            Store it
          </button>
          <button type="button" className="button min-h-8 py-0" onClick={() => typed.done(stored)}>
            Drop it
          </button>
        </span>
      )}
    </label>
  );
}
