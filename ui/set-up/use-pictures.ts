"use client";
import { useCallback, useEffect, useState } from "react";
import type { DrawingFacts } from "@/store/pictures";
import { messageOf, pictureUrl, send, sendPicture } from "@/ui/send";

/** A picture that was just taken in: also what its file says of its width on paper, mm, and what of it is not drawn. */
export interface TakenPicture extends DrawingFacts {
  readonly mm?: number;
  readonly leftOut?: readonly string[];
}

/** What is known of the pictures of a piece; those that are not known yet are asked for. */
export function usePictures(ids: readonly string[]) {
  const [known, setKnown] = useState<ReadonlyMap<string, DrawingFacts>>(new Map());
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const missing = ids.filter((id) => !known.has(id)).join();
  const keep = useCallback((facts: DrawingFacts) => setKnown((k) => new Map(k).set(facts.id, facts)), []);
  useEffect(() => {
    if (!missing) return;
    const stop = new AbortController();
    for (const id of missing.split(","))
      send<DrawingFacts>("GET", `${pictureUrl(id)}/facts`, undefined, stop.signal).then(
        keep,
        (e: unknown) => {
          if (!stop.signal.aborted) setTrouble(messageOf(e));
        },
      );
    return () => stop.abort();
  }, [missing, keep]);
  const getting = async (get: () => Promise<TakenPicture>): Promise<TakenPicture | undefined> => {
    setBusy(true);
    setTrouble(undefined);
    try {
      const facts = await get();
      keep(facts);
      return facts;
    } catch (e) {
      setTrouble(messageOf(e));
      return undefined;
    } finally {
      setBusy(false);
    }
  };
  const factsOf = (id: string) => send<DrawingFacts>("GET", `${pictureUrl(id)}/facts`);
  /** Sends a picture to the studio. */
  const take = (file: File) =>
    getting(async () => {
      const { id, mm, leftOut } = await sendPicture<TakenPicture>(file, file.name);
      return { ...(await factsOf(id)), ...(mm !== undefined && { mm }), ...(leftOut && { leftOut }) };
    });
  /** A picture that lies in the studio. */
  const find = (id: string) => getting(() => factsOf(id));
  return { known, take, find, busy, trouble, dismiss: () => setTrouble(undefined) };
}
