"use client";
import { useEffect, useMemo, useState } from "react";
import { aligned } from "@/core/picture/align";
import { MOST_REFERENCES } from "@/core/piece/set-up";
import { aspectOf } from "@/core/picture/rectify";
import {
  gathered,
  joined,
  measured,
  backgroundOf,
  openRegions,
  placedByReadings,
  rounded,
  withPart,
} from "@/core/piece/placing";
import type { PaperSheet } from "@/store/papers";
import { askOfPicture } from "@/ui/jobs/client";
import { usePiece, usePieceHandles, useRun } from "@/ui/piece/piece-context";
import { messageOf } from "@/ui/send";
import { counted } from "@/words/numbers";
import { useKey } from "@/ui/use-keys";
import type { Share } from "./drawing-pane";
import { MOST_AREAS } from "./areas-tab";
import { stackedAreas } from "./order-tab";
import type { ReferenceLook } from "./reference-tab";
import { keysOf, regionKey, regionsOf } from "./region-overlay";
import type { Tool } from "./tool";
import { asked, useDrawing } from "./use-drawing";
import { useGather, useGatherings, type Gather } from "./use-gather";
import { hasPages, usePages } from "./file-pages";
import { lineAmong } from "./line-among";
import { usePictures, type TakenPicture } from "./use-pictures";
import { gainsAt, useDoubts, usePropose } from "./use-reference";

/** Confidence from which a sheet found in a photo is taken without asking. */
const SURE = 0.5;
/** Why some of several files are not taken. */
const LEFT_OUT = `a PDF comes alone, and a drawing has at most ${MOST_REFERENCES} references`;
/** Two clicks this near, in shares of the drawing, are the same point. */
const SAME = 0.012;

const near = (a: Share, b: Share) => Math.hypot(a[0] - b[0], a[1] - b[1]) < SAME;

/** What a slider that is being dragged stands at. */
export interface Passing {
  readonly set: { readonly gap?: number; readonly speck?: number };
}
const NOT_DRAGGED: Passing["set"] = {};

/** Everything that Set up shows and does: the drawing, what is chosen, and what clicks of each tool lead to. */
export function useSetUp(papers: readonly PaperSheet[]) {
  const piece = usePiece();
  const run = useRun();
  const { store } = usePieceHandles();
  const { line } = piece.setUp;
  const ids = [...new Set([...(line ? [line.pictureId] : []), ...piece.references.map((r) => r.pictureId)])];
  const pictures = usePictures(ids);
  const drawing = line ? pictures.known.get(line.pictureId) : undefined;
  // What is dragged stands in for what the piece says until that has changed.
  const { gap, speck } = piece.setUp;
  const [drag, setDrag] = useState<Passing & { readonly over: string }>();
  const passing = drag?.over === `${gap} ${speck}` ? drag : undefined;
  const state = useDrawing(piece, drawing, passing?.set ?? NOT_DRAGGED);
  const { output } = state;
  const busy = state.progress !== undefined;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [several, setSeveral] = useState(false);
  const [tool, setTool] = useState<Tool>("pick");
  const [draft, setDraft] = useState<readonly Share[]>([]);
  const [pairs, setPairs] = useState<readonly { line: Share; reference: Share }[]>([]);
  const [look, setLook] = useState<ReferenceLook>({
    where: "under",
    opacity: null,
    wipe: 1,
    values: "colour",
  });
  const [sheetSaid, setSheetSaid] = useState<string>();
  const [searching, setSearching] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const [length, setLength] = useState<number>();
  const [front, setFront] = useState<string>();
  const reference = piece.references.find((r) => r.pictureId === piece.pictureId);
  const picture = reference && pictures.known.get(reference.pictureId);
  const doubts = useDoubts(picture);
  const paper = papers.find((p) => p.id === piece.paperId) ?? papers[0];

  // Sizes and neighbours follow from what was found, without a step of undo of their own.
  useEffect(() => {
    if (!output || busy || passing) return;
    const { piece: now, follow } = store.getState();
    const command = measured(now, output);
    if (command) follow(command);
  }, [output, busy, passing, store]);

  const start = (next: Tool) => {
    setTool(next);
    setDraft([]);
    setPairs([]);
    setFront(undefined);
  };
  useKey("escape", () => (tool === "pick" ? setChosen(new Set()) : start("pick")));

  const names = useMemo(
    () => new Map(piece.areas.map((a, i) => [a.id, { number: i + 1, name: a.name, white: a.white }])),
    [piece.areas],
  );

  const findSheet = async (id = drawing) => {
    if (!id) return;
    setSearching(true);
    setTrouble(undefined);
    try {
      const found = await askOfPicture("findSheet", asked(id), {});
      if (found.corners) run({ type: "change line", set: { corners: found.corners } });
      setSheetSaid(
        found.corners
          ? found.confidence > SURE
            ? "The sheet was found."
            : "The sheet was found, though not clearly: look at its corners."
          : "No sheet was found: its edges do not stand out. Set its corners by hand, or take a photo on a darker table.",
      );
    } catch (e) {
      setTrouble(messageOf(e));
    } finally {
      setSearching(false);
    }
  };

  const takePicture = async (facts: TakenPicture | undefined) => {
    if (!facts) return;
    const { mm, leftOut } = facts;
    const said = [
      mm !== undefined && `Its file says that it is ${Math.round(10 * mm) / 10} mm wide.`,
      leftOut && `Not drawn: ${leftOut.join(", ")}.`,
    ].filter(Boolean);
    setSheetSaid(said.length ? said.join(" ") : undefined);
    let corners = null;
    // A drawing with names is its own sheet; in a photo it has to be found.
    if (!facts.names.length) {
      setSearching(true);
      const found = await askOfPicture("findSheet", asked(facts), {}).catch(() => undefined);
      setSearching(false);
      if (found?.corners && found.confidence > SURE) {
        corners = found.corners;
        setSheetSaid("The sheet was found by itself.");
      }
    }
    const known = { kind: line?.kind ?? "drawn", proof: line?.proof ?? null } as const;
    const { sheet } = store.getState().piece.setUp;
    // As large as its file means it, where the sheet holds that.
    const room = Math.max(sheet.width, sheet.height);
    const width = mm !== undefined && mm >= 5 && mm <= room ? Math.round(10 * mm) / 10 : null;
    const across = corners ? aspectOf(corners, facts.width, facts.height) > 1 : facts.width > facts.height;
    const turn = across !== sheet.width > sheet.height && sheet.at === null;
    run({
      type: "choose line",
      line: { pictureId: facts.id, ...known, width, corners },
      ...(turn && { sheet: { width: sheet.height, height: sheet.width } }),
    });
  };

  // A page of a file is a picture like another, and as large as the page where the file says it.
  const pages = usePages(({ file, mm }) => {
    void pictures
      .take(file)
      .then((facts) => takePicture(facts && { ...facts, ...(mm !== undefined && { mm }) }));
  });

  const takeLine = async (file: File) =>
    hasPages(file) ? pages.open(file) : takePicture(await pictures.take(file));

  /** The first pictures of a piece: the one with the least colour is the line, the others are references. */
  const takeFirst = async (files: readonly File[]) => {
    const [first, ...more] = files.filter((f) => !hasPages(f)).slice(0, 1 + MOST_REFERENCES);
    const left = files.length - (first ? 1 + more.length : 1);
    if (left > 0) setTrouble(`${counted(left, "file")} left out: ${LEFT_OUT}.`);
    if (!first) return files[0] && takeLine(files[0]);
    if (!more.length) return takeLine(first);
    const taken: TakenPicture[] = [];
    for (const file of [first, ...more]) {
      const facts = await pictures.take(file);
      if (facts) taken.push(facts);
    }
    if (!taken.length) return;
    const drawn = await lineAmong(taken);
    await takePicture(drawn);
    const others = taken.filter((t) => t !== drawn);
    for (const { id } of others) run({ type: "add reference", pictureId: id });
    if (others.length)
      setSheetSaid(
        `${drawn.name} was taken for the line, ${others.map((t) => t.name).join(", ")} for ${others.length > 1 ? "references" : "the reference"}: it has the least colour.`,
      );
  };

  const endCut = (points: readonly Share[]) => {
    const closed = tool === "shape";
    if (points.length >= (closed ? 3 : 2))
      run({ type: "add cut", cut: { points: points.map(rounded), closed, curved: closed } });
    start("pick");
  };

  const onPoint = (at: Share, owner: string | undefined, region: number | undefined, more: boolean) => {
    if (tool === "pick" || tool === "around" || tool === "across") {
      if (!owner) return setChosen(new Set());
      const add = more || several;
      const next = new Set(add ? chosen : []);
      if (add && chosen.has(owner)) next.delete(owner);
      else next.add(owner);
      setChosen(next);
    } else if (tool === "parts" && region && output) {
      const [id] = chosen;
      const command = id && withPart(piece, output, id, region);
      if (command) run(command);
    } else if (tool === "before" && owner && names.has(owner)) {
      if (!front) {
        setFront(owner);
        setDraft([at]);
      } else if (owner !== front && output) {
        const order = stackedAreas(piece, output).filter((id) => id !== front);
        order.splice(order.indexOf(owner), 0, front);
        run({ type: "order areas", order });
        start("before");
      }
    } else if (tool === "cut" || tool === "shape") {
      const last = tool === "cut" ? draft[draft.length - 1] : draft[0];
      if (draft.length > 1 && last && near(at, last)) endCut(draft);
      else setDraft([...draft, at]);
    } else if (tool === "length" && output) {
      const next = [...draft, at];
      setDraft(next);
      if (next.length === 2) {
        const [a, b] = next as [Share, Share];
        setLength(
          Math.hypot((a[0] - b[0]) * output.width, (a[1] - b[1]) * output.height) * output.mmPerPixel,
        );
      }
    } else if (tool === "align" && draft.length === 0) setDraft([at]);
  };

  const onReferencePoint = (at: Share) => {
    if (!reference || !picture) return;
    if (tool === "align" && draft.length === 1) {
      const next = [...pairs, { line: draft[0]!, reference: at }];
      setPairs(next);
      setDraft([]);
      if (next.length === 2 || next.length === 4)
        run({ type: "change reference", pictureId: reference.pictureId, set: { pairs: next } });
      if (next.length === 4) start("pick");
    } else if (tool === "neutral") {
      gainsAt(picture, at, reference).then(
        (gains) => run({ type: "change reference", pictureId: reference.pictureId, set: { gains } }),
        (e: unknown) => setTrouble(messageOf(e)),
      );
      start("pick");
    }
  };

  const { propose, readSaid } = usePropose(piece, drawing, picture, reference, chosen, setTrouble);
  const gather = useGather(piece, drawing, output);
  const background = useMemo(() => output && backgroundOf(output), [output]);
  const bare = (id: number) => background?.has(id) ?? false;
  /** Chooses what a stroke or a choice gathers, beside what is chosen or instead of it; the bare sheet round the drawing is never meant. */
  const choose = async (question: Gather, add: boolean) => {
    if (!output) return;
    try {
      const found = await gather(question);
      const keys = keysOf(
        output,
        found.filter((id) => !bare(id)),
      );
      setChosen((now) => new Set([...(add ? now : []), ...keys]));
    } catch (e) {
      setTrouble(messageOf(e));
    }
  };
  const onStroke = (stroke: readonly Share[]) => {
    if (tool === "around" || tool === "across") void choose({ how: tool, stroke }, several);
  };
  const grow = (how: "neighbours" | "alike" | "within") => {
    if (output) void choose({ how, of: regionsOf(output, chosen) }, true);
  };
  /** All that is chosen becomes one area. */
  const unite = () => {
    if (!output || chosen.size < 2) return;
    const areas = piece.areas.filter((a) => chosen.has(a.id));
    const open = openRegions(output).filter((r) => chosen.has(regionKey(r)));
    const room = MOST_AREAS - piece.areas.length;
    const command = areas.length
      ? joined(
          piece,
          output,
          areas.map((a) => a.id),
          open,
        )
      : gathered(piece, output, [open], room, () => crypto.randomUUID());
    if (!command) return;
    run(command);
    setChosen(
      new Set(
        command.type === "add areas" ? command.areas.map((a) => a.id) : areas.slice(0, 1).map((a) => a.id),
      ),
    );
  };
  const gatherings = useGatherings(piece, drawing, busy ? undefined : output, picture);

  const placeByPicks = () => {
    if (!output || !picture || !reference) return;
    const back = reference.pairs.map((p) => ({ line: p.reference, reference: p.line }));
    const places = placedByReadings(piece, aligned(back, picture, output));
    if (places.length) run({ type: "place areas", places });
  };

  return {
    piece,
    run,
    line,
    drawing,
    pictures,
    state,
    chosen,
    setChosen,
    several,
    setSeveral,
    tool,
    setTool,
    start,
    draft,
    setDraft,
    pairs,
    look,
    setLook,
    sheetSaid,
    searching,
    trouble,
    setTrouble,
    length,
    setLength,
    reference,
    picture,
    doubts,
    bleed: paper?.bleed ?? null,
    names,
    drag: (set: Passing["set"]) => setDrag({ set, over: `${gap} ${speck}` }),
    findSheet,
    takeLine,
    takeFirst,
    pages,
    takeLoose: (id: string) => pictures.find(id).then(takePicture),
    endCut,
    onPoint,
    onReferencePoint,
    propose,
    readSaid,
    placeByPicks,
    onStroke,
    grow,
    unite,
    gatherings,
  };
}

export type SetUp = ReturnType<typeof useSetUp>;
