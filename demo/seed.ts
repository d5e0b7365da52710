import { studios } from "@/store/studio-schema";
import { eq } from "drizzle-orm";
import { answerOf } from "./answers";
import { hexToLab } from "@/core/colour/display";
import { database } from "@/store/database";
import { deskOfRack } from "@/compute/from-rack";
import { decodePicture } from "@/store/decode-picture";
import { addPicture } from "@/store/pictures";
import { rackOn, type Rack } from "@/store/rack";
import { inks, papers, ranges, readings } from "@/store/schema";
import { addTrial, changeTrial } from "@/store/trials";
import { DEMO_STUDIO, type Studio } from "@/store/studio";
import { kiteMender } from "./kite-mender";
import { mothLantern } from "./moth-lantern";
import { tinFerry } from "./tin-ferry";
import { stampedPhoto } from "./seed-set-up";
import { seedFits } from "./seed-fits";
import { addEyeAnswers, addSheetScore } from "@/store/practice";
import { eyeOfDemo, sheetsOfDemo } from "./eye";
import { seedGroups, seedPiece } from "./seed-plans";
import { demoFamilies, demoMarkers, demoPapers, demoReadings } from "./markers";
import { saltmarshKey, skerryKey } from "./codes";
import { demoBlends } from "./blends";
import { demoDrawdowns, demoExtras, demoStrips } from "./extras";
import { demoChart, demoColorimeter, demoPhoto, pageOf, readingsOf } from "./swatchbook";
import { nameStack } from "@/core/formats/cgats";
import { linesAPage } from "@/core/chart/layout";
import { thinMarker, whiteCard } from "@/sim/paper-stock";
import { secondFamilies, secondRange } from "@/sim/second-range";
import { addBlends } from "@/store/blends";
import { addChart, addScan, storeScan } from "@/store/charts";
import { listPapers } from "@/store/papers";
import { addReadings } from "@/store/readings";

/** When somebody last looked how full the demo's markers are. */
const LOOKED_AT = new Date("2026-04-02T10:00:00Z");

/** Sets up the demo studio once; a studio that is there already is left as it is. */
export async function seedDemo(): Promise<void> {
  const db = database();
  const [there] = await db.select({ id: studios.id }).from(studios).where(eq(studios.slug, DEMO_STUDIO));
  if (there) return;
  console.error("blendt: setting up the demo studio");

  // All or nothing: a seeding that breaks off leaves no half studio behind.
  const { studio, paperIds } = await db.transaction(async (tx) => {
    const [studio] = await tx
      .insert(studios)
      .values({ slug: DEMO_STUDIO, name: "Saltmarsh Studio" })
      .returning({ id: studios.id, name: studios.name });
    const studioId = studio!.id;
    const [first, second, extras] = await tx
      .insert(ranges)
      .values([
        { studioId, name: "Saltmarsh range", families: demoFamilies, key: saltmarshKey },
        { studioId, name: "Skerry range", families: secondFamilies, key: skerryKey, createdAt: later(1) },
        {
          studioId,
          name: "Pencils and finishers",
          families: [...new Set(demoExtras.map((e) => e.family))],
          createdAt: later(2),
        },
      ])
      .returning({ id: ranges.id });
    await tx.insert(inks).values([
      ...demoMarkers().map((m) => ({ studioId, rangeId: first!.id, stateAt: LOOKED_AT, ...m })),
      ...secondRange().map(({ code, family }, i) => ({
        studioId,
        rangeId: second!.id,
        code,
        family,
        owned: false,
        wished: i % 7 === 3,
        state: "full",
      })),
      ...demoExtras.map((e) => ({ studioId, rangeId: extras!.id, owned: true, state: "fine", ...e })),
    ]);
    const paperIds: string[] = [];
    for (const [position, { stock, capacity, facts }] of demoPapers.entries()) {
      const { bare, coats } = demoReadings(stock);
      const [paper] = await tx
        .insert(papers)
        .values({ studioId, name: stock.name, lab: [...hexToLab(bare)!], capacity, position, ...facts })
        .returning({ id: papers.id });
      const paperId = paper!.id;
      paperIds.push(paperId);
      if (stock === thinMarker) continue;
      await tx.insert(readings).values(
        [...coats].flatMap(([code, own]) =>
          own.map((hex, i) => ({
            studioId,
            paperId,
            stack: Array<string>(i + 1).fill(code),
            lab: [...hexToLab(hex)!],
            hex,
            source: "scan" as const,
          })),
        ),
      );
      const drawn = demoDrawdowns().map(({ code, backing, lab }) => ({
        studioId,
        paperId,
        stack: [code],
        backing,
        lab: [...lab],
        source: "hand" as const,
      }));
      const strips = demoStrips(stock).map(({ stack, pressure, lab }) => ({
        studioId,
        paperId,
        stack,
        pressure,
        lab: [...lab],
        source: "hand" as const,
      }));
      const skerry = secondRange().flatMap((i) => [1, 2, 3].map((n) => Array<string>(n).fill(i.code)));
      const read = readingsOf(demoColorimeter(stock, skerry, skerry.map(nameStack), 5));
      await tx.insert(readings).values([
        ...drawn,
        ...strips,
        ...read.map(({ stack, lab, spread }) => ({
          studioId,
          paperId,
          stack: [...stack],
          lab: [...lab],
          spread,
          source: "colorimeter" as const,
        })),
      ]);
      if (stock === whiteCard) await addBlends(tx, studio!, paperId, demoBlends(stock));
    }
    return { studio: studio!, paperIds };
  });

  // A photo of a stamped sheet lies ready to try.
  const sheet = mothLantern.sheet;
  await addPicture(
    studio,
    await decodePicture(
      "stamped sheet on the table.jpg",
      await stampedPhoto("moth-lantern", sheet, 170, whiteCard, 8),
    ),
  );
  // What is read of a paper is read before anything is planned on it.
  await demoTrials(studio, (await rackOn(studio, paperIds[0]!))!);
  await seedPiece(studio, tinFerry, paperIds);
  await seedPiece(studio, mothLantern, paperIds);
  await seedPiece(studio, kiteMender, paperIds);
  await seedGroups(studio, paperIds);
  await addEyeAnswers(studio, null, eyeOfDemo(await familiesOwned(studio, paperIds[0]!)));
  for (const sheet of sheetsOfDemo()) await addSheetScore(studio, null, sheet);
  await halfReadPaper(studio, paperIds[2]!);
  await seedFits(studio, paperIds);
}

/** Ranges stand in the order in which they were made. */
const later = (seconds: number) => new Date(Date.now() + seconds * 1000);

/**
 * The third paper: every third ink of a chart measured with the colorimeter, its first page photographed and read with some cells in doubt,
 * and a photo of its second page at hand to be read.
 */
async function halfReadPaper(studio: Studio, paperId: string): Promise<void> {
  const lines = linesAPage("A4");
  const inRange = demoChart(1, 0, 2 * lines);
  const measured = inRange.lines
    .filter((_, i) => i % 3 === 1)
    .flatMap(({ label }) => [1, 2, 3].map((n) => Array<string>(n).fill(label)));
  const read = readingsOf(demoColorimeter(thinMarker, measured, measured.map(nameStack), 8));
  await addReadings(
    studio,
    paperId,
    read.map(({ stack, lab, spread }) => ({ stack, lab, spread, source: "colorimeter" as const })),
  );
  const chart = await addChart(studio, {
    paperId,
    title: "First two pages of the Saltmarsh range",
    sheet: "A4",
    lines: inRange.lines,
  });
  const paper = (await listPapers(studio)).find((p) => p.id === paperId)!;
  const glare = { x: 172, y: 236, radius: 7, strength: 0.9 };
  const first = await demoPhoto(thinMarker, pageOf(chart, 0), 4, { glare }, [7, 18]);
  const pictureId = (await addPicture(studio, await decodePicture("chart-1-page-1.jpg", first.jpeg))).id;
  await addPicture(
    studio,
    await decodePicture(
      "chart-1-page-2.jpg",
      (await demoPhoto(thinMarker, pageOf(chart, 1), 6, { turn: 88, lean: 250, lamp: 3300 })).jpeg,
    ),
  );
  const image = { width: first.width, height: first.height, rgb: Buffer.from(first.rgb).toString("base64") };
  const known = read.map(({ stack, lab }) => ({ stack, color: { lab } }));
  const { serial, sheet, lines: printed } = chart;
  const result = await answerOf(
    "readChart",
    { image, charts: [{ serial, sheet, lines: printed, paper: { lab: paper.lab }, known }] },
    (page) => page,
  );
  const decisions = result.cells.map((c) => (c.doubts.length ? ("open" as const) : ("accepted" as const)));
  const scan = await addScan(studio, { chartId: chart.id, pictureId, page: 0, result, decisions });
  await storeScan(studio, scan.id);
}

/** Two trials on white card: one read and judged, one waiting. */
async function demoTrials(studio: Studio, rack: Rack): Promise<void> {
  const stacks = [
    ["plum3c", "clay3m", "clay3m"],
    ["dusk2c", "corn4c"],
  ];
  const predicted = await answerOf("predict", { ...deskOfRack(rack), stacks }, (o) =>
    o.stacks.map(({ lab }) => ({ lab })),
  );
  const paperId = rack.paper.id;
  const tried = await addTrial(studio, { paperId, stack: stacks[0]!, predicted: predicted[0]!.lab });
  await addTrial(studio, { paperId, stack: stacks[1]!, predicted: predicted[1]!.lab });
  await addReadings(
    studio,
    paperId,
    readingsOf(demoColorimeter(whiteCard, [stacks[0]!], [nameStack(stacks[0]!)], 3)).map(
      ({ stack, lab, spread }) => ({ stack, lab, spread, source: "colorimeter" as const }),
    ),
  );
  await changeTrial(studio, tried.id, {
    verdict: "works",
    note: "Good under a chin: start bolder than feels right.",
  });
}

/** Families of which markers are owned and read on a paper. */
async function familiesOwned(studio: Studio, paperId: string): Promise<string[]> {
  const { markers } = (await rackOn(studio, paperId))!;
  return [...new Set(markers.filter((m) => m.owned && m.swatches.length).map((m) => m.family))].sort();
}
