"use client";
import { useState } from "react";
import type { Point } from "@/core/algebra/point";
import { shownOf } from "@/core/colour/display";
import type { ScatteredIn } from "@/core/colouring/scatter";
import type { Lamp } from "@/core/light/light";
import { rimOf } from "@/core/light/rim";
import { isStroke, MOST_MARK_POINTS, MOST_MARKS, type Mark, type MarkKind } from "@/core/media/mark";
import { markRow } from "@/core/media/mark-row";
import { markedLayers, markNear, mirroredMark, movedMark, noRoom, type MarkAt } from "@/core/piece/marked";
import type { Area, Piece } from "@/core/piece/piece";
import { finishersOf } from "@/compute/kept-groups";
import type { SparksOutput } from "@/compute/operations/sparks";
import type { DrawingFacts } from "@/store/pictures";
import type { Rack, RackMarker } from "@/store/rack";
import { askOfPicture } from "@/ui/jobs/client";
import { useJob } from "@/ui/jobs/use-job";
import type { Command } from "@/core/piece/commands";
import { messageOf } from "@/ui/send";
import { coarserToCut } from "@/ui/set-up/cut-svg";
import { asked } from "@/ui/set-up/use-drawing";
import type { Lit } from "./use-colouring";

/** What sets marks, and how wide each is by itself, mm. */
const WIDTHS: Readonly<Partial<Record<RackMarker["kind"], number>>> = {
  "gel pen": 0.8,
  "paint marker": 1,
  gouache: 1.5,
  liner: 0.4,
};
/** How far spots of a row or a scattering are from each other, mm, until somebody says. */
const APART = 3;
/** How near to a mark one must point to mean it, mm. */
const REACH = 1.2;

/** Width of a finisher's line, mm: what its nib says, else what is usual. */
function widthOf({ kind, nib }: RackMarker): number {
  const said = Number(/(\d+(?:\.\d+)?)\s*mm/.exec(nib)?.[1]);
  return said >= 0.1 && said <= 20 ? said : (WIDTHS[kind] ?? 1);
}

/** 8-bit sRGB of a finisher as it is seen, as text. */
export function colourOfFinisher(rack: Pick<Rack, "others">, code: string): string {
  const [known] = finishersOf(rack, [{ medium: "finish", code, place: "all" }]);
  if (!known) return "#ffffff";
  if (typeof known.color === "string") return known.color;
  return `rgb(${shownOf(known.color.lab).rgb.map(Math.round).join(" ")})`;
}

/** Strokes along lines in mm, none with more points than a mark may have. */
export function strokesAlong(
  lines: readonly (readonly Point[])[],
  { width, height }: { readonly width: number; readonly height: number },
  wide: number,
): Mark[] {
  const share = (v: number) => Math.min(1, Math.max(0, Math.round(v * 1e5) / 1e5));
  return lines.flatMap((line) => {
    const points = line.map(([x, y]): Point => [share(x / width), share(y / height)]);
    const parts = Math.ceil((points.length - 1) / (MOST_MARK_POINTS - 1));
    return Array.from({ length: parts }, (_, i): Mark => {
      const from = i * (MOST_MARK_POINTS - 1);
      return { kind: "line", points: points.slice(from, from + MOST_MARK_POINTS), width: wide };
    });
  });
}

/** Strokes along closed lines in mm. */
export const strokesOf = (
  lines: readonly (readonly Point[])[],
  size: { readonly width: number; readonly height: number },
  wide: number,
): Mark[] =>
  strokesAlong(
    lines.map((line) => [...line, line[0]!]),
    size,
    wide,
  );

interface MarksOf {
  readonly piece: Piece;
  readonly run: (command: Command) => void;
  readonly rack: Rack;
  readonly area: Area | undefined;
  readonly drawing: DrawingFacts | undefined;
  readonly exact: Lit | undefined;
  /** Of the drawing, mm; undefined until it was looked at. */
  readonly size: { readonly width: number; readonly height: number } | undefined;
  readonly choose: (id: string) => void;
}

/** What is set at its spot on a piece: with what, how, and what is proposed. */
export function useMarks({ piece, run, rack, area, drawing, exact, size, choose }: MarksOf) {
  const finishers = rack.others.filter((o) => o.owned && o.kind in WIDTHS);
  const [said, setCode] = useState<string>();
  const finisher = finishers.find((f) => f.code === said) ?? finishers[0];
  const [kind, setKind] = useState<MarkKind>("spark");
  const [wide, setWide] = useState<number>();
  const [apart, setApart] = useState(APART);
  const [inRow, setInRow] = useState(false);
  const width = wide ?? (finisher ? widthOf(finisher) : 1);
  const [picked, setPicked] = useState<MarkAt & { readonly id: string }>();
  const [full, setFull] = useState<string>();
  const [looking, setLooking] = useState<readonly string[]>();
  const question = looking && drawing && exact && { ...exact.question, areas: looking.map((id) => ({ id })) };
  const sparks = useJob<SparksOutput>(
    question ? `sparks ${drawing!.id} ${JSON.stringify(question)}` : null,
    (watch) => askOfPicture("sparks", asked(drawing!), question!, watch),
    { about: drawing?.id },
  );
  const owner = picked && piece.areas.find((a) => a.id === picked.id);
  const layer = owner?.layers[picked!.layer];
  const mark = layer?.medium === "finish" ? layer.marks?.[picked!.at] : undefined;

  const put = (sets: readonly { readonly on: Area; readonly marks: readonly Mark[] }[]) => {
    if (!finisher) return;
    const { code } = finisher;
    const stuck = sets.find(({ on, marks }) => noRoom(on, code, marks.length));
    const why = stuck && noRoom(stuck.on, code, stuck.marks.length);
    setFull(
      why &&
        (why === "marks"
          ? `${stuck!.on.name} holds no more marks of ${code}.`
          : `${stuck!.on.name} holds no more finishers: take one away first.`),
    );
    run({ type: "set marks", code, sets: sets.map(({ on, marks }) => ({ id: on.id, marks })) });
  };
  /** Sets a mark along points, on the area that it begins on, else on the chosen one. */
  const set = (points: readonly Point[], on: string | undefined) => {
    const target = piece.areas.find((a) => a.id === on) ?? area;
    if (!target)
      return setFull("Begin on an area, or choose one first: a mark belongs to what it is set on.");
    setPicked(undefined);
    choose(target.id);
    const isRow = !isStroke(kind) && points.length > 1 && size;
    put([
      {
        on: target,
        marks: isRow ? markRow(points, size, { kind, width }, apart) : [{ kind, points, width }],
      },
    ]);
  };
  /** Picks the mark nearest to a place; false where there is none. */
  const pick = (at: Point): boolean => {
    if (!size) return false;
    for (const a of piece.areas) {
      const near = markNear(a, at, { ...size, reach: REACH });
      if (!near) continue;
      choose(a.id);
      setPicked({ ...near, id: a.id });
      return true;
    }
    setPicked(undefined);
    return false;
  };
  const change = (to: (m: Mark) => readonly Mark[]) => {
    if (!owner || !mark || layer?.medium !== "finish") return;
    const { layer: at, at: place } = picked!;
    const marks = layer.marks!.flatMap((m, i) => (i === place ? to(m) : [m]));
    run({ type: "change marks", id: owner.id, at, marks });
  };
  // What is set there already is not proposed again.
  const found =
    looking &&
    sparks.output?.areas.flatMap(({ id, marks }) => {
      const on = piece.areas.find((a) => a.id === id);
      const fresh = marks.filter(
        ({ points }) => !on || !size || !markNear(on, points[points.length >> 1]!, { ...size, reach: REACH }),
      );
      return fresh.length ? [{ id, marks: fresh }] : [];
    });
  const [outlining, setOutlining] = useState(false);
  const [scattering, setScattering] = useState(false);
  /** Sets spots all over an area, its light or its shadow; each time others. */
  const scatter = async (on: Area, part: ScatteredIn) => {
    if (!drawing || !exact || !finisher) return;
    setScattering(true);
    setFull(undefined);
    try {
      const known = markedLayers(on).find((l) => l.layer.code === finisher.code)?.layer.marks.length ?? 0;
      if (known >= MOST_MARKS) return setFull(`${on.name} holds no more marks of ${finisher.code}.`);
      const { marks } = await askOfPicture("scatter", asked(drawing), {
        ...exact.question,
        area: { id: on.id },
        apart,
        width,
        part,
        kind: kind === "dab" ? "dab" : "spark",
        most: MOST_MARKS - known,
        seed: known + 1,
      });
      if (marks.length) put([{ on, marks }]);
      else setFull(`${on.name} has no room for a mark of ${width.toFixed(1)} mm there.`);
    } catch (e) {
      setFull(messageOf(e));
    } finally {
      setScattering(false);
    }
  };
  /** Draws a line round areas, as one, just outside of them; or just inside of where they catch a lamp's light. */
  const around = async (ids: readonly string[], lamp?: Lamp) => {
    const on = piece.areas.find((a) => a.id === ids[0]);
    if (!drawing || !exact || !size || !on) return;
    setOutlining(true);
    setFull(undefined);
    try {
      const { forms: _, light: __, ...ground } = exact.question as { forms: unknown; light: unknown };
      const areas = ids.map((id) => ({ id }));
      const { lines } = await askOfPicture("cutLines", asked(drawing), {
        ...ground,
        areas,
        offset: lamp ? 0 : width / 2,
        coarser: coarserToCut(drawing),
      });
      const rim = lamp && rimOf(lines, lamp, width);
      if (rim && !rim.length) return setFull("No edge there catches that light.");
      put([{ on, marks: rim ? strokesAlong(rim, size, width) : strokesOf(lines, size, width) }]);
    } catch (e) {
      setFull(messageOf(e));
    } finally {
      setOutlining(false);
    }
  };
  return {
    around,
    outlining,
    scatter,
    scattering,
    apart,
    setApart,
    /** Dots are set one by one, or in a row along a stroke. */
    inRow,
    setInRow,
    finishers,
    finisher,
    setCode: (code: string) => {
      setCode(code);
      setWide(undefined);
    },
    kind,
    setKind,
    /** The tool with which this kind is set. */
    tool: (isStroke(kind) || inRow ? "stroke" : "spark") as "stroke" | "spark",
    width,
    setWide,
    full,
    set,
    pick,
    picked: mark && owner ? { mark, area: owner, layer: picked!.layer } : undefined,
    unpick: () => setPicked(undefined),
    move: (dx: number, dy: number) =>
      size && change((m) => [movedMark(m, [dx / size.width, dy / size.height])]),
    widen: (to: number) => change((m) => [{ ...m, width: to }]),
    mirror: (axis: number) => change((m) => [m, mirroredMark(m, axis)]),
    remove: () => {
      change(() => []);
      setPicked(undefined);
    },
    /** Takes the last mark of a layer away, or all of them. */
    less: (on: Area, at: number, all: boolean) => {
      setPicked(undefined);
      const own = on.layers[at];
      if (own?.medium !== "finish" || !own.marks) return;
      run({ type: "change marks", id: on.id, at, marks: all ? [] : own.marks.slice(0, -1) });
    },
    ready: exact !== undefined,
    look: (ids: readonly string[]) => {
      setPicked(undefined);
      setLooking(ids);
    },
    looking: sparks,
    proposed: found,
    take: () => {
      put(
        (found ?? []).flatMap(({ id, marks }) => {
          const on = piece.areas.find((a) => a.id === id);
          return on ? [{ on, marks }] : [];
        }),
      );
      setLooking(undefined);
    },
    leave: () => setLooking(undefined),
  };
}

export type Marks = ReturnType<typeof useMarks>;
