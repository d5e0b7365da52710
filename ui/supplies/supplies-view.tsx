"use client";
import { useMemo } from "react";
import { useRouter } from "next/navigation";
import { labToHex } from "@/core/colour/display";
import type { WantedColour } from "@/core/stock/wanted-colours";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/compute/from-rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { Progress } from "@/ui/jobs/progress";
import { useCompute } from "@/ui/jobs/use-job";
import { Link } from "@/ui/kit/link";
import { NumberField } from "@/ui/kit/number-field";
import { PaperSelect } from "@/ui/kit/paper-select";
import { withRack } from "@/ui/rack-here";
import { ask, useQuery } from "@/ui/use-query";
import { counted } from "@/words/numbers";
import { moneyInWords, purchasesInWords, placesInWords } from "@/words/purchases";
import { Coverage } from "./coverage";
import { InkLevels } from "./ink-levels";
import { Wish } from "./wish";
import { WishList } from "./wish-list";
import { purchasesQuestion } from "./purchases-question";

interface Props {
  readonly papers: readonly PaperSheet[];
  readonly wanted: readonly WantedColour[];
  readonly rack: Rack;
}

const MOST_MONEY = 100_000;
/** What a studio starts from before it has said anything. */
const BUDGET = 30;
const USUAL = 3;
/** Chips of colours that a marker meets. */
const MOST_CHIPS = 8;

/** What to buy next and why, what it gains, and what runs out. */
export function SuppliesView({ papers, wanted, rack }: Props) {
  const router = useRouter();
  const params = useQuery();
  const numberOf = (name: string, usual: number) => {
    const given = Number(params.get(name) ?? NaN);
    return given >= 0 && given <= MOST_MONEY ? given : usual;
  };
  const [budget, usual] = [numberOf("budget", BUDGET), numberOf("price", USUAL)];
  const change = (set: Record<string, string>) => {
    const next = new URLSearchParams(params);
    for (const [k, v] of Object.entries(set)) next.set(k, v);
    if (set.paper) router.push(`/supplies?${next}`);
    else ask(`/supplies?${next}`);
  };
  const byCode = useMemo(() => new Map(rack.markers.map((m) => [m.code, m])), [rack]);
  const question = useMemo(
    () => purchasesQuestion(rack, wanted, { budget, usual }),
    [rack, wanted, budget, usual],
  );
  const isAsked = wanted.length > 0 && question.offers.length > 0;
  const work = useCompute(
    "purchases",
    isAsked ? question : null,
    `${rackKey(rack)} ${budget} ${usual} ${JSON.stringify(wanted)}`,
    { about: "purchases" },
  );
  const plan = work.output;
  return (
    <main id="main" className="mx-auto max-w-[1240px] p-4 max-[759px]:px-2">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="m-0 mr-auto text-[26px]">Supplies</h1>
        {/* A page of its own, fetched whole: it is kept for where there is no connection. */}
        <a className="button" href="/have">
          Do I have this?
        </a>
        <PaperSelect
          says="On"
          papers={papers}
          chosen={rack.paper.id}
          onChoose={(paper) => change({ paper })}
        />
        {(
          [
            ["budget", "Budget", budget],
            ["price", "A marker without a price", usual],
          ] as const
        ).map(([name, label, value]) => (
          <span key={name} className="flex items-center gap-1.5 text-[14px]">
            <span aria-hidden>{label}</span>
            <NumberField
              label={label}
              value={value}
              least={0}
              most={MOST_MONEY}
              width="w-20"
              onChange={(v) => change({ [name]: String(v ?? 0) })}
            />
          </span>
        ))}
      </div>
      <div className="mt-4 grid gap-x-8 gap-y-6 min-[980px]:grid-cols-[minmax(0,1fr)_minmax(0,440px)]">
        <section aria-label="What to buy next" className="min-w-0">
          <h2 className="m-0 text-[18px]">What to buy next</h2>
          {!isAsked && <Nothing wanted={wanted.length} />}
          {isAsked && <Progress work={work} doing="Choosing" />}
          {plan && <p className="mt-1 mb-2 text-[15px]">{purchasesInWords(plan, budget)}</p>}
          {plan && (
            <ol className="m-0 list-none p-0">
              {plan.buy.map((b) => {
                const marker = byCode.get(b.codes[0]!);
                if (!marker) return null;
                return (
                  <li
                    key={marker.code}
                    className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 border-t border-line py-2"
                  >
                    <MarkerChip marker={marker} width={64} height={34} />
                    <span className="min-w-0">
                      <Link
                        className="code text-[16px] font-semibold"
                        href={`/rack?paper=${rack.paper.id}&marker=${encodeURIComponent(marker.code)}`}
                      >
                        {marker.code}
                      </Link>{" "}
                      <span className="text-[14px] text-soft">
                        {marker.name} {marker.owned ? "(yours is dry)" : ""}
                      </span>
                      <span className="mt-0.5 flex flex-wrap items-center gap-x-2 text-[14px]">
                        <span>meets {counted(b.meets.length, "colour")} more:</span>
                        <Colours labs={b.meets.map((t) => wanted[t]!)} />
                      </span>
                      <span className="block text-[13px] text-soft">
                        {placesInWords(b.meets.map((t) => wanted[t]!))}
                      </span>
                    </span>
                    <span className="text-right text-[15px]">
                      <b className="block font-semibold">+{(100 * b.adds).toFixed(1)} %</b>
                      <span className="block text-[13px] text-soft">{moneyInWords(b.price)}</span>
                      <Wish marker={marker} />
                    </span>
                  </li>
                );
              })}
            </ol>
          )}
        </section>
        <div className="min-w-0 space-y-6">
          {plan && <Coverage plan={plan} budget={budget} />}
          <WishList rack={rack} />
          <InkLevels rack={rack} />
        </div>
      </div>
    </main>
  );
}

const Nothing = ({ wanted }: { readonly wanted: number }) => (
  <p className="mt-1 text-[15px] text-soft">
    {wanted === 0
      ? "No colour is picked in any piece yet: pick some in Colour, and what to buy for them is worked out here."
      : "Every marker whose colour is known on this paper is yours. Bring in the colours of a range that you do not own under Rack, Bring in."}
  </p>
);

const Colours = ({ labs }: { readonly labs: readonly WantedColour[] }) => (
  <span className="inline-flex gap-0.5" aria-hidden>
    {labs.slice(0, MOST_CHIPS).map(({ lab }, i) => (
      <span
        key={i}
        className="inline-block size-4 border border-line"
        style={{ background: labToHex(lab) }}
      />
    ))}
  </span>
);

export const SuppliesPlace = withRack(SuppliesView);
