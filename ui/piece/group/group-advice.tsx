"use client";
import { differenceWords } from "@/words/closeness";
import type { GroupOutput } from "@/compute/group-output";
import { labToHex } from "@/core/colour/display";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Fix } from "@/core/group/advice";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { PLACES, type Area, type KeptTone } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Ramp } from "@/ui/ink/ramp";
import { signed } from "@/words/numbers";
import { placeNames } from "../picture-pane";
import { tonesOfGroup } from "@/compute/kept-groups";

/** Papers darker than this are toned: they are a value of their own. */
const TONED = 86;
/** ΔE00 within which bare paper already gives a colour. */
const GIVEN = 5;

/** On toned paper: which readings only white or pale pencil can give, and which the bare sheet gives already. */
export function TonedPaper({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
  const { lab, name } = rack.paper;
  if (lab[0] >= TONED) return null;
  const says = PLACES.flatMap((p) => {
    const read = area.readings[p]?.lab;
    if (!read) return [];
    const place = placeNames[p].toLowerCase();
    if (deltaE00(read, lab) < GIVEN)
      return [
        `Bare ${name} already gives the ${place}: ${differenceWords(deltaE00(read, lab))} (${deltaE00(read, lab).toFixed(1)} ΔE00).`,
      ];
    return read[0] > lab[0] + 1
      ? [
          `The ${place} (lightness ${signed(read[0])}) is lighter than ${name} (${signed(lab[0])}): no marker gives it, white or pale pencil does.`,
        ]
      : [];
  });
  return (
    <>
      {says.map((s) => (
        <p
          key={s}
          className="m-0 flex items-center gap-2 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]"
        >
          <span
            className="h-5 w-7 shrink-0 border border-strong"
            style={{ background: labToHex(lab) }}
            aria-hidden
          />
          {s}
        </p>
      ))}
    </>
  );
}

/** The best group with one marker that is not owned, against the best from what is. */
export function Purchase({
  group,
  best,
  rack,
  onShow,
}: {
  group: GroupOutput | undefined;
  best: GroupOutput | undefined;
  rack: Rack;
  onShow: (tones: readonly KeptTone[]) => void;
}) {
  const bought = group?.tones.find((t) => !rack.markers.find((m) => m.code === t.code)?.owned);
  if (!group || !best) return null;
  if (!bought || group.score >= best.score)
    return (
      <p className="mt-2 mb-0 text-[14px]">
        No single purchase makes this group better than the best from what you own.
      </p>
    );
  return (
    <div className="mt-2 flex items-center gap-3 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">
      <span className="w-28 shrink-0">
        <Ramp colours={group.strip} height={30} label="Group with one purchase" />
      </span>
      <span className="min-w-0 flex-1">
        Buying <strong className="code">{bought.code}</strong> ({bought.role}) brings the local colour from{" "}
        {differenceWords(best.localColourDeltaE00)} ({best.localColourDeltaE00.toFixed(1)} ΔE00) to{" "}
        {differenceWords(group.localColourDeltaE00)} ({group.localColourDeltaE00.toFixed(1)}), and the whole
        group {Math.round((100 * (best.score - group.score)) / Math.max(best.score, 0.01))} % nearer to what
        is wished.
      </span>
      <button className="button" onClick={() => onShow(tonesOfGroup(group))}>
        Plan with it
      </button>
    </div>
  );
}

/** What to know of a group before laying it, most serious first, each with its fix. */
export function Advice({ group, onFix }: { group: GroupOutput; onFix: (fix: Fix) => void }) {
  if (!group.advice.length)
    return (
      <p className="m-0 text-[14px] text-soft">
        Nothing to warn of: as laid, every step is even, no blend turns muddy, and the paper holds it.
      </p>
    );
  return (
    <ul className="m-0 list-none space-y-1 p-0" aria-label="Advice">
      {group.advice.map((a) => (
        <li
          key={a.kind + a.message}
          className="flex items-center gap-3 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]"
        >
          <span className="flex-1">
            <strong className="mr-1">{a.kind[0]!.toUpperCase() + a.kind.slice(1)}.</strong>
            {a.message}
          </span>
          {a.fix &&
            (a.fix.kind === "insert"
              ? group.tones.length < MOST_TONES
              : group.tones.length > FEWEST_TONES) && (
              <button className="button" onClick={() => onFix(a.fix!)}>
                {a.fix.kind === "insert" ? `Put ${a.fix.code} in` : `Leave ${a.fix.code} out`}
              </button>
            )}
        </li>
      ))}
    </ul>
  );
}
