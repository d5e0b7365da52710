import { eq } from "drizzle-orm";
import { runOperation } from "@/compute/run";
import { readPatch } from "@/core/picture/patch";
import { targetOf, newPiece, type Area, type PictureReading, type Piece } from "@/core/piece/piece";
import { hexToLab } from "@/core/colour/display";
import { database } from "@/store/database";
import { deskOfRack } from "@/compute/from-rack";
import { decodePicture } from "@/store/decode-picture";
import { addPicture } from "@/store/pictures";
import { addPiece } from "@/store/pieces";
import { rackOn, type Rack } from "@/store/rack";
import { inks, papers, ranges, studios, swatches } from "@/store/schema";
import { DEMO_STUDIO } from "@/store/studio";
import sharp from "sharp";
import { paintedReference } from "./art";
import { DRAWING, kiteMenderAreas } from "./kite-mender";
import { demoFamilies, demoMarkers, demoPapers, demoReadings } from "./markers";

/** Sets up the demo studio once; a studio that is there already is left as it is. */
export async function seedDemo(): Promise<void> {
  const db = database();
  const [there] = await db.select({ id: studios.id }).from(studios).where(eq(studios.slug, DEMO_STUDIO));
  if (there) return;
  console.error("blendt: setting up the demo studio");
  const picture = await decodePicture("the-kite-mender.png", await paintedReference("kite-mender"));

  // All or nothing: a seeding that breaks off leaves no half studio behind.
  const { studio, paperIds } = await db.transaction(async (tx) => {
    const [studio] = await tx.insert(studios).values({ slug: DEMO_STUDIO, name: "Saltmarsh Studio" }).returning({ id: studios.id, name: studios.name });
    const studioId = studio!.id;
    const [range] = await tx.insert(ranges).values({ studioId, name: "Saltmarsh range", families: demoFamilies }).returning({ id: ranges.id });
    const markers = await tx
      .insert(inks)
      .values(demoMarkers().map((m) => ({ studioId, rangeId: range!.id, ...m })))
      .returning({ id: inks.id, code: inks.code });
    const paperIds: string[] = [];
    for (const [position, { stock, capacity }] of demoPapers.entries()) {
      const { bare, coats } = demoReadings(stock);
      const [paper] = await tx.insert(papers).values({ studioId, name: stock.name, lab: [...hexToLab(bare)!], capacity, position }).returning({ id: papers.id });
      paperIds.push(paper!.id);
      await tx.insert(swatches).values(
        markers.flatMap(({ id, code }) =>
          coats.get(code)!.map((hex, i) => ({ studioId, inkId: id, paperId: paper!.id, coats: i + 1, lab: [...hexToLab(hex)!], hex, source: "scan" })),
        ),
      );
    }
    return { studio: studio!, paperIds };
  });

  const { id: pictureId } = await addPicture(studio, picture);
  const rack = (await rackOn(studio, paperIds[0]!))!;
  const areas = await plannedAreas(rack, picture.working);
  const piece: Piece = { ...newPiece("The Kite Mender", paperIds[0]!), pictureId, areas };
  await addPiece(studio, piece);
}

async function plannedAreas(rack: Rack, working: Buffer): Promise<Area[]> {
  const { data, info } = await sharp(working).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const scale = info.width / DRAWING.width;
  const side = Math.round(DRAWING.patch * scale);
  const pick = ([x, y]: readonly [number, number]): PictureReading => {
    const left = Math.round(x * scale - side / 2);
    const top = Math.round(y * scale - side / 2);
    const rgba = new Uint8Array(side * side * 4);
    for (let row = 0; row < side; row++) rgba.set(data.subarray(((top + row) * info.width + left) * 4, ((top + row) * info.width + left + side) * 4), row * side * 4);
    const { lab, spread } = readPatch(rgba);
    return { lab, spread, at: { x: left / info.width, y: top / info.height, width: side / info.width, height: side / info.height } };
  };
  const out: Area[] = [];
  for (const [i, { name, tones, picks, kept, note }] of kiteMenderAreas.entries()) {
    const readings = Object.fromEntries(Object.entries(picks).map(([place, at]) => [place, pick(at)]));
    const area: Area = { id: `area-${i + 1}`, name, readings, tones, contrast: null, ownedOnly: true, group: null, note: note ?? "" };
    const target = targetOf(area);
    if (!kept || !target) {
      out.push(area);
      continue;
    }
    const { groups } = await runOperation("group", { ...deskOfRack(rack, true), target: labTarget(target), tones, top: 1 });
    out.push({ ...area, group: groups[0] ? { tones: groups[0].tones.map(({ code, coats }) => ({ code, coats })) } : null });
  }
  return out;
}

const labTarget = (target: NonNullable<ReturnType<typeof targetOf>>) => Object.fromEntries(Object.entries(target).map(([k, lab]) => [k, { lab }]));
