"use client";
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, X } from "lucide-react";
import { SCATTERED_IN } from "@/core/colouring/scatter";
import { isStroke, MARK_KINDS } from "@/core/media/mark";
import { markedLayers } from "@/core/piece/marked";
import type { Area } from "@/core/piece/piece";
import { formOf } from "@/core/piece/lit";
import { Progress } from "@/ui/jobs/progress";
import { Empty, Notice } from "@/ui/kit/notice";
import { notOn } from "@/words/finish";
import { markInWords, marksInWords, widthsInWords } from "@/words/marks";
import { counted } from "@/words/numbers";
import { ChosenArea } from "./chosen-area";
import { Setting } from "./setting";
import type { LightStage } from "./use-light-stage";

/** One step of a mark that is moved, mm. */
const STEP = 0.3;

/** Areas on which sparks are looked for where none is chosen: what is polished, and what has bands of light. */
const shines = (a: Area): boolean =>
  a.place !== null && !a.white && (a.material === "metal" || a.material === "glass" || formOf(a).shine > 0);

/** What is set at its very spot, last of all: sparks, lines, single hairs. */
export function MarksTab({ own }: { readonly own: LightStage }) {
  const { marks, piece, area, areas, tool, start } = own;
  const { finishers, finisher, kind, width, picked, proposed } = marks;
  if (!finisher)
    return (
      <Empty>
        Marks are set with a gel pen, gouache, a paint marker or a liner: put one on the rack, under
        Finishers.
      </Empty>
    );
  const setting = tool === "spark" || tool === "stroke";
  const looked = areas.length ? areas : piece.areas.filter(shines);
  const { main, second } = piece.light;
  const lamps = [
    [main, `Rim of ${main.behind ? "the light behind" : "the light"}`] as const,
    ...(second
      ? [[second, `Rim of ${second.behind ? "the moon behind" : "the second light"}`] as const]
      : []),
  ];
  const warning = area && notOn[area.material];
  const marked = piece.areas.flatMap((a) => markedLayers(a).map((l) => ({ ...l, area: a })));
  const found = proposed?.reduce((sum, a) => sum + a.marks.length, 0);
  const box = own.state.output?.areas.find((a) => a.id === picked?.area.id)?.box;
  return (
    <div className="flex flex-col gap-5">
      <section aria-label="Set marks" className="flex flex-col gap-2.5">
        <div className="flex flex-wrap items-center gap-2">
          <label className="flex items-center gap-2 text-[15px]">
            With
            <select
              className="field code max-w-48 text-[14px]"
              value={finisher.code}
              onChange={(e) => marks.setCode(e.target.value)}
            >
              {finishers.map((f) => (
                <option key={f.code} value={f.code}>
                  {f.code}
                </option>
              ))}
            </select>
          </label>
          <span className="text-[14px] text-soft">{finisher.kind}</span>
        </div>
        <div role="group" aria-label="Kind of mark" className="flex flex-wrap gap-2">
          {MARK_KINDS.map((k) => (
            <button
              key={k}
              className={`button ${setting && kind === k ? "button-main" : ""}`}
              aria-pressed={setting && kind === k}
              title={markInWords[k].says}
              onClick={() => {
                marks.setKind(k);
                marks.unpick();
                start(setting && kind === k ? "pick" : isStroke(k) || marks.inRow ? "stroke" : "spark");
              }}
            >
              {markInWords[k].name}
            </button>
          ))}
        </div>
        <p className="m-0 text-[14px] text-soft first-letter:uppercase">{markInWords[kind].says}.</p>
        <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3">
          <Setting
            label="Width"
            value={width}
            least={0.2}
            most={6}
            step={0.1}
            onChange={(to) => marks.setWide(Math.round(to * 10) / 10)}
            says={`${width.toFixed(1)} mm`}
          />
        </div>
        {!isStroke(kind) && (
          <>
            <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3">
              <Setting
                label="Apart"
                value={marks.apart}
                least={0.5}
                most={20}
                step={0.5}
                onChange={marks.setApart}
                says={`${marks.apart.toFixed(1)} mm`}
              />
            </div>
            <label className="flex min-h-8 items-center gap-2 text-[15px]">
              <input
                type="checkbox"
                className="size-5"
                checked={marks.inRow}
                onChange={(e) => {
                  marks.setInRow(e.target.checked);
                  if (setting) start(e.target.checked ? "stroke" : "spark");
                }}
              />
              In a row, along a stroke
            </label>
            <div role="group" aria-label="Scatter" className="flex flex-wrap items-center gap-2">
              <span className="text-[15px]">Scatter over</span>
              {SCATTERED_IN.map((part) => (
                <button
                  key={part}
                  className="button"
                  disabled={!area || !marks.ready || marks.scattering}
                  onClick={() => void marks.scatter(area!, part)}
                >
                  {part === "all" ? (area?.name ?? "an area") : `its ${part}`}
                </button>
              ))}
              <span className="text-[14px] text-soft" role="status">
                {marks.scattering ? "Scattering…" : area ? "" : "Choose an area first."}
              </span>
            </div>
          </>
        )}
        <div className="flex flex-wrap items-center gap-2">
          <button
            className="button"
            disabled={!areas.length || !marks.ready || marks.outlining}
            onClick={() => void marks.around(areas.map((a) => a.id))}
          >
            Line around {areas.length === 1 ? area!.name : "the chosen areas"}
          </button>
          {lamps.map(([lamp, says]) => (
            <button
              key={says}
              className="button"
              disabled={!areas.length || !marks.ready || marks.outlining}
              onClick={() =>
                void marks.around(
                  areas.map((a) => a.id),
                  lamp,
                )
              }
            >
              {says}
            </button>
          ))}
          <span className="text-[14px] text-soft" role="status">
            {marks.outlining
              ? "Following the outline…"
              : areas.length
                ? ""
                : "Choose areas, with Shift several: one line goes round all of them."}
          </span>
        </div>
        {marks.full && <Notice>{marks.full}</Notice>}
        {warning && <Notice>{warning}</Notice>}
      </section>
      <section aria-label="Sparks by the light" className="flex flex-col items-start gap-2">
        <h2 className="m-0 text-[17px]">By the light</h2>
        {proposed ? (
          <>
            <p className="m-0 text-[15px]" role="status">
              {found
                ? `${counted(found, "place")} where the light is mirrored, on ${proposed.map((a) => piece.areas.find((b) => b.id === a.id)?.name).join(", ")}.`
                : "Nothing there mirrors the light: it is flat, lies in shade, or the light stands behind it."}
            </p>
            <div className="flex flex-wrap gap-2">
              {found ? (
                <button className="button button-main" onClick={marks.take}>
                  Set {counted(found, "mark")} with <span className="code">{finisher.code}</span>
                </button>
              ) : null}
              <button className="button" onClick={marks.leave}>
                {found ? "Leave them" : "Close"}
              </button>
            </div>
          </>
        ) : (
          <>
            <button
              className="button"
              disabled={!looked.length || !marks.ready}
              onClick={() => marks.look(looked.map((a) => a.id))}
            >
              Find where the light is mirrored
            </button>
            <Progress work={marks.looking} doing="Looking for what mirrors the light" />
            <p className="m-0 text-[14px] text-soft">
              {areas.length
                ? `On ${areas.map((a) => a.name).join(", ")}.`
                : looked.length
                  ? `On what is polished: ${looked.map((a) => a.name).join(", ")}. Choose an area to look there instead.`
                  : "Choose an area: none of this piece is metal or glass."}
            </p>
          </>
        )}
      </section>
      {picked && (
        <section aria-label="Chosen mark" className="flex flex-col gap-2 border-l-4 border-strong pl-3">
          <h2 className="m-0 text-[17px]">
            {markInWords[picked.mark.kind].name} on {picked.area.name}
          </h2>
          <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label="Move it">
            {(
              [
                ["Left", ArrowLeft, -STEP, 0],
                ["Right", ArrowRight, STEP, 0],
                ["Up", ArrowUp, 0, -STEP],
                ["Down", ArrowDown, 0, STEP],
              ] as const
            ).map(([name, Icon, dx, dy]) => (
              <button key={name} className="button px-2" aria-label={name} onClick={() => marks.move(dx, dy)}>
                <Icon size={16} aria-hidden />
              </button>
            ))}
            {box && (
              <button className="button" onClick={() => marks.mirror((box[0] + box[2]) / 2)}>
                Mirror it on {picked.area.name}
              </button>
            )}
            <button className="button" onClick={marks.remove}>
              Take it away
            </button>
          </div>
          <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3">
            <Setting
              label="Its width"
              value={picked.mark.width}
              least={0.2}
              most={6}
              step={0.1}
              onChange={(to) => marks.widen(Math.round(to * 10) / 10)}
              says={`${picked.mark.width.toFixed(1)} mm`}
            />
          </div>
        </section>
      )}
      <section aria-label="What is set">
        <h2 className="m-0 mb-1 text-[17px]">What is set</h2>
        {marked.length === 0 ? (
          <p className="m-0 max-w-[52ch] text-[15px] text-soft">
            Nothing yet. Marks come last, on dry ink and dry pencil; they are part of Steps, of the order of
            work and of the pictures.
          </p>
        ) : (
          <ul className="m-0 list-none p-0">
            {marked.map(({ area: on, at, layer }) => (
              <li
                key={`${on.id} ${at}`}
                className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-line py-1.5 text-[15px]"
              >
                <span className="font-semibold">{on.name}</span>
                <span className="code text-[14px]">{layer.code}</span>
                <span className="text-soft">
                  {marksInWords(layer.marks)}, {widthsInWords(layer.marks)}
                </span>
                <span className="ml-auto flex gap-1">
                  <button
                    className="button-bare"
                    aria-label={`Take the last of ${layer.code} away from ${on.name}`}
                    onClick={() => marks.less(on, at, false)}
                  >
                    Last away
                  </button>
                  <button
                    className="button-bare min-w-7 px-0"
                    aria-label={`Take all of ${layer.code} away from ${on.name}`}
                    onClick={() => marks.less(on, at, true)}
                  >
                    <X size={15} aria-hidden />
                  </button>
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
      <ChosenArea own={own}>{null}</ChosenArea>
    </div>
  );
}
