"use client";
import { useCallback, useEffect, useState } from "react";
import type { DrawingFacts } from "@/store/pictures";
import { messageOf, pictureUrl, send, sendPicture } from "@/ui/send";

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
  const getting = async (get: () => Promise<DrawingFacts>): Promise<DrawingFacts | undefined> => {
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
    getting(async () => factsOf((await sendPicture<DrawingFacts>(file, file.name)).id));
  /** A picture that lies in the studio. */
  const find = (id: string) => getting(() => factsOf(id));
  return { known, take, find, busy, trouble, dismiss: () => setTrouble(undefined) };
}
