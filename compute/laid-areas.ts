import { colourOf, type ColourInput } from "@/border/colour";
import {
  layArea,
  type AreaLayers,
  type DrawnScale,
  type InkPass,
  type LaidArea,
  type Opaque,
} from "@/core/colouring/laid-area";
import { screenColours, type AreaColours } from "@/core/colouring/paint";
import type { Wanted } from "@/core/colouring/look-over";
import { layChosen, type WeighedChoice } from "@/core/group/chosen";
import { middleTone } from "@/core/group/school";
import type { Lab } from "@/core/colour/lab";
import { seenLab } from "@/core/ink/desk";
import { reachOn } from "@/core/group/strip";
import { layersOf, type Layer, type PencilLayer } from "@/core/media/layer";
import type { Pass } from "@/core/media/medium";
import { passesOf } from "@/core/media/registry";
import { shadowEnd, toneBordersOf } from "@/core/media/zones";
import type { SheetInput } from "@/border/sheet";
import type { OpenDesk } from "./desk";
import { askedOf, schoolOf, type GroupWish } from "./group-wish";
import { hashOf } from "./hash";
import { memory, type Memory } from "./memory";
import type { PencilDesk } from "./pencil-desk";

/** What is asked of an area that is shown. */
export interface LaidWish {
  readonly layers: readonly Layer[];
  /** What its group should reach, by which the tone that carries the local colour is found. */
  readonly wish?: GroupWish;
  /** Inks of the whole piece's underlay, light to dark. */
  readonly underlay: readonly string[];
  /** Passes that are laid so far; null lays all. */
  readonly upTo: number | null;
}

/** An area as it will lie. */
export interface ShownArea {
  /** All of its passes, in order; what is not read on this paper is left out of the picture. */
  readonly passes: readonly Pass[];
  /** Where its tones end, shares from its lightest end. */
  readonly borders: readonly number[];
  readonly laid: LaidArea;
  /** What its group should show along it; nothing where nothing is wished. */
  readonly wanted: readonly Wanted[] | undefined;
  readonly colours: () => AreaColours;
}

/** Parts of an area in which each ink of a whole-piece underlay lies: every shadow, the deeper ones, the deepest only. */
const UNDERLAY_FROM = [0.55, 0.72, 0.86, 0.93] as const;
const WHITE: Lab = [96, 0, 0];

const kept = new WeakMap<OpenDesk, Memory<ShownArea>>();
const MOST_SHOWN = 900;

/** Layers whose inks were read on the desk's paper. */
const readOnly = (open: OpenDesk, layers: readonly Layer[]): readonly Layer[] => {
  const known = new Set(open.inks.map((i) => i.code));
  return layers.filter((l) => (l.medium !== "tone" && l.medium !== "shadow") || known.has(l.code));
};

/** How a group that somebody chose is laid, and what is wanted along it; undefined where nothing is wished. */
function chosenIn(
  open: OpenDesk,
  layers: readonly Layer[],
  wish: GroupWish | undefined,
): WeighedChoice | undefined {
  const tones = layersOf(layers, "tone");
  if (!wish || tones.length < 2) return undefined;
  const { under, over } = shadowEnd(layers);
  const coated = (l: { code: string; coats: number }) => ({
    ink: open.placeOf(l.code, "areas"),
    coats: l.coats,
  });
  const chosen = { tones: tones.map(coated), under: under.map(coated), over: over.map(coated) };
  return layChosen(open.desk, chosen, askedOf(open, wish, tones.length));
}

/** Goals of a group at the places by which it is judged. */
const wantedOf = ({ goal, weighed: { places } }: WeighedChoice): Wanted[] =>
  places.map(({ t }, n) => ({
    t,
    lab: n === 0 ? goal.light : n === places.length - 1 ? goal.shadow : goal.places[n - 1]!,
  }));

/** Pencil as it is drawn so far: strokes of the passes that are done. */
function drawnScale(layer: PencilLayer, done: ReadonlySet<string>, pencils: PencilDesk): DrawnScale {
  return {
    fit: pencils.fit,
    steps: layer.steps.map((step) =>
      step.layers.flatMap((l) => {
        const film = pencils.pencils.find((p) => p.film.code === l.code)?.film;
        return film && done.has(`${l.code} ${l.part}`)
          ? [{ film, layers: l.layers, pressure: l.pressure }]
          : [];
      }),
    ),
  };
}

/** All that is known of an area's layers as they will lie on the desk's paper; worked out once. */
export function shownArea(
  open: OpenDesk,
  asked: LaidWish,
  sheet: SheetInput,
  finishers: ReadonlyMap<string, ColourInput>,
  pencils: () => PencilDesk,
): ShownArea {
  const memories = kept.get(open) ?? memory<ShownArea>(MOST_SHOWN);
  kept.set(open, memories);
  const key = hashOf([asked, sheet, [...finishers]]);
  return memories.recall(key) ?? memories.keep(key, showArea(open, asked, sheet, finishers, pencils));
}

function showArea(
  open: OpenDesk,
  { layers: all, wish, underlay, upTo }: LaidWish,
  sheet: SheetInput,
  finishers: ReadonlyMap<string, ColourInput>,
  pencils: () => PencilDesk,
): ShownArea {
  const { desk } = open;
  const layers = readOnly(open, all);
  const chosen = chosenIn(open, layers, wish);
  const local = chosen?.laying.local ?? middleTone(layersOf(layers, "tone").length);
  const depth = (code: string, coats: number) =>
    seenLab(desk, Array<number>(coats).fill(open.placeOf(code, "areas")))[0];
  const own = passesOf(layers, {
    school: wish ? schoolOf(wish) : "light first",
    capacity: sheet.capacity,
    lightnessOf: depth,
    local,
  });
  const tones = layersOf(layers, "tone");
  const passes: Pass[] = [...(tones.length ? underlayPasses(open, underlay) : []), ...own];
  const laid = passes.slice(0, upTo ?? passes.length);
  const ink = laid.flatMap((p): InkPass[] =>
    p.kind === "lay" || p.kind === "blend back"
      ? [{ ink: open.placeOf(p.code, "areas"), coats: p.coats, wet: !p.dry, from: p.from, to: p.to }]
      : [],
  );
  const drawn = laid.filter((p) => p.kind === "draw");
  const done = new Set(drawn.map((p) => `${p.code} ${p.drawing?.part}`));
  const scales = layersOf(layers, "pencil");
  const opaque = laid.flatMap((p): Opaque[] => {
    if (p.kind !== "finish") return [];
    const colour = finishers.get(p.code);
    return [{ lab: colour ? colourOf(colour).lab : WHITE, from: p.from, to: p.to }];
  });
  const made: AreaLayers = {
    ink,
    pencil: drawn.length ? scales.map((s) => drawnScale(s, done, pencils())) : [],
    opaque,
  };
  const area = layArea(desk, made, reachOn(desk, sheet));
  let colours: AreaColours | undefined;
  return {
    passes,
    borders: toneBordersOf(layers, local),
    laid: area,
    wanted: chosen && wantedOf(chosen),
    colours: () => (colours ??= screenColours(area)),
  };
}

/** All shadows first, in a few inks from light to dark, dry before any local colour. */
function underlayPasses(open: OpenDesk, codes: readonly string[]): Pass[] {
  const known = new Set(open.inks.map((i) => i.code));
  return codes
    .filter((c) => known.has(c))
    .map((code, i): Pass => ({
      code,
      coats: 1,
      role: "underlay",
      kind: "lay",
      dry: i > 0,
      where: "shadow",
      stroke: "circles",
      from: UNDERLAY_FROM[Math.min(i, UNDERLAY_FROM.length - 1)]!,
      to: 1,
    }));
}
