"use client";
import { Check } from "lucide-react";
import { Link } from "@/ui/kit/link";
import { memo, useState } from "react";
import { MATERIAL_HABITS } from "@/core/group/material";
import type { School } from "@/core/group/school";
import type { SchoolOutput } from "@/compute/operations/schools";
import { shadowEnd } from "@/core/media/zones";
import { schoolOf, partOf, targetOf, tonesOf, type Area, type Scene } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { SampleStrip } from "@/ui/ink/sample-strip";
import { Empty, Notice } from "@/ui/kit/notice";
import { whyInWords } from "@/words/material";
import { useRun, usePiece } from "./piece-context";
import { sheetOf } from "@/compute/from-rack";
import { laidTones, plainTones } from "@/compute/kept-groups";

/** ΔE00 within a millimetre, beyond an even fade, by how it looks. */
const EDGE_WORDS: readonly (readonly [number, string])[] = [
  [2.5, "no edge"],
  [5, "soft edge"],
  [9, "edge shows"],
  [Infinity, "crisp edge"],
];
const edgeInWords = (edge: number) => EDGE_WORDS.find(([most]) => edge < most)![1];
const textureInWords = (t: number) => (t < 0.2 ? "smooth" : t < 0.6 ? "a little texture" : "strokes stay");

/** What the schools are asked: the kept group on the rack's paper, with what lies beneath it. Null while there is too little. */
function questionOf(rack: Rack, area: Area, scene: Scene): object | null {
  const isRead = ({ code }: { readonly code: string }) =>
    rack.markers.some((m) => m.code === code && m.swatches.length);
  const tones = laidTones(tonesOf(area)).filter(isRead);
  if (tones.length < 2) return null;
  const shade = shadowEnd(area.layers);
  const [under, over] = [shade.under, shade.over].map((list) => plainTones(list.filter(isRead)));
  const local = targetOf(area)?.local;
  return {
    tones,
    material: area.material,
    scene,
    mm2: partOf(area),
    under,
    over,
    ...(local && { local: { lab: local } }),
    sheet: sheetOf(rack),
  };
}

/** The six schools side by side on a sample strip; one is chosen, or the material's habit taken. */
export const SchoolTab = memo(function SchoolTab({
  area,
  rack,
}: {
  readonly area: Area;
  readonly rack: Rack;
}) {
  const run = useRun();
  const piece = usePiece();
  const work = useAsk("schools", rack, questionOf(rack, area, piece.whole.scene));
  const habit = MATERIAL_HABITS[area.material];
  const inUse = schoolOf(area);
  const [looking, setLooking] = useState<School>();
  if (!tonesOf(area).length)
    return <Empty>A school lays a kept group. Keep one for {area.name} first, under Group.</Empty>;
  const schools = work.output?.schools ?? [];
  const shown = schools.find((s) => s.school === (looking ?? inUse));
  return (
    <div className="space-y-3">
      <p className="m-0 text-[14px]">
        The same group laid in each school on 32 mm of {rack.paper.name}, light end left.{" "}
        <strong>{area.material}</strong> is usually laid {habit.school}: {whyInWords[area.material]}
      </p>
      {work.output && !work.output.movesAsRead && (
        <p className="m-0 text-[14px] text-soft">
          How far wet ink runs on this paper is assumed:{" "}
          <Link className="underline" href={`/swatchbook/${rack.paper.id}?tab=chart`}>
            a page of blends
          </Link>{" "}
          measures it.
        </p>
      )}
      <Progress work={work} doing="Laying sample strips" />
      <ul className="m-0 list-none space-y-1 p-0" aria-label="Schools">
        {schools.map((s) => (
          <li
            key={s.school}
            className={`grid grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)_84px] items-center gap-3 border-l-4 py-1 pl-2 ${s.school === shown?.school ? "border-text bg-panel" : "border-transparent"}`}
          >
            <button
              className="block text-left"
              onClick={() => setLooking(s.school)}
              aria-pressed={s.school === shown?.school}
            >
              <SampleStrip
                {...s.strip}
                label={`${s.school}: ${edgeInWords(s.edge)}, ${textureInWords(s.texture)}`}
              />
            </button>
            <button
              className="min-w-0 text-left leading-tight"
              onClick={() => setLooking(s.school)}
              tabIndex={-1}
            >
              <span className="block text-[15px] font-semibold">
                {s.school}
                {s.habit && (
                  <span className="ml-1.5 text-[13px] font-normal text-soft">habit of {area.material}</span>
                )}
              </span>
              <span className="block text-[13px] text-soft">
                {edgeInWords(s.edge)} ({s.edge.toFixed(1)} ΔE00/mm), {textureInWords(s.texture)},{" "}
                {s.inkTotal.toFixed(1)} coats
                {s.cautions.length > 0 && (
                  <strong>
                    , {s.cautions.length} {s.cautions.length === 1 ? "caution" : "cautions"}
                  </strong>
                )}
              </span>
            </button>
            {s.school === inUse ? (
              <span className="inline-flex min-h-9 items-center justify-end gap-1 pr-1 text-[14px] font-semibold">
                <Check size={16} aria-hidden /> in use
              </span>
            ) : (
              <button
                className="button justify-self-end"
                onClick={() => {
                  run({
                    type: "choose school",
                    id: area.id,
                    school: s.school === habit.school ? null : s.school,
                  });
                  setLooking(undefined);
                }}
              >
                Use <span className="sr-only">{s.school}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {shown && <Detail school={shown} />}
    </div>
  );
});

function Detail({ school }: { school: SchoolOutput }) {
  return (
    <section
      aria-label={`${school.school} in detail`}
      className="grid gap-x-6 gap-y-2 border-t border-line pt-2 min-[1180px]:grid-cols-[minmax(0,1fr)_220px]"
    >
      <div>
        <h3 className="m-0 text-[16px]">{school.school}</h3>
        <p className="mt-0 mb-2 text-[14px]">
          {school.order} Suits {school.suits}.
        </p>
        <ol className="m-0 list-none p-0 text-[14px]">
          {school.passes.map((p, i) => (
            <li
              key={i}
              className="grid grid-cols-[20px_76px_70px_minmax(0,1fr)] gap-x-2 border-t border-line py-0.5"
            >
              <span className="text-right text-soft">{i + 1}</span>
              <span className="code">{p.code}</span>
              <span>
                {p.kind === "lay" ? `${p.coats.toFixed(1).replace(".0", "")} ×` : "blend"},{" "}
                {p.wet ? "wet" : i ? "dry" : "first"}
              </span>
              <span>
                {p.where} ({Math.round(100 * (p.to - p.from))}%); <span className="text-soft">{p.how}</span>
              </span>
            </li>
          ))}
        </ol>
        {school.cautions.map((c) => (
          <Notice key={c.message}>
            <strong>{c.kind[0]!.toUpperCase() + c.kind.slice(1)}.</strong> {c.message}
          </Notice>
        ))}
      </div>
      <dl className="m-0 grid grid-cols-[1fr_auto] content-start gap-y-0.5 text-[14px]">
        {(
          [
            ["Lightest and darkest, in lightness", school.lightness.map((v) => v.toFixed(0)).join(" to ")],
            ["Edge beyond an even fade", `${school.edge.toFixed(1)} ΔE00/mm`],
            ["Evenness of the fade", school.softness.toFixed(2)],
            ["Spread between strokes", `${school.texture.toFixed(1)} in lightness`],
            ["Most coats on one spot", school.mostCoats.toFixed(1)],
            ...school.ink.map((i) => [i.code, `${i.coats.toFixed(2)} coats`] as const),
          ] as const
        ).map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-soft">{name}</dt>
            <dd className="m-0 text-right">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
