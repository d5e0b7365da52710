"use client";
import { toneMapQuestion } from "@/compute/piece-questions";
import { useMemo, useRef, useState } from "react";
import { MOST_GATHERED, MOST_STROKES, NO_GROWTH, type Form } from "@/core/light/form";
import type { LightPlan } from "@/core/light/light";
import { formOf, zonesOf } from "@/core/piece/lit";
import type { Area } from "@/core/piece/piece";
import { rounded } from "@/core/piece/placing";
import { MOST_SPOTS } from "@/core/piece/zones";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/jobs/use-job";
import { useJudged } from "@/ui/piece/group/use-groups";
import { useKeepPicture } from "@/ui/piece/kept-picture";
import { usePiece, useRun } from "@/ui/piece/piece-context";
import { useRack } from "@/ui/piece/use-rack";
import type { Share } from "@/ui/set-up/drawing-pane";
import { LINE_TOOLS, type Tool } from "@/ui/set-up/tool";
import { useDrawing } from "@/ui/set-up/use-drawing";
import { usePictures } from "@/ui/set-up/use-pictures";
import { useKey } from "@/ui/use-keys";
import { useFormsProposed } from "./use-forms-proposed";
import { useMarks } from "./use-marks";
import { EXACT, useColouring, useLight } from "./use-colouring";

/** What the drawing is filled with. */
export const STAGE_VIEWS = ["light", "tones", "colouring", "line", "reference"] as const;
export type StageView = (typeof STAGE_VIEWS)[number];

const NOT_PASSING = {};

/** Everything that Light shows and does. */
export function useLightStage(papers: readonly PaperSheet[], first: Rack, tab: string) {
  const piece = usePiece();
  const run = useRun();
  const { rack } = useRack(piece.paperId ?? first.paper.id, first);
  const judged = useJudged(rack, piece);
  const { line } = piece.setUp;
  const ids = [...new Set([...(line ? [line.pictureId] : []), ...piece.references.map((r) => r.pictureId)])];
  const pictures = usePictures(ids);
  const drawing = line ? pictures.known.get(line.pictureId) : undefined;
  const state = useDrawing(piece, drawing, NOT_PASSING);
  const [passing, setPassing] = useState<Partial<LightPlan>>();
  const light = useLight(piece, drawing, pictures.known, EXACT, { passing });
  const [asked, setView] = useState<StageView>();
  // Each tab has a view that shows what it changes.
  const view = asked ?? (tab === "tones" ? "tones" : tab === "marks" ? "colouring" : "light");
  const field = light.lit?.output.field;
  const question = toneMapQuestion(piece);
  const needsMap = view === "tones" || tab === "tones";
  const map = useCompute(
    "toneMap",
    field && needsMap ? { field, ...question, outlined: true } : null,
    undefined,
    // The last map stays while the next is worked out.
    { about: line?.pictureId, following: passing !== undefined },
  );
  const colouring = useColouring(piece, rack, view === "colouring" ? light.lit : undefined, {
    following: passing !== undefined,
    onLost: light.again,
  });
  useKeepPicture(
    rack,
    view === "colouring" && light.exact && !colouring.busy ? colouring.coloured : undefined,
  );
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [tool, setTool] = useState<Tool>("pick");
  const [draft, setDraft] = useState<readonly Share[]>([]);
  const [radius, setRadius] = useState(4);
  /** The area on which a stroke begins that is drawn point by point. */
  const begunOn = useRef<string>(undefined);
  const areas = piece.areas.filter((a) => chosen.has(a.id) && a.place);
  const area = areas[0];
  const reference = piece.references.find((r) => r.pictureId === piece.pictureId);
  const picture = reference && pictures.known.get(reference.pictureId);
  const names = useMemo(
    () => new Map(piece.areas.map((a, i) => [a.id, { number: i + 1, name: a.name, white: a.white }])),
    [piece.areas],
  );

  const marks = useMarks({
    piece,
    run,
    rack,
    area,
    drawing,
    exact: light.exact,
    size: state.output && {
      width: state.output.width * state.output.mmPerPixel,
      height: state.output.height * state.output.mmPerPixel,
    },
    choose: (id) => setChosen(new Set([id])),
  });
  const forms = useFormsProposed({ piece, run, chosen: areas, drawing, exact: light.exact });
  const start = (next: Tool) => {
    setTool(next);
    setDraft([]);
  };
  useKey("escape", () => (tool === "pick" ? setChosen(new Set()) : start("pick")));

  const change = (set: Partial<Form>) => run({ type: "change form", ids: areas.map((a) => a.id), set });
  const growthOf = (a: Area) => formOf(a).growth ?? NO_GROWTH;

  /** A line that was drawn over the chosen area. */
  const endLine = (points: readonly Share[]) => {
    setDraft([]);
    if (points.length < 2) return;
    if (tool === "stroke") return marks.set(points.map(rounded), begunOn.current);
    if (!area) return;
    const line = points.map(rounded);
    if (tool === "crease")
      return change({ kind: "folded", creases: [...formOf(area).creases, line].slice(-MOST_STROKES) });
    const growth = growthOf(area);
    if (tool === "growth")
      change({ growth: { ...growth, strokes: [...growth.strokes, line].slice(-MOST_STROKES) } });
    if (tool === "parting")
      change({ growth: { ...growth, partings: [...growth.partings, line].slice(-MOST_STROKES) } });
  };

  const onPoint = (at: Share, owner: string | undefined, _region: number | undefined, more: boolean) => {
    if (tool === "stroke" && !draft.length) begunOn.current = owner;
    if (LINE_TOOLS.includes(tool)) return setDraft([...draft, at]);
    if (tool === "spark") return marks.set([rounded(at)], owner);
    if (tab === "marks" && tool === "pick" && marks.pick(at)) return;
    if (tool === "gathered" && area) {
      const growth = growthOf(area);
      return change({
        growth: { ...growth, gathered: [...growth.gathered, rounded(at)].slice(-MOST_GATHERED) },
      });
    }
    if (tool === "lighter" || tool === "darker" || tool === "white") {
      // A touch belongs to what it was put on.
      const on = piece.areas.find((a) => a.id === owner);
      if (!on) return;
      const { touches, whites } = zonesOf(on);
      const spot = { at: rounded(at) as [number, number], radius };
      const set =
        tool === "white"
          ? { whites: [...whites, spot].slice(-MOST_SPOTS) }
          : { touches: [...touches, { ...spot, by: tool === "darker" ? 0.6 : -0.6 }].slice(-MOST_SPOTS) };
      setChosen(new Set([on.id]));
      return run({ type: "change tones", id: on.id, set });
    }
    if (!owner || !names.has(owner)) return setChosen(new Set());
    const next = new Set(more ? chosen : []);
    if (more && chosen.has(owner)) next.delete(owner);
    else next.add(owner);
    setChosen(next);
  };

  return {
    piece,
    run,
    rack,
    judged,
    line,
    drawing,
    pictures,
    state,
    light,
    map: map.output,
    mapping: map,
    colouring,
    view,
    setView,
    setPassing,
    chosen,
    setChosen,
    areas,
    area,
    tool,
    start,
    draft,
    setDraft,
    radius,
    setRadius,
    reference,
    picture,
    names,
    change,
    endLine,
    onPoint,
    marks,
    forms,
  };
}

export type LightStage = ReturnType<typeof useLightStage>;
