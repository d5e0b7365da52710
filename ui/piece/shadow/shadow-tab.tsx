"use client";
import { memo, useState } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { ShadowsOutput } from "@/compute/operations/shadow";
import { chroma } from "@/core/colour/lab";
import type { LayerPlace } from "@/core/media/layer";
import { targetOf, tonesOf, type Area } from "@/core/piece/piece";
import { SHADOW_KINDS, type ShadowKind } from "@/core/shadow/shadow";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { Chip } from "@/ui/kit/chip";
import { Empty } from "@/ui/kit/notice";
import { Slider } from "@/ui/kit/slider";
import { signed } from "@/words/numbers";
import { shadowInWords } from "@/words/shadow";
import { plainTones } from "@/compute/kept-groups";
import { NeutralPairs } from "../neutral-pairs";
import { useRun } from "../piece-context";
import { Candidate } from "./candidate";
import { LaidShadows } from "./laid-shadows";

const KINDS_SHOWN: Readonly<Partial<Record<Area["material"], readonly ShadowKind[]>>> = {
  black: ["undertone", "deeper", "overlay", "cool hint"],
  hair: ["deeper", "undertone", "underlay", "overlay", "cool hint", "warm hint"],
};
const USUAL: readonly ShadowKind[] = ["underlay", "deeper", "overlay", "cool hint", "warm hint"];
const LEANS = [
  ["-1", "cooler"],
  ["0", "as it comes"],
  ["1", "warmer"],
] as const;
/** Chroma under which an area counts as grey. */
const GREY = 10;
/** L* of grey bases above the middle of what is laid over them. */
const BASES_ABOVE = 12;

const placeOf = (kind: ShadowKind): LayerPlace => (kind === "warm hint" ? "light" : "shadow");
const isGreyish = ({ material }: Area) => material === "metal" || material === "black";

/** The two tones of a group that carry its local colour, light to dark. */
const midsOf = ({ tones }: GroupOutput) =>
  // By place, not by role: what is laid here must not change what is asked.
  plainTones(tones.length > 2 ? tones.slice(1, Math.min(3, tones.length - 1)) : tones.slice(0, 1));

interface Props {
  readonly area: Area;
  readonly rack: Rack;
  /** The kept group as it was judged; undefined until then. */
  readonly group: GroupOutput | undefined;
}

/** Ways to make the area's shadow, ranked, side by side; any number of them may lie in it. */
export const ShadowTab = memo(function ShadowTab({ area, rack, group }: Props) {
  const run = useRun();
  const read = targetOf(area)?.shadow;
  const [depth, setDepth] = useState(16);
  const [lean, setLean] = useState<-1 | 0 | 1>(0);
  const [grey, setGrey] = useState(isGreyish(area));
  const [only, setOnly] = useState<ShadowKind>();
  const kinds = KINDS_SHOWN[area.material] ?? USUAL;
  const middle = group?.tones[group.tones.length >> 1]?.lab;
  const wantsBases = middle && (isGreyish(area) || chroma(middle) < GREY);
  const cover = group && midsOf(group);
  const work = useAsk(
    "shadow",
    rack,
    cover
      ? {
          cover,
          kinds,
          depth,
          lean,
          grey,
          capacity: rack.paper.capacity,
          top: 3,
          ownedOnly: area.ownedOnly,
          ...(read && { shadow: { lab: read } }),
          ...(wantsBases && { greyBases: Math.min(95, Math.round(middle[0] + BASES_ABOVE)) }),
        }
      : null,
  );
  if (!tonesOf(area).length)
    return (
      <Empty>
        A shadow lies under or over the local colour. Keep a group for {area.name} first, under Group.
      </Empty>
    );
  const { output } = work;
  const shown = output?.shadows.filter((s) => !only || s.kind === only) ?? [];
  return (
    <div className="space-y-3">
      <LaidShadows area={area} rack={rack} cover={cover ?? []} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[14px]">
        {read ? (
          <span>Wanted: the shadow as read.</span>
        ) : (
          <>
            <span className="flex items-center gap-1.5">
              Deeper by <Slider label="Deeper by" value={depth} least={6} most={40} onChange={setDepth} />{" "}
              {depth} in lightness
            </span>
            <label className="flex items-center gap-1.5">
              Temperature{" "}
              <select
                className="field"
                value={String(lean)}
                onChange={(e) => setLean(Number(e.target.value) as -1 | 0 | 1)}
              >
                {LEANS.map(([v, says]) => (
                  <option key={v} value={v}>
                    {says}
                  </option>
                ))}
              </select>
            </label>
          </>
        )}
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-black"
            checked={grey}
            onChange={(e) => setGrey(e.target.checked)}
          />{" "}
          a grey shadow is wanted
        </label>
        <label className="ml-auto flex items-center gap-1.5">
          Show{" "}
          <select
            className="field"
            value={only ?? ""}
            onChange={(e) => setOnly((e.target.value || undefined) as ShadowKind | undefined)}
          >
            <option value="">all kinds</option>
            {SHADOW_KINDS.filter((k) => kinds.includes(k)).map((k) => (
              <option key={k}>{k}</option>
            ))}
          </select>
        </label>
      </div>
      <Progress work={work} doing="Laying shadows" />
      {output && (
        <>
          <p className="m-0 flex flex-wrap items-center gap-2 text-[14px]">
            <Chip hex={output.cover.hex} /> local colour, lightness {signed(output.cover.lab[0])}{" "}
            <Chip hex={output.wanted.hex} /> wanted shadow, lightness {signed(output.wanted.lab[0])}
          </p>
          {!shown.length && (
            <p className="m-0 text-[15px]">
              No marker at hand suits{only ? ` as ${only}` : ""}: try another kind, or let unowned markers in
              under Group.
            </p>
          )}
          {kinds
            .filter((k) => shown.some((s) => s.kind === k))
            .map((k) => (
              <section key={k} aria-label={k}>
                <h3 className="mt-3 mb-0 text-[15px]">
                  {k[0]!.toUpperCase() + k.slice(1)}{" "}
                  <span className="text-[14px] font-normal text-soft">{shadowInWords[k]}</span>
                </h3>
                <ul className="m-0 mt-1 grid list-none gap-1 p-0">
                  {shown
                    .filter((s) => s.kind === k)
                    .map((s) => (
                      <Candidate
                        key={s.code}
                        shadow={s}
                        output={output}
                        kept={area.layers.some(
                          (l) => l.medium === "shadow" && l.kind === s.kind && l.code === s.code,
                        )}
                        onKeep={(coats) =>
                          run({
                            type: "put layer",
                            id: area.id,
                            layer: {
                              medium: "shadow",
                              kind: s.kind,
                              code: s.code,
                              coats,
                              place: placeOf(s.kind),
                            },
                          })
                        }
                      />
                    ))}
                </ul>
              </section>
            ))}
          {output.greyBases && output.greyBases.length > 0 && <GreyBases bases={output.greyBases} />}
          <NeutralPairs rack={rack} of="inks" lightness={output.wanted.lab[0]} />
        </>
      )}
    </div>
  );
});

function GreyBases({ bases }: { bases: NonNullable<ShadowsOutput["greyBases"]> }) {
  return (
    <section aria-label="Bases of two temperatures">
      <h3 className="m-0 text-[16px]">Two temperatures first</h3>
      <p className="mt-0 mb-1 text-[14px]">
        Grey parts are told apart by a cool and a warm base of one depth, and neutralised with opposite pencil
        afterwards.
      </p>
      <ul className="m-0 flex list-none flex-wrap gap-4 p-0 text-[14px]">
        {bases.map((b) => (
          <li key={b.cool + b.warm} className="flex items-center gap-1.5">
            <Chip hex={b.colours[0].hex} />
            <span className="code">{b.cool}</span> and <Chip hex={b.colours[1].hex} />
            <span className="code">{b.warm}</span>
            <span className="text-soft">
              {b.apart.toFixed(0)} apart, {b.deltaL.toFixed(1)} in lightness
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
