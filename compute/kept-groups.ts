import type { Lab } from "@/core/colour/lab";
import type { GroupTarget } from "@/core/group/goal";
import type { Layer } from "@/core/media/layer";
import { codesOf, inOrder } from "@/core/media/registry";
import { carrierOf, lightToDark } from "@/core/media/tone";
import {
  asLayers,
  beneathOf,
  driftIn,
  overOf,
  schoolOf,
  targetOf,
  tonesOf,
  type Area,
  type KeptTone,
  type Piece,
  type Scene,
  type Whole,
} from "@/core/piece/piece";
import { rackKey, sheetOf, type ReadRack } from "./from-rack";
import type { GroupOutput } from "./group-output";
import { hashOf } from "./hash";

/** A rack on a paper of which the behaviour is known. */
export type GroupRack = ReadRack & Parameters<typeof sheetOf>[0];

/** A target as operations take it. */
export const asInput = (target: GroupTarget) =>
  Object.fromEntries(Object.entries(target).map(([place, lab]) => [place, { lab: lab as Lab }]));

/** Codes and coats of tones, without what a piece notes about them. */
export const plainTones = (tones: readonly KeptTone[]) => tones.map(({ code, coats }) => ({ code, coats }));

/** Tones with what says how they are laid: their places from light to dark, and which one carries the local colour. */
export function laidTones(tones: readonly KeptTone[]): KeptTone[] {
  const carrier = lightToDark(tones)[carrierOf(tones)];
  return tones.map((t) => ({
    code: t.code,
    coats: t.coats,
    ...(t.depth !== undefined && { depth: t.depth }),
    ...(t === carrier && { carries: true as const }),
  }));
}

/** The tones of a planned group as they are kept. */
export const tonesOfGroup = ({ tones, local }: Pick<GroupOutput, "tones" | "local">): KeptTone[] =>
  tones.map(({ code, coats }, i) => ({ code, coats, ...(i === local && { carries: true as const }) }));

const isRead = (rack: GroupRack, code: string) =>
  rack.markers.some((m) => m.code === code && m.swatches.length > 0);

/** Those of some tones that were read on the rack's paper, as codes and coats. */
export const tonesRead = (rack: GroupRack, tones: readonly KeptTone[]) =>
  plainTones(tones.filter((t) => isRead(rack, t.code)));

/** What is wished of an area's group, whatever its tones. */
export const wishesOf = (rack: GroupRack, area: Area, scene: Scene) => ({
  contrast: area.contrast,
  material: area.material,
  drift: driftIn(scene, area.drift),
  school: schoolOf(area),
  sheet: sheetOf(rack),
  ...(area.place?.shares && { shares: area.place.shares }),
});

/** Lab of a marker's coats as read, for groups whose area has no reading. */
function ownColour(rack: GroupRack, tones: readonly KeptTone[]): Lab | undefined {
  const middle = tones[tones.length >> 1];
  return rack.markers.find((m) => m.code === middle?.code)?.swatches[0]?.lab;
}

/** A liner that was not read, as such lines are seen. */
const LINER = "#222021";

/** Colours of the opaque things that an area takes, where they were read. */
export const finishersOf = ({ others }: Pick<GroupRack, "others">, layers: readonly Layer[]) => {
  const used = new Set(codesOf(layers));
  return others.flatMap(({ code, kind, swatches: [swatch] = [] }) => {
    if (!used.has(code)) return [];
    if (swatch) return [{ code, color: swatch.hex ?? { lab: swatch.lab } }];
    // What is opaque and was not read is as good as white; a line is dark.
    return kind === "liner" ? [{ code, color: LINER }] : [];
  });
};

/** What `assess` is asked of tones in an area; undefined when too few of them were read on the rack's paper. */
export function judgement(
  rack: GroupRack,
  area: Area,
  tones: readonly KeptTone[],
  { scene, underlay }: Pick<Whole, "scene" | "underlay">,
) {
  const known = laidTones(tones).filter((t) => isRead(rack, t.code));
  const target = targetOf(area);
  const local = target ?? { local: ownColour(rack, known)! };
  if (known.length < 2 || !local.local) return undefined;
  const layers = inOrder([...area.layers.filter((l) => l.medium !== "tone"), ...asLayers(laidTones(tones))]);
  return {
    target: asInput(local),
    tones: known,
    beneath: beneathOf(area).filter((c) => isRead(rack, c)),
    over: overOf(area).filter((c) => isRead(rack, c)),
    ...wishesOf(rack, area, scene),
    layers,
    underlay,
    finishers: finishersOf(rack, layers),
  };
}

/** What an area's kept group should reach; undefined when too little is known of it. */
export function keptWish(rack: GroupRack, area: Area, { scene }: Pick<Whole, "scene">) {
  const known = tonesOf(area).filter((t) => isRead(rack, t.code));
  const local = targetOf(area) ?? { local: ownColour(rack, known)! };
  if (known.length < 2 || !local.local) return undefined;
  return { target: asInput(local), ...wishesOf(rack, area, scene) };
}

/** What is asked about a kept group. */
export interface KeptQuestion {
  /** Of the area. */
  readonly id: string;
  /** Names the whole of the question: the answer to one name is always the same. */
  readonly name: string;
  readonly question: object;
}

/** What `assessAreas` is asked of a piece's kept groups. */
export const keptQuestions = (
  rack: GroupRack,
  { areas, whole }: Pick<Piece, "areas" | "whole">,
): KeptQuestion[] =>
  areas.flatMap((area) => {
    const question = judgement(rack, area, tonesOf(area), whole);
    return question ? [{ id: area.id, name: hashOf([rackKey(rack), question]), question }] : [];
  });

/** Kept groups that have been judged, by the name of the question. */
export type JudgedGroups = readonly (readonly [name: string, group: GroupOutput])[];
