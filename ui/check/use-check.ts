"use client";
import { shownQuestion, toneMapQuestion } from "@/compute/piece-questions";
import { useMemo, useState } from "react";
import { sequenceOf } from "@/core/colouring/sequence";
import type { Illuminant } from "@/core/colour/observer";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { useAsk, useCompute } from "@/ui/jobs/use-job";
import { useHavePicture } from "@/ui/light/use-have-picture";
import { EXACT, useColouring, useLight } from "@/ui/light/use-colouring";
import { planQuestion, useJudged } from "@/ui/piece/group/use-groups";
import { useKeepPicture, useKeptNow } from "@/ui/piece/kept-picture";
import { usePiece } from "@/ui/piece/piece-context";
import { useRack } from "@/ui/piece/use-rack";
import { isMendable } from "@/words/mends";
import type { WorkLog } from "@/ui/desk/work-log";
import { useCompared } from "./use-compared";
import { useSheetPhoto } from "./use-sheet-photo";
import { usePictures } from "@/ui/set-up/use-pictures";

/** What may be looked at, by itself or beside another. */
export const CHECK_VIEWS = [
  "colouring",
  "values",
  "tones",
  "light",
  "line",
  "reference",
  "differences",
  "sheet",
] as const;
export type CheckView = (typeof CHECK_VIEWS)[number];

/** How two views are set against each other. */
export const COMPARE = ["one", "split", "beside", "blink"] as const;
export type Compare = (typeof COMPARE)[number];

const NOTHING = () => 0;
/** Areas for which ways out are looked for at once, and findings times inks that are looked into. */
const MOST_WAYS = 12;
const MOST_MENDED = 6000;

/** Everything that Check shows: the predicted colouring, what is noticed in it, and how it comes to be. */
export function useCheck(papers: readonly PaperSheet[], first: Rack, log: WorkLog) {
  const piece = usePiece();
  const { rack: byDay } = useRack(piece.paperId ?? first.paper.id, first);
  const [lamp, setLamp] = useState<Illuminant>();
  const rack = useMemo(
    () => (lamp && lamp !== byDay.paper.light ? { ...byDay, paper: { ...byDay.paper, light: lamp } } : byDay),
    [byDay, lamp],
  );
  const judged = useJudged(byDay, piece);
  const { line } = piece.setUp;
  const ids = [...new Set([...(line ? [line.pictureId] : []), ...piece.references.map((r) => r.pictureId)])];
  const pictures = usePictures(ids);
  const drawing = line ? pictures.known.get(line.pictureId) : undefined;
  const reference = piece.references.find((r) => r.pictureId === piece.pictureId);
  const picture = reference && pictures.known.get(reference.pictureId);
  // What is kept of the present plan is seen until the same is drawn, which takes longer than to look at it.
  const kept = useKeptNow(piece, byDay);
  const light = useLight(piece, drawing, pictures.known, EXACT, { shown: kept !== undefined });
  const [view, setView] = useState<CheckView>("colouring");
  const [other, setOther] = useState<CheckView>("reference");
  const [compare, setCompare] = useState<Compare>("one");
  const [alone, setAlone] = useState<string>();
  const [step, setStep] = useState<number>();
  const whole = useColouring(piece, rack, light.lit, { alone, onLost: light.again });
  useKeepPicture(byDay, light.exact && !whole.busy && !alone && rack === byDay ? whole.coloured : undefined);
  const passes = whole.coloured?.areas;
  const sequence = useMemo(() => {
    const known = new Map(passes?.map((a) => [a.id, a.passes]));
    const inOrder = piece.areas.flatMap((a) => {
      const own = known.get(a.id);
      return own ? [{ id: a.id, passes: own }] : [];
    });
    return sequenceOf(inOrder);
  }, [passes, piece]);
  const at = step === undefined || step >= sequence.length ? undefined : step;
  const laid = at === undefined ? undefined : at === 0 ? new Map<string, number>() : sequence[at - 1]!.laid;
  const part = useColouring(piece, rack, at === undefined ? undefined : light.lit, {
    alone,
    onLost: light.again,
    ...(laid && { upTo: (area) => laid.get(area.id) ?? 0 }),
  });
  const shown = at === undefined ? whole : part;
  const bare = useColouring(piece, rack, [view, other].includes("line") ? light.lit : undefined, {
    upTo: NOTHING,
  });
  // What is seen comes before what is said of it.
  const field = whole.coloured && !whole.busy ? light.exact?.output.field : undefined;
  const had = useHavePicture(picture);
  const [pairs, gains] = [reference?.pairs, reference?.gains];
  const over = useAsk(
    "lookOver",
    byDay,
    field
      ? {
          field,
          ...shownQuestion(piece, byDay),
          apart: piece.whole.apart,
          names: piece.areas.map(({ id, name }) => ({ id, name })),
          ...(had && { reference: { image: { picture: had.id }, pairs, gains } }),
        }
      : null,
    { about: piece.setUp.line?.pictureId },
  );
  // What is off what was picked is planned anew beside, and offered where that comes nearer.
  const askedOut = useMemo(
    () => over.output?.noticed.flatMap((n) => (n.kind === "off target" ? [n.area] : [])) ?? [],
    [over.output],
  );
  const isLooked = over.output !== undefined && !over.old && over.progress === undefined;
  const ways = useAsk(
    "waysOut",
    byDay,
    field && isLooked && askedOut.length
      ? {
          field,
          ...shownQuestion(piece, byDay),
          anew: piece.areas
            .filter((a) => askedOut.includes(a.id))
            .flatMap((a) => {
              const wish = planQuestion(byDay, a, piece.whole.scene);
              return wish ? [{ id: a.id, ...wish }] : [];
            })
            .slice(0, MOST_WAYS),
        }
      : null,
  );
  // What else was noticed is looked into once it is known what the colours should be.
  const toMend = useMemo(
    () =>
      (over.output?.noticed ?? []).flatMap((n) => {
        if (!isMendable(n)) return [];
        return [{ kind: n.kind, areas: "areas" in n ? [...n.areas] : [n.area] }];
      }),
    [over.output],
  );
  const inks = byDay.markers.filter((m) => m.swatches.length > 0).length;
  const findings = toMend.slice(0, Math.min(MOST_WAYS, Math.floor(MOST_MENDED / Math.max(1, inks))));
  const concerned = new Set(findings.flatMap((f) => f.areas));
  const wishes = piece.areas.flatMap((a) => {
    const wish = concerned.has(a.id) ? planQuestion(byDay, a, piece.whole.scene) : null;
    return wish ? [{ id: a.id, ...wish }] : [];
  });
  const isWaiting = askedOut.length > 0 && (ways.progress !== undefined || !ways.output || ways.old);
  const mends = useAsk(
    "mends",
    byDay,
    field && isLooked && !isWaiting && wishes.length
      ? { field, ...shownQuestion(piece, byDay), apart: piece.whole.apart, wishes, findings }
      : null,
  );
  const still =
    kept && rack === byDay && !alone && at === undefined && !whole.coloured && !light.error
      ? kept
      : undefined;
  const sheet = useSheetPhoto(piece, drawing, byDay, field);
  const [against, setAgainst] = useState<"finished" | "so far">("so far");
  const read = sheet.laid && sheet.work.output?.read;
  const compared = useCompared(piece, byDay, log, field, read, against);
  const needsMap = [view, other].includes("tones");
  const map = useCompute(
    "toneMap",
    field && needsMap ? { field, ...toneMapQuestion(piece), outlined: true } : null,
    undefined,
    { about: piece.setUp.line?.pictureId },
  );
  return {
    piece,
    rack: byDay,
    lamp: lamp ?? byDay.paper.light,
    setLamp,
    judged,
    drawing,
    reference,
    picture,
    light,
    view,
    setView,
    other,
    setOther,
    compare,
    setCompare,
    alone,
    setAlone,
    step: at,
    setStep,
    sequence,
    /** The picture as it is, while it is not drawn anew here. */
    still,
    shown: shown.coloured ?? whole.coloured,
    bare: bare.coloured,
    /** The picture is not yet that of the present plan. */
    busy: !still && (light.busy || shown.busy),
    progress:
      light.progress !== undefined
        ? light.progress / 2
        : shown.progress !== undefined
          ? 0.5 + shown.progress / 2
          : undefined,
    error: light.error ?? shown.error,
    over,
    ways,
    askedOut,
    mends,
    map: map.output,
    sheet,
    log,
    /** What was read on the sheet against what is planned, and what to compare it with. */
    ...compared,
    against,
    setAgainst,
  };
}

export type Check = ReturnType<typeof useCheck>;
