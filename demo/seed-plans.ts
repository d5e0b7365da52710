import sharp from "sharp";
import { deskOfRack } from "@/compute/from-rack";
import { keptQuestions } from "@/compute/kept-groups";
import type { Lab } from "@/core/colour/lab";
import { readPatch } from "@/core/picture/patch";
import type { Shade } from "@/core/piece/commands";
import {
  asLayers,
  driftIn,
  newArea,
  newPiece,
  schoolOf,
  partOf,
  targetOf,
  type Area,
  type Piece,
  type PictureReading,
  type Scene,
} from "@/core/piece/piece";
import { decodePicture } from "@/store/decode-picture";
import { keepGroups, type GroupFacts } from "@/store/groups";
import { keepJudged } from "@/store/judged-groups";
import { addPicture } from "@/store/pictures";
import { addPiece } from "@/store/pieces";
import { addScaleEvent } from "@/store/ink";
import { addWorkEvents } from "@/store/work-events";
import { comparedOfDemo, diaryOfDemo } from "./diary";
import { halfDone, weighedAround } from "./half-done";
import { rackOn, type Rack } from "@/store/rack";
import type { Studio } from "@/store/studio";
import { paintedReference } from "./art";
import { demoGroups } from "./groups";
import { hexToLab } from "@/core/colour/display";
import { DEFAULT_FORM } from "@/core/light/form";
import { DEFAULT_AREA_TONES } from "@/core/piece/zones";
import { DRAWING, inShares, type DemoArea, type DemoPiece } from "./pieces";
import type { Layer, PencilLayer, ShadowLayer } from "@/core/media/layer";
import { inOrder } from "@/core/media/registry";
import type { ShadowKind } from "@/core/shadow/shadow";
import { withReference } from "@/core/piece/set-up-commands";
import { answerOf, build } from "./answers";
import { seedColouring, withShares } from "./seed-colouring";
import { setUpWhole } from "./seed-set-up";
import { stagesOf } from "./stages";

const asColours = (target: object) =>
  Object.fromEntries(Object.entries(target).map(([k, lab]) => [k, { lab: lab as Lab }]));

/** Puts a piece on the bench, its areas picked in its picture and most of them planned. */
export async function seedPiece(
  studio: Studio,
  piece: DemoPiece,
  paperIds: readonly string[],
): Promise<void> {
  const picture = await decodePicture(`${piece.art}.png`, await paintedReference(piece.art));
  const { id: pictureId } = await addPicture(studio, picture);
  const paperId = paperIds[piece.paper]!;
  const rack = (await rackOn(studio, paperId))!;
  const pick = await picker(picture.working);
  const blank = newPiece(piece.name, paperId);
  const bare: Piece = {
    ...withReference(blank, pictureId),
    areas: piece.areas.map((a, i) => ({
      ...newArea(`area-${i + 1}`, a.name),
      material: a.material,
      readings: {
        ...Object.fromEntries(Object.entries(a.picks).map(([place, at]) => [place, pick(at)])),
        ...Object.fromEntries(
          Object.entries(a.colours ?? {}).map(([place, hex]) => [
            place,
            { lab: hexToLab(hex)!, spread: 0, from: hex },
          ]),
        ),
      },
      white: a.white ?? false,
    })),
    light: { ...blank.light, ...piece.light },
    whole: { ...blank.whole, scene: piece.scene },
  };
  const flat = await setUpWhole(studio, piece, bare);
  const lit = { ...flat, areas: flat.areas.map((a, i) => inDepth(a, piece.areas[i]!, flat)) };
  // Groups are planned for how much of an area is light and how much dark; where its tones then end may move that a little.
  const placed = await withShares(studio, lit);
  const areas: Area[] = [];
  for (const [i, a] of piece.areas.entries())
    areas.push(await planned(rack, piece.scene, a, placed.areas[i]!));
  const document = await withShares(studio, { ...placed, areas });
  const { id } = await addPiece(studio, document);
  if (piece.halfDone) {
    const events = halfDone(document, rack);
    await addWorkEvents(studio, id, events);
    for (const e of weighedAround(events)) await addScaleEvent(studio, e);
    await addWorkEvents(studio, id, await stagesOf(studio, piece, document, rack, events));
  }
  await addWorkEvents(studio, id, [
    ...diaryOfDemo(
      piece.name,
      rack.markers.map((m) => m.code),
    ),
    ...comparedOfDemo(document),
  ]);
  await seedJudged(studio, document, rack);
  await seedColouring(studio, id, document, rack);
}

/** An area with its form and the places of its tones; an area of a photo lies in its sheet, not in its drawing. */
function inDepth(area: Area, { form, zones }: DemoArea, { setUp }: Piece): Area {
  if (!form && !zones) return area;
  return {
    ...area,
    ...(form && !setUp.line?.corners && { form: { ...DEFAULT_FORM, ...inShares(form) } }),
    ...(form && setUp.line?.corners && { form: { ...DEFAULT_FORM, ...form } }),
    ...(zones && { zones: { ...DEFAULT_AREA_TONES, ...zones } }),
  };
}

/** Reads patches of a picture. */
async function picker(working: Buffer) {
  const { data, info } = await sharp(working).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const scale = info.width / DRAWING.width;
  const side = Math.round(DRAWING.patch * scale);
  return ([x, y]: readonly [number, number]): PictureReading => {
    const left = Math.round(x * scale - side / 2);
    const top = Math.round(y * scale - side / 2);
    const rgba = new Uint8Array(side * side * 4);
    for (let row = 0; row < side; row++)
      rgba.set(
        data.subarray(((top + row) * info.width + left) * 4, ((top + row) * info.width + left + side) * 4),
        row * side * 4,
      );
    const { lab, spread } = readPatch(rgba);
    return {
      lab,
      spread,
      at: {
        x: left / info.width,
        y: top / info.height,
        width: side / info.width,
        height: side / info.height,
      },
    };
  };
}

async function planned(rack: Rack, scene: Scene, wish: DemoArea, blank: Area): Promise<Area> {
  const area: Area = {
    ...blank,
    material: wish.material,
    tones: wish.tones ?? null,
    school: wish.school ?? null,
    drift: wish.drift ?? blank.drift,
    note: wish.note ?? "",
  };
  const target = targetOf(area);
  if (!wish.kept || !target) return area;
  const group = await groupFor(rack, {
    target: asColours(target),
    tones: wish.tones ?? "auto",
    mm2: partOf(area),
    material: wish.material,
    school: schoolOf(area),
    shadow: wish.shadow ?? "best",
    drift: driftIn(scene, area.drift),
    ...(area.place?.shares && { shares: area.place.shares }),
  });
  if (!group) return area;
  const mids = midsOf(group.tones);
  const hints = await Promise.all((wish.hints ?? []).map((k) => shadowFor(rack, k, mids, target.shadow)));
  const pencil = wish.pencil && (await pencilFor(rack, wish.pencil, target, group.tones.at(-1)!.lab));
  if (pencil && wish.pencilAlone) return { ...area, layers: [pencil] };
  const layers: Layer[] = [
    ...asLayers(asKept(group.tones)),
    ...group.shade.map((l): Layer => ({ medium: "shadow", place: "shadow", ...l })),
    ...hints.filter((l) => l !== undefined),
    ...(pencil ? [pencil] : []),
    ...(wish.finish ?? []).map((f): Layer => ({ medium: "finish", ...f })),
  ];
  return { ...area, layers: inOrder(layers) };
}

interface PlannedTone {
  readonly code: string;
  readonly coats: number;
  readonly role: string;
  readonly lab: Lab;
  readonly carries?: true;
}

const plain = (tones: readonly { code: string; coats: number }[]) =>
  tones.map(({ code, coats }) => ({ code, coats }));

/** Tones as they are kept. */
const asKept = (tones: readonly PlannedTone[]) =>
  tones.map(({ code, coats, carries }) => ({ code, coats, ...(carries && { carries }) }));

/** A planned group as the demo keeps it. */
interface PlannedKept {
  readonly tones: readonly PlannedTone[];
  readonly shade: readonly Shade[];
}

/** The best group from what the studio owns. */
const groupFor = (rack: Rack, wish: object): Promise<PlannedKept | undefined> =>
  answerOf(
    "group",
    {
      ...deskOfRack(rack),
      sheet: { capacity: rack.paper.capacity },
      ...wish,
      ownedOnly: true,
      top: 1,
    },
    ({ groups: [best] }) =>
      best && {
        tones: best.tones.map(({ code, coats, role, lab }, i) => ({
          code,
          coats,
          role,
          lab,
          ...(i === best.local && { carries: true as const }),
        })),
        shade: best.shade,
      },
  );

/** Has the piece's groups known as they will lie, so that the bench and its pages show them from the first visit on. */
async function seedJudged(studio: Studio, piece: Piece, rack: Rack): Promise<void> {
  const questions = keptQuestions(rack, piece);
  const areas = questions.map(({ id, question }) => ({ id, ...question }));
  const groups = await answerOf("assessAreas", { ...deskOfRack(rack), areas }, (o) =>
    o.areas.map((a) => a.group),
  );
  await keepJudged(studio, new Map(questions.map(({ name }, i) => [`${build} ${name}`, groups[i]!])));
}

/** The two tones that carry the local colour. */
const midsOf = (tones: readonly PlannedTone[]) => {
  const mids = tones.filter((t) => t.role.includes("mid")).slice(0, 2);
  return plain(mids.length ? mids : tones.slice(0, 1));
};

/** The best shadow of a kind. */
const shadowFor = (
  rack: Rack,
  kind: ShadowKind,
  cover: readonly { code: string; coats: number }[],
  shadow: Lab | undefined,
): Promise<ShadowLayer | undefined> =>
  answerOf(
    "shadow",
    {
      ...deskOfRack(rack),
      cover,
      kinds: [kind],
      capacity: rack.paper.capacity,
      ownedOnly: true,
      ...(shadow && { shadow: { lab: [...shadow] } }),
    },
    ({ shadows: [best] }) =>
      best && {
        medium: "shadow",
        kind,
        code: best.code,
        coats: best.boldness?.enough ?? best.coats,
        place: kind === "warm hint" ? "light" : "shadow",
      },
  );

function pencilFor(
  rack: Rack,
  values: number,
  target: NonNullable<ReturnType<typeof targetOf>>,
  darkest: Lab,
): Promise<PencilLayer> {
  const {
    local,
    light = [Math.min(96, local[0] + 18), local[1] * 0.7, local[2] * 0.7],
    shadow = darkest,
  } = target;
  return answerOf(
    "pencilPlan",
    { ...deskOfRack(rack), ...asColours({ light, local, shadow }), values, ownedOnly: true },
    (plan) => ({
      medium: "pencil",
      base: plan.base?.code ?? null,
      steps: plan.steps.map((s) => ({ lightness: s.wanted.lab[0], onPaper: s.onPaper, layers: s.layers })),
      place: "all",
    }),
  );
}

/** Keeps the studio's groups, each planned from what it owns on its first paper. */
export async function seedGroups(studio: Studio, paperIds: readonly string[]): Promise<void> {
  const rack = (await rackOn(studio, paperIds[0]!))!;
  const kept: GroupFacts[] = [];
  for (const g of demoGroups) {
    const best = await groupFor(rack, {
      target: { lab: [...g.local] },
      tones: g.tones,
      shadow: "deeper",
      material: g.material,
      ...(g.contrast && { contrast: g.contrast }),
    });
    if (!best) continue;
    const kind = g.material === "black" ? "undertone" : "underlay";
    const under = g.underlay && (await shadowFor(rack, kind, midsOf(best.tones), undefined));
    kept.push({
      name: g.name,
      tags: g.tags,
      tones: asKept(best.tones),
      material: g.material,
      school: null,
      underlay: under ? { code: under.code, coats: under.coats } : null,
      results: (g.verdicts ?? []).map((verdict, i) => ({ paperId: paperIds[i]!, verdict, note: "" })),
      notes: g.notes ?? "",
    });
  }
  await keepGroups(studio, kept);
}
