"use client";
import { useMemo } from "react";
import { gapsOf } from "@/core/stock/gaps";
import type { FoundCode } from "@/compute/operations/audit-codes";
import type { RangeFacts, Rack, RackMarker } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { asSwatch, rackKey } from "@/compute/from-rack";
import { useCompute } from "@/ui/jobs/use-job";
import { MarkerChip } from "@/ui/ink/marker-chip";

import { differenceWords } from "@/words/closeness";
import { LAMPS } from "@/words/lamps";
import { counted } from "@/words/numbers";

const MOST_SHOWN = 60;

interface Props {
  readonly rack: Rack;
  readonly onChoose: (code: string) => void;
}

/** What the swatches say about the rack: gaps, twins, and codes that promise something else. */
export function Findings({ rack, onChoose }: Props) {
  const read = useMemo(() => rack.markers.filter((m) => m.swatches[0]), [rack]);
  const byCode = useMemo(() => new Map(rack.markers.map((m) => [m.code, m])), [rack]);
  const gaps = useMemo(
    () =>
      gapsOf(read.map((m) => ({ code: m.code, family: m.family, owned: m.owned, lab: m.swatches[0]!.lab }))),
    [read],
  );
  const twins = useCompute(
    "twins",
    read.length ? { inks: read.map((m) => ({ code: m.code, color: asSwatch(m.swatches[0]!) })) } : null,
    rackKey(rack),
  );
  const spectra = read.filter((m) => m.swatches[0]!.measured?.reflectance).length;
  const parting = twins.output?.parting.filter((p) => p.codes.some((c) => byCode.get(c)?.owned)) ?? [];
  const pairs = twins.output?.pairs.filter((p) => p.codes.some((c) => byCode.get(c)?.owned)) ?? [];
  const both = pairs.filter((p) => p.codes.every((c) => byCode.get(c)?.owned));
  const chip = (code: string) => (
    <Chip key={code} marker={byCode.get(code)} code={code} onChoose={onChoose} />
  );
  return (
    <div className="grid gap-x-8 gap-y-5 min-[900px]:grid-cols-2">
      <Block
        title={`Gaps (${gaps.length})`}
        says="Stretches of lightness in a family that nothing you own reaches: a blend across them shows its edge."
      >
        {gaps.slice(0, MOST_SHOWN).map((g) => (
          <Row key={`${g.family} ${g.deep}`} figure={`${g.width.toFixed(0)} in lightness`}>
            {chip(g.pale!)} <span aria-hidden>to</span> {chip(g.deep)}
            <span className="basis-full text-[13px] text-soft">
              {g.closing ? <>closed best by {chip(g.closing)}</> : "no marker of the range closes it"}
            </span>
          </Row>
        ))}
      </Block>
      <Block
        title={`Twins you own (${both.length})`}
        says={`Pairs that are the same to the eye, or very close, on ${rack.paper.name}: one of them is enough. ${counted(pairs.length - both.length, "further pair")} with a marker you do not own: no need to buy those.`}
      >
        <Progress work={twins} doing="Comparing" />
        {both.slice(0, MOST_SHOWN).map((p) => (
          <Row key={p.codes.join()} figure={`${p.deltaE00.toFixed(1)} ΔE00`}>
            {p.codes.map(chip)}
          </Row>
        ))}
      </Block>
      {spectra > 1 && (
        <Block
          title={`Alike by day, not under a lamp (${parting.length})`}
          says={`Pairs that match in daylight and part in another light: do not put one beside the other, or in its place, where the picture will hang under it. Told of the ${counted(spectra, "marker")} whose spectrum was read on ${rack.paper.name}.`}
        >
          {twins.output && parting.length === 0 && (
            <p className="my-1 text-[14px]">
              None: what matches by day stays together under the other lights.
            </p>
          )}
          {parting.slice(0, MOST_SHOWN).map((p) => (
            <Row key={p.codes.join()} figure={`${p.apart.toFixed(1)} ΔE00`}>
              {p.codes.map(chip)}
              <span className="basis-full text-[13px] text-soft">
                {differenceWords(p.apart)} in {LAMPS[p.light].toLowerCase()}
              </span>
            </Row>
          ))}
        </Block>
      )}
      {rack.ranges
        .filter((r) => r.key)
        .map((range) => (
          <Audit key={range.id} range={range} rack={rack} chip={chip} />
        ))}
      {rack.ranges.some((r) => !r.key && rack.markers.some((m) => m.range === r.name)) && (
        <p className="m-0 text-[14px] text-soft">
          Ranges without a code key are not compared. Describe how their codes are written under Ranges.
        </p>
      )}
    </div>
  );
}

const coloured = (m: RackMarker) => ({
  code: m.code,
  color: m.swatches[0]!.hex ?? { lab: m.swatches[0]!.lab },
});

function Audit({
  range,
  rack,
  chip,
}: {
  range: RangeFacts;
  rack: Rack;
  chip: (code: string) => React.ReactNode;
}) {
  const own = rack.markers.filter((m) => m.range === range.name && m.swatches[0]);
  const work = useCompute(
    "auditCodes",
    own.length ? { key: range.key, inks: own.map(coloured), homes: range.homes } : null,
    `${rackKey(rack)} ${range.id} ${JSON.stringify([range.key, range.homes])}`,
  );
  const findings = work.output?.findings.filter((f) => f.kind !== "neighbours are twins") ?? [];
  const kinds = [...new Set(findings.map((f) => f.kind))];
  return (
    <Block
      title={`Code against swatch: ${range.name} (${findings.length})`}
      says="What a code promises and the swatch on this paper does not show."
    >
      <Progress work={work} doing="Comparing" />
      {work.output && findings.length === 0 && (
        <p className="my-1 text-[14px]">
          Every code keeps what it promises{own.length ? "" : ": none has been read on this paper"}.
        </p>
      )}
      {kinds.map((kind) => (
        <section key={kind}>
          <h3 className="small-title m-0 mt-2">{kind}</h3>
          {findings
            .filter((f) => f.kind === kind)
            .slice(0, MOST_SHOWN)
            .map((f) => (
              <Row key={f.codes.join() + f.kind} figure={figure(f)}>
                {f.codes.map(chip)}
                <span className="basis-full text-[13px] text-soft">{f.message}</span>
              </Row>
            ))}
        </section>
      ))}
    </Block>
  );
}

const UNITS: Partial<Record<FoundCode["kind"], string>> = {
  "deeper code, lighter swatch": "in lightness",
  "greyer code, purer swatch": "in colour strength",
  "hue far from its family": "degrees of hue",
  "neighbours are twins": "ΔE00",
};
const figure = (f: FoundCode) => (UNITS[f.kind] ? `${f.figure.toFixed(1)} ${UNITS[f.kind]}` : "");

function Block({ title, says, children }: { title: string; says: string; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="m-0 text-[17px]">{title}</h2>
      <p className="mt-0.5 mb-1 text-[14px] text-soft">{says}</p>
      {children}
    </section>
  );
}

function Row({ figure: value, children }: { figure: string; children: React.ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-3 border-t border-line py-1">
      <span className="flex flex-wrap items-center gap-x-2">{children}</span>
      <span className="shrink-0 text-[15px] font-semibold">{value}</span>
    </div>
  );
}

function Chip({
  marker,
  code,
  onChoose,
}: {
  marker: RackMarker | undefined;
  code: string;
  onChoose: (code: string) => void;
}) {
  return (
    <button
      className="inline-flex min-h-8 items-center gap-1.5 px-0.5 hover:underline"
      onClick={() => onChoose(code)}
    >
      {marker?.swatches.length ? <MarkerChip marker={marker} width={44} height={20} /> : null}
      <span className="code">{code}</span>
    </button>
  );
}
