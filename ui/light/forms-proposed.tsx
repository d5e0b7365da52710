"use client";
import { FORM_REASONS, FORM_WORDS } from "@/words/light";
import { counted } from "@/words/numbers";
import { FormIcon } from "./form-icon";
import type { LightStage } from "./use-light-stage";

/** Forms that suit the areas by what they are made of, what they are called and how they lie: taken one by one or all at once. */
export function FormsProposed({ own }: { readonly own: LightStage }) {
  const { forms, areas, chosen, setChosen } = own;
  const { proposed, take } = forms;
  if (!proposed)
    return (
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <button className="button" disabled={!forms.look || forms.looking} onClick={forms.look}>
          {forms.looking ? "Looking at the areas…" : "Propose forms"}
        </button>
        <span className="text-[14px] text-soft">
          {forms.error ?? "by material, name and shape, for every area whose form nobody has said"}
        </span>
      </div>
    );
  if (!proposed.length)
    return (
      <p role="status" className="m-0 text-[15px] text-soft">
        {areas.length
          ? "The form that suits it by material, name and shape is the one it has."
          : "Every area has the form that suits its material, its name and its shape, or one that was said by hand."}
      </p>
    );
  return (
    <section aria-label="Proposed forms" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1">
        <h2 className="m-0 text-[16px] font-semibold">{counted(proposed.length, "form")} proposed</h2>
        {proposed.length > 1 && (
          <button className="button button-main" onClick={() => take(proposed)}>
            Take all
          </button>
        )}
      </div>
      <ul className="m-0 max-h-72 list-none overflow-y-auto border-t border-line p-0">
        {proposed.map((p) => (
          <li
            key={p.area.id}
            className={`grid min-h-11 grid-cols-[52px_minmax(0,1fr)_auto] items-center gap-x-2 border-b border-line ${chosen.has(p.area.id) && !areas[1] ? "bg-chosen" : ""}`}
          >
            <FormIcon kind={p.set.kind} of={p.area.id} />
            <button
              className="min-h-11 min-w-0 text-left"
              onClick={() => setChosen(new Set([p.area.id]))}
              title="Shows it in the picture"
            >
              <span className="block text-[15px] font-medium break-words">
                {p.area.name}: {FORM_WORDS[p.set.kind].name.toLowerCase()}
                {p.set.shine ? ", with reflections" : ""}
              </span>
              <span className="block text-[13px] text-soft">{FORM_REASONS[p.reason]}</span>
            </button>
            <button
              className="button"
              aria-label={`Take the form of ${p.area.name}`}
              onClick={() => take([p])}
            >
              Take
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
