"use client";
import { FORM_KINDS, type FormKind } from "@/core/light/form";
import { formOf } from "@/core/piece/lit";
import { neighboursOf } from "@/core/piece/piece";
import { counted } from "@/words/numbers";
import { FORM_WORDS } from "@/words/light";
import { ChosenArea } from "./chosen-area";
import { FormIcon } from "./form-icon";
import { FormsProposed } from "./forms-proposed";
import { Setting } from "./setting";
import type { LightStage } from "./use-light-stage";

/** The shape of the chosen areas in depth. */
export function FormTab({ own }: { readonly own: LightStage }) {
  const { piece, areas, area, change, tool, start } = own;
  if (!area)
    return (
      <div className="flex flex-col gap-5">
        <ChosenArea own={own}>{null}</ChosenArea>
        <FormsProposed own={own} />
      </div>
    );
  const form = formOf(area);
  const beside = new Set(
    neighboursOf(piece).flatMap(([a, b]) => (a === area.id ? [b] : b === area.id ? [a] : [])),
  );
  const others = piece.areas
    .filter((a) => a.place && !areas.includes(a))
    .sort((a, b) => Number(beside.has(b.id)) - Number(beside.has(a.id)));
  const choose = (kind: FormKind) =>
    change(kind === "like" ? { kind, like: form.like ?? others[0]?.id ?? null } : { kind });
  return (
    <ChosenArea own={own}>
      <FormsProposed own={own} />
      <div role="radiogroup" aria-label="Form" className="flex flex-col border-t border-line">
        {FORM_KINDS.map((kind) => (
          <label
            key={kind}
            className="grid min-h-11 grid-cols-[52px_minmax(0,1fr)_24px] items-center gap-x-2 border-b border-line"
          >
            <FormIcon kind={kind} />
            <span>
              <span className="text-[15px] font-medium">{FORM_WORDS[kind].name}</span>
              <span className="block text-[13px] text-soft">{FORM_WORDS[kind].suits}</span>
            </span>
            <input
              type="radio"
              name="form"
              className="size-5 accent-current"
              checked={form.kind === kind}
              disabled={kind === "like" && !others.length}
              onChange={() => choose(kind)}
            />
          </label>
        ))}
      </div>
      {form.kind === "like" && (
        <label className="flex items-center gap-3 text-[15px]">
          Goes on with
          <select
            className="field"
            value={form.like ?? ""}
            onChange={(e) => change({ like: e.target.value || null })}
          >
            {others.map((a) => (
              <option key={a.id} value={a.id}>
                {a.name}
              </option>
            ))}
          </select>
        </label>
      )}
      {form.kind === "folded" && (
        <div className="flex flex-wrap items-center gap-2">
          <button
            className={`button ${tool === "crease" ? "button-main" : ""}`}
            aria-pressed={tool === "crease"}
            onClick={() => start(tool === "crease" ? "pick" : "crease")}
          >
            Draw a valley
          </button>
          <button
            className="button"
            disabled={!form.creases.length}
            onClick={() => change({ creases: form.creases.slice(0, -1) })}
          >
            Take the last away
          </button>
          <span className="text-[14px] text-soft">{counted(form.creases.length, "valley")}</span>
        </div>
      )}
      <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1.5">
        {form.kind !== "flat" && form.kind !== "like" && (
          <Setting
            label="Bulges"
            value={form.height}
            most={1.5}
            onChange={(height) => change({ height })}
            says={
              form.height < 0.3
                ? "hardly"
                : form.height < 0.8
                  ? "softly"
                  : form.height < 1.1
                    ? "wholly"
                    : "steeply"
            }
          />
        )}
        {form.kind === "tube" && (
          <Setting
            label="Axis"
            value={form.axis ?? 0}
            least={0}
            most={175}
            step={5}
            onChange={(axis) => change({ axis })}
            says={form.axis === null ? "along it" : `${form.axis}°`}
          />
        )}
        <Setting
          label="Stands out"
          value={form.stands}
          most={4}
          step={0.25}
          onChange={(stands) => change({ stands })}
          says={form.stands === 0 ? "not at all" : `${form.stands} ×`}
        />
        <Setting
          label="Takes shade"
          value={form.takes}
          onChange={(takes) => change({ takes })}
          says={form.takes === 0 ? "none: far away" : `${Math.round(100 * form.takes)} %`}
        />
        <Setting
          label="Reflections"
          value={form.shine}
          onChange={(shine) => change({ shine })}
          says={form.shine === 0 ? "none" : form.shine < 0.5 ? "some" : "metal, glass"}
        />
      </div>
      {form.kind === "tube" && form.axis !== null && (
        <button className="button self-start" onClick={() => change({ axis: null })}>
          Follow its longest extent
        </button>
      )}
    </ChosenArea>
  );
}
