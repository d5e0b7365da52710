"use client";
import { drawingQuestion } from "@/compute/piece-questions";
import { luminanceOf } from "@/core/colour/rgb";
import { useEffect, useState } from "react";
import { neutralGains, type Gains, type PhotoDoubts } from "@/core/picture/balance";
import type { Area, PictureReading, Place, Piece } from "@/core/piece/piece";
import type { Reference } from "@/core/piece/set-up";
import type { ProposedReadings } from "@/core/picture/propose-readings";
import type { DrawingFacts, PictureFacts } from "@/store/pictures";
import { askOfPicture } from "@/ui/jobs/client";
import { useRun } from "@/ui/piece/piece-context";
import { messageOf } from "@/ui/send";
import { isMixed, readInWords } from "@/words/patch";
import { asked } from "./use-drawing";

/** Shares of a picture that a point stands for when its colour is read. */
const SPOT = 0.006;

/** What makes a reference a poor witness of colour; undefined until it was looked over. */
export function useDoubts(picture: PictureFacts | undefined): PhotoDoubts | undefined {
  const [found, setFound] = useState<{ id: string; doubts: PhotoDoubts }>();
  useEffect(() => {
    if (!picture) return;
    const stop = new AbortController();
    askOfPicture("findSheet", asked(picture), {}, { signal: stop.signal }).then(
      ({ doubts }) => setFound({ id: picture.id, doubts }),
      () => undefined,
    );
    return () => stop.abort();
  }, [picture]);
  return found?.id === picture?.id ? found?.doubts : undefined;
}

/** Gains that make a spot of a reference neutral and keep its exposure. */
export async function gainsAt(
  picture: PictureFacts,
  [x, y]: readonly [number, number],
  { gains }: Reference,
): Promise<Gains> {
  const box = { x: Math.max(0, x - SPOT / 2), y: Math.max(0, y - SPOT / 2), width: SPOT, height: SPOT };
  const { levels } = await askOfPicture("readPatch", asked(picture), { box });
  const exposure = luminanceOf(...gains);
  const clamp = (v: number) => Math.min(50, Math.max(0.02, v * exposure));
  const [r, g, b] = neutralGains(levels);
  return [clamp(r), clamp(g), clamp(b)];
}

/** Proposed readings as a piece keeps them. */
export function asReadings(found: ProposedReadings): { readonly [P in Place]?: PictureReading } {
  const places = (["light", "local", "shadow"] as const).flatMap((place) => {
    const r = found[place];
    if (!r) return [];
    const at = {
      x: Math.max(0, r.at[0] - SPOT / 2),
      y: Math.max(0, r.at[1] - SPOT / 2),
      width: Math.min(SPOT, 1 - Math.max(0, r.at[0] - SPOT / 2)),
      height: Math.min(SPOT, 1 - Math.max(0, r.at[1] - SPOT / 2)),
    };
    return [[place, { lab: r.lab, spread: r.spread, at }] as const];
  });
  return Object.fromEntries(places);
}

/** Light, local colour and shadow of areas as the reference at hand shows them. */
async function proposed(
  piece: Piece,
  drawing: DrawingFacts,
  picture: PictureFacts,
  reference: Reference,
  ids: readonly string[],
) {
  const claims = piece.areas.flatMap((a) => (a.place && !a.white ? [{ id: a.id, at: a.place.at }] : []));
  // Kept in the worker as a rule, and worked out again where it is not.
  const { drawing: key } = await askOfPicture("setUp", asked(drawing), {
    ...drawingQuestion(piece, drawing),
    claims,
  });
  const { areas } = await askOfPicture("readAreas", asked(picture), {
    drawing: key,
    claims,
    pairs: reference.pairs,
    gains: reference.gains,
  });
  return areas.flatMap(({ id, ...found }) => {
    const readings = asReadings(found);
    return ids.includes(String(id)) && Object.keys(readings).length ? [{ id: String(id), readings }] : [];
  });
}

/** Reads the colours of the chosen areas, or of all that have none, out of the reference, and says what came of it. */
export function usePropose(
  piece: Piece,
  drawing: DrawingFacts | undefined,
  picture: PictureFacts | undefined,
  reference: Reference | undefined,
  chosen: ReadonlySet<string>,
  onTrouble: (says: string | undefined) => void,
) {
  const run = useRun();
  const [readSaid, setReadSaid] = useState<string>();
  const propose = async () => {
    if (!drawing || !picture || !reference) return;
    onTrouble(undefined);
    setReadSaid(undefined);
    const picked = piece.areas.filter((a) => chosen.has(a.id));
    // Asked for all of them, what was picked by hand stays.
    const wanted = picked.length ? picked : piece.areas.filter((a) => !Object.keys(a.readings).length);
    try {
      const areas = await proposed(
        piece,
        drawing,
        picture,
        reference,
        wanted.map((a) => a.id),
      );
      if (!areas.length) {
        onTrouble("The reference shows nothing of these areas: align it with the drawing first.");
        return;
      }
      run({ type: "propose readings", areas });
      const read = new Map(areas.map((a) => [a.id, a.readings]));
      const named = (of: (area: Area) => boolean) => wanted.filter(of).map((a) => a.name);
      const isUneven = (a: Area) => isMixed(read.get(a.id)?.local?.spread ?? 0);
      const isUnseen = (a: Area) => !read.has(a.id) && a.place !== null && !a.white;
      setReadSaid(
        readInWords(
          named((a) => read.has(a.id)),
          named(isUneven),
          named(isUnseen),
        ),
      );
    } catch (e) {
      onTrouble(messageOf(e));
    }
  };
  return { propose, readSaid };
}
