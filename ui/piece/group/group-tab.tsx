"use client";
import { shortName } from "@/border/names";
import { BookMarked, Check, LibraryBig, Pipette, Target } from "lucide-react";
import { Link } from "@/ui/kit/link";
import { memo, useState } from "react";
import type { GroupOutput } from "@/compute/group-output";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToHex } from "@/core/colour/display";
import { nameStack } from "@/core/formats/cgats";
import { beneathOf, PLACES, targetOf, type Area } from "@/core/piece/piece";
import { layersOf } from "@/core/media/layer";
import { isUnder } from "@/core/media/shadow";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { LaidStrip, type StripMark } from "@/ui/ink/laid-strip";
import { ValueRuler, type RulerTone } from "@/ui/ink/value-ruler";
import { Figure } from "@/ui/kit/figure";
import { Empty, Notice } from "@/ui/kit/notice";
import { messageOf, send } from "@/ui/send";
import { useKey } from "@/ui/use-keys";
import { differenceWords } from "@/words/closeness";
import { counted, signed } from "@/words/numbers";
import { GroupWishes, Readings } from "../area-wishes";
import { GiveColour } from "../give-colour";
import { MatchDialog } from "../match-dialog";
import { usePiece, useRun } from "../piece-context";
import { placeNames } from "../picture-pane";
import { Alternatives } from "./alternatives";
import { FromGroups } from "./from-groups";
import { Advice, TonedPaper } from "./group-advice";
import { GroupStrata } from "./group-strata";
import { StandIns } from "./stand-ins";
import { useShownGroup, type ShownGroup } from "./shown-group";
import { tonesOfGroup } from "@/compute/kept-groups";
import type { useJudged } from "./use-groups";

interface Props {
  readonly area: Area;
  readonly rack: Rack;
  readonly judged: ReturnType<typeof useJudged>;
}

interface Said {
  readonly text: string;
  readonly href?: string;
  readonly link?: string;
}

/** The blend group of an area: readings, wishes, strata and ruler, advice, and the alternatives. */
export const GroupTab = memo(function GroupTab({ area, rack, judged }: Props) {
  const run = useRun();
  const shown = useShownGroup(rack, area, judged);
  const { group, tones, isKept, keep } = shown;
  const [matching, setMatching] = useState(false);
  const [taking, setTaking] = useState(false);
  const [giving, setGiving] = useState(false);
  const [listed, setListed] = useState(false);
  const [said, setSaid] = useState<Said>();
  const hasReading = PLACES.some((p) => area.readings[p]);
  useKey("k", () => tones.length > 0 && !isKept && keep(tones));
  useKey("m", () => targetOf(area) && setMatching(true));

  const tellOf = (work: Promise<unknown>, done: Said) =>
    work.then(
      () => setSaid(done),
      (e: unknown) => setSaid({ text: messageOf(e) }),
    );
  const tryStack = (place: number) => {
    // What is being worked out anew says nothing of these layers yet.
    const seen = shown.isRenewed ? undefined : group?.build[place];
    if (!seen) return;
    const stack = [
      ...beneathOf(area),
      ...tones.slice(0, place + 1).flatMap((t) => Array<string>(t.coats).fill(t.code)),
    ];
    void tellOf(
      send("POST", "/api/trials", { paperId: rack.paper.id, stack, predicted: { lab: seen.lab } }),
      {
        text: `${nameStack(stack)} is noted to be tried.`,
        href: `/swatchbook/${rack.paper.id}?tab=trials`,
        link: `Trials on ${rack.paper.name}`,
      },
    );
  };
  const keepInGroups = () => {
    const name = shortName(`${area.name}, ${tones.map((t) => t.code).join(" ")}`, 80);
    const under = layersOf(area.layers, "shadow").find(isUnder);
    void tellOf(
      send("POST", "/api/groups", {
        name,
        tags: [area.material],
        tones: tonesOfGroup(group!),
        material: area.material,
        school: area.school,
        underlay: under ? { code: under.code, coats: under.coats } : null,
      }),
      { text: `Kept in Groups as “${name}”.`, href: "/groups", link: "Groups" },
    );
  };
  const target = targetOf(area);
  return (
    <div className="min-w-0 space-y-2">
      <Readings area={area} />
      <GroupWishes area={area}>
        {hasReading && (
          <button
            className="button-bare"
            aria-expanded={giving}
            aria-label="Give a colour"
            title="Give a colour: hex, L* a* b* or a marker"
            onClick={() => setGiving(!giving)}
          >
            <Pipette size={17} aria-hidden />
          </button>
        )}
        {target && (
          <button className="button" onClick={() => setMatching(true)}>
            <Target size={16} aria-hidden /> Match exactly
          </button>
        )}
      </GroupWishes>
      {(!hasReading || giving || listed) && (
        <GiveColour area={area} rack={rack} listed={listed} onListed={setListed} />
      )}
      {!isKept && <Progress work={shown.plan} doing="Planning the group" />}
      <p role="status" className="sr-only">
        {group && shown.hasTarget && !shown.isRenewed
          ? `${shown.isKept ? "Kept group" : "Proposed group"} of ${area.name}, ${counted(tones.length, "layer")}: local colour ${differenceWords(group.localColourDeltaE00)}.`
          : ""}
      </p>
      {shown.missing.length > 0 && (
        <Notice alert>
          <strong>{shown.missing.map((t) => t.code).join(", ")}</strong>: not read on {rack.paper.name}.
          Choose another paper or exchange the marker.
        </Notice>
      )}
      {shown.error && <Notice alert>{shown.error}</Notice>}
      {!shown.hasTarget && !tones.length && (
        <Empty>
          <HowToBegin name={area.name} /> The group appears here.{" "}
          <button className="button mt-2" onClick={() => setTaking(true)}>
            <LibraryBig size={17} aria-hidden /> Or take one from Groups
          </button>
        </Empty>
      )}
      {group && tones.length > 0 && (
        <div className="min-w-0 space-y-2" aria-busy={shown.isRenewed}>
          <Heading shown={shown} onTake={() => setTaking(true)} onKeepInGroups={keepInGroups} />
          <LaidStrip
            group={group}
            height={54}
            marks={target ? marksOf(area, group) : []}
            label={`${area.name} as it will lie on ${rack.paper.name}`}
          />
          <div className="grid gap-3 pt-1.5 min-[1180px]:grid-cols-[minmax(0,1fr)_auto]">
            <GroupStrata area={area} rack={rack} shown={shown} onTry={tryStack} />
            <ValueRuler
              height={Math.max(220, 60 + tones.length * 48)}
              tones={laidTones(group)}
              steps={group.steps}
              marks={PLACES.flatMap((p) =>
                area.readings[p] ? [{ name: p, lightness: area.readings[p].lab[0] }] : [],
              )}
            />
          </div>
          {said && (
            <p role="status" className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">
              {said.text}{" "}
              {said.href && (
                <Link className="underline" href={said.href}>
                  {said.link}
                </Link>
              )}
            </p>
          )}
          <TonedPaper area={area} rack={rack} />
          <StandIns rack={rack} shown={shown} />
          <Advice group={group} onFix={shown.apply} />
        </div>
      )}
      {isKept && <Progress work={shown.plan} doing="Planning other groups" />}
      <Alternatives area={area} rack={rack} shown={shown} />
      {taking && (
        <FromGroups
          rack={rack}
          onClose={() => setTaking(false)}
          onColours={(readings) => {
            setTaking(false);
            run({ type: "take colours", id: area.id, readings });
          }}
          onTake={(t) => {
            setTaking(false);
            keep(t);
          }}
        />
      )}
      {matching && targetOf(area) && (
        <MatchDialog
          rack={rack}
          target={targetOf(area)!.local}
          ownedOnly={area.ownedOnly}
          name={area.name}
          onClose={() => setMatching(false)}
        />
      )}
    </div>
  );
});

/** Where the picked colours belong on the strip, and how near what lies there comes. */
function marksOf(area: Area, group: GroupOutput): StripMark[] {
  const [light, shadow] = [group.places[0]!, group.places.at(-1)!];
  const at = { light, local: group.places[group.local + 1]!, shadow };
  return PLACES.flatMap((p) => {
    const lab = area.readings[p]?.lab;
    return lab
      ? [{ name: placeNames[p], hex: labToHex(lab), t: at[p].t, deltaE00: deltaE00(lab, at[p].lab) }]
      : [];
  });
}

/** The tones as laid, and the shadow end where it is another place. */
function laidTones({ tones, places, shade }: GroupOutput): RulerTone[] {
  const own = tones.map((t, i) => ({
    code: t.code,
    lightness: places[i + 1]!.lab[0],
    hex: places[i + 1]!.hex,
  }));
  const last = places.at(-1)!;
  const [first] = shade;
  return first ? [...own, { code: first.code, lightness: last.lab[0], hex: last.hex }] : own;
}

function Heading({
  shown: { group, tones, isKept, isRenewed, place, hasTarget, keep },
  onTake,
  onKeepInGroups,
}: {
  readonly shown: ShownGroup;
  readonly onTake: () => void;
  readonly onKeepInGroups: () => void;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-2">
      <h3 className="m-0 text-[16px]">
        {isKept ? "Kept group" : place > 0 ? `Alternative ${place}` : "Proposed group"}
        {isRenewed && <span className="ml-2 text-[13px] font-normal text-soft">being worked out anew…</span>}
      </h3>
      {hasTarget && (
        <span className="text-[14px]">
          laid {group!.school}: local colour <strong>{differenceWords(group!.localColourDeltaE00)}</strong>,{" "}
          <Figure unit="ΔE00">{group!.localColourDeltaE00.toFixed(1)} ΔE00</Figure>; contrast{" "}
          <Figure unit="L*">{signed(group!.contrast)}</Figure>
        </span>
      )}
      <span className="ml-auto flex items-center gap-1">
        <button
          className="button-bare"
          onClick={onTake}
          aria-label="Take a group from Groups"
          title="Take a group from Groups"
        >
          <LibraryBig size={18} aria-hidden />
        </button>
        <button
          className="button-bare"
          onClick={onKeepInGroups}
          disabled={isRenewed}
          aria-label="Keep it in Groups"
          title="Keep it in Groups"
        >
          <BookMarked size={18} aria-hidden />
        </button>
        {isKept ? (
          <span className="inline-flex min-h-9 items-center gap-1 text-[14px] font-semibold">
            <Check size={16} aria-hidden /> kept
          </span>
        ) : (
          <button className="button button-main" onClick={() => keep(tones)}>
            Keep this group
          </button>
        )}
      </span>
    </div>
  );
}

/** How an area gets its first colour: from the picture where there is one. */
function HowToBegin({ name }: { readonly name: string }) {
  return usePiece().pictureId ? (
    <>
      Point at <strong>{name}</strong> in the picture: click its local colour, or drag over a patch of it.
    </>
  ) : (
    <>
      Give <strong>{name}</strong> its local colour above, or its light, local and shadow colour in one line.
    </>
  );
}
