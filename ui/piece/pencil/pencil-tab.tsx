"use client";
import { differenceWords } from "@/words/closeness";
import { X } from "lucide-react";
import { Link } from "@/ui/kit/link";
import { memo, useState } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { PencilPlanOutput } from "@/compute/operations/pencil-plan";
import type { Lab } from "@/core/colour/lab";
import type { LayerPlace, PencilLayer } from "@/core/media/layer";
import { codesOf } from "@/core/media/registry";
import { targetOf, type Area } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { Empty } from "@/ui/kit/notice";
import { counted } from "@/words/numbers";
import { placeInWords } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { NeutralPairs } from "../neutral-pairs";
import { PlaceSelect } from "../place-select";
import { useRun } from "../piece-context";
import { OverMarkers } from "./over-markers";
import { PlanShown } from "./plan-shown";
import { StripsFirst } from "./strips-first";
import { Soften, type Adjusting } from "./soften";

const asLayer = (plan: PencilPlanOutput, place: LayerPlace): PencilLayer => ({
  medium: "pencil",
  base: plan.base?.code ?? null,
  steps: plan.steps.map((s) => ({ lightness: s.wanted.lab[0], onPaper: s.onPaper, layers: s.layers })),
  place,
});

/** Says the same for plans that are the same, however their fields are ordered. */
const signature = (p: PencilLayer) =>
  `${p.base} ${p.steps.map((s) => `${s.lightness.toFixed(2)} ${s.onPaper} ${s.layers.map((l) => `${l.code} ${l.layers} ${l.pressure} ${l.part}`).join()}`).join(";")}`;

/** Colours of light, local colour and shadow for a pencil plan: as read, else the ends of the group. */
function colourTargets(area: Area, group: GroupOutput | undefined) {
  const target = targetOf(area);
  const [local, light, shadow]: (Lab | undefined)[] = [
    target?.local ?? group?.tones[group.tones.length >> 1]?.lab,
    target?.light ?? group?.tones[0]?.lab,
    target?.shadow ?? group?.tones.at(-1)?.lab,
  ];
  return (
    local && light && shadow && { light: { lab: light }, local: { lab: local }, shadow: { lab: shadow } }
  );
}

interface Props {
  readonly area: Area;
  readonly rack: Rack;
  /** The kept group as it was judged; undefined until then. */
  readonly group: GroupOutput | undefined;
}

/** Where pencil takes over: base, three neighbours, darks and white, value by value; softening a tone. A plan of its own for each place. */
export const PencilTab = memo(function PencilTab({ area, rack, group }: Props) {
  const run = useRun();
  const kept = area.layers.flatMap((layer, at) => (layer.medium === "pencil" ? [{ layer, at }] : []));
  const target = colourTargets(area, group);
  const [values, setValues] = useState(kept[0]?.layer.steps.length ?? 7);
  const [base, setBase] = useState<string | null>(null);
  const [place, setPlace] = useState<LayerPlace>(kept[0]?.layer.place ?? "all");
  const [asked, setAsked] = useState(kept.length > 0);
  const [wish, setWish] = useState<Adjusting>();
  const tone = group?.tones.find((t) => t.code === wish?.code);
  const adjust = wish && tone && { stack: Array<string>(tone.coats).fill(tone.code), deltaL: wish.deltaL };
  const work = useAsk(
    "pencilPlan",
    rack,
    asked && target
      ? { ...target, values, ownedOnly: true, ...(base && { bases: [base] }), ...(adjust && { adjust }) }
      : null,
  );
  const pencils = rack.others.filter((o) => o.kind === "pencil" && o.owned);
  const ready = pencils.filter((p) => (p.drawdowns?.white ?? p.swatches[0]) && p.state !== "dry");
  const guessed = new Set(ready.filter((p) => !(p.drawdowns?.white && p.drawdowns.black)).map((p) => p.code));
  const plan = work.output;
  const unsure = plan
    ? [...new Set(plan.steps.flatMap((s) => s.layers.map((l) => l.code)))].filter((c) => guessed.has(c))
    : [];
  const here = kept.find((k) => k.layer.place === place);
  const isKept = plan && here && signature(asLayer(plan, place)) === signature(here.layer);
  const keep = () => {
    const layer = asLayer(plan!, place);
    run(
      here
        ? { type: "change layer", id: area.id, at: here.at, layer }
        : { type: "put layer", id: area.id, layer },
    );
  };
  if (!ready.length)
    return (
      <Empty>
        {pencils.length
          ? "No colour of any of your pencils is known yet: draw them down over white and over black, two readings each, which tells how much they cover."
          : "No pencil is on the rack."}{" "}
        <Link
          className="button button-main mt-3"
          href={pencils.length ? `/swatchbook/${rack.paper.id}?tab=readings` : "/rack?view=import"}
        >
          {pencils.length ? "Enter drawdowns" : "Bring pencils in"}
        </Link>
      </Empty>
    );
  return (
    <div className="space-y-3">
      {kept.length > 0 && (
        <ul className="m-0 list-none p-0 text-[14px]" aria-label="Pencil in this area">
          {kept.map(({ layer, at }) => (
            <li key={at} className="flex items-center gap-3 border-b border-line py-1">
              <strong>{placeInWords[layer.place]}</strong>
              <span className="min-w-0 flex-1 truncate">
                {counted(layer.steps.length, "value")}: {codesOf([layer]).map(pencilName).join(", ")}
              </span>
              <button
                className="button-bare min-w-7 px-0"
                onClick={() => run({ type: "take layer away", id: area.id, at })}
                aria-label={`Do without the pencil ${placeInWords[layer.place]}`}
              >
                <X size={15} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[14px]">
        <label className="flex items-center gap-1.5">
          Values{" "}
          <select className="field" value={values} onChange={(e) => setValues(Number(e.target.value))}>
            {[5, 6, 7, 8, 9].map((v) => (
              <option key={v}>{v}</option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-1.5">
          Base{" "}
          <select className="field" value={base ?? ""} onChange={(e) => setBase(e.target.value || null)}>
            <option value="">the best at hand</option>
            {group?.tones.map((t) => (
              <option key={t.code}>{t.code}</option>
            ))}
          </select>
        </label>
        <span className="flex items-center gap-1.5">
          Where <PlaceSelect label="Where" place={place} onPlace={setPlace} />
        </span>
        <span className="text-soft">
          {ready.length > guessed.size
            ? `${counted(ready.length - guessed.size, "pencil")} drawn down`
            : "No pencil drawn down"}
          {guessed.size > 0 && `, ${guessed.size} guessed from a colour`}
          {plan && `; ${toothInWords(plan)}`}
        </span>
        {!asked && (
          <button className="button button-main ml-auto" disabled={!target} onClick={() => setAsked(true)}>
            Plan the pencil
          </button>
        )}
        {plan &&
          (isKept ? (
            <span className="ml-auto text-[14px] font-semibold">kept</span>
          ) : (
            <button className="button button-main ml-auto" onClick={keep}>
              Keep this plan
            </button>
          ))}
      </div>
      {!target && (
        <p className="m-0 text-[15px]">
          Point at {area.name} in the picture, or keep a group: the value scale follows from it.
        </p>
      )}
      {asked && <Progress work={work} doing="Drawing the value scale" />}
      {plan && target && (
        <>
          {unsure.length > 0 && (
            <p className="m-0 border-l-4 border-strong pl-3 text-[15px]" role="note">
              How much {unsure.map(pencilName).join(", ")} {unsure.length > 1 ? "cover" : "covers"} is a guess
              from one colour: the values may come out otherwise. Draw it firmly over white and over black, or
              draw the strips below, and it is known.
            </p>
          )}
          <PlanShown plan={plan} />
          <StripsFirst rack={rack} plan={plan} />
          <OverMarkers plan={plan} />
          <Soften group={group} adjustments={plan.adjustments} wish={wish} onWish={setWish} />
          <NeutralPairs rack={rack} of="pencils" base={plan.base?.code ? [plan.base.code] : []} />
        </>
      )}
    </div>
  );
});

const toothInWords = ({ tooth }: PencilPlanOutput): string =>
  tooth.strips
    ? `this paper’s tooth is known from ${counted(tooth.strips, "strip")}: pencils come out ${differenceWords(tooth.residual)}, as a rule`
    : "the paper’s tooth is guessed from its grain: draw a few strips to know it";
