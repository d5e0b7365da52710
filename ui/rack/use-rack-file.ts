"use client";
import { proxy, wrap, type Remote } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { CodeKey } from "@/core/codes/key";
import { type Mapping, type RackFileRow } from "@/core/stock/rack-file";
import { messageOf } from "@/ui/send";
import type { RackFileApi, RackFileCount, RackFileHead } from "@/workers/rack-file";

interface Opened {
  readonly thread: Worker;
  readonly remote: Remote<RackFileApi>;
}

function openWorker(): Opened {
  const thread = new Worker(new URL("../../workers/rack-file.worker.ts", import.meta.url), {
    type: "module",
  });
  return { thread, remote: wrap<RackFileApi>(thread) };
}

/** A file that is read beside the page, and what is known of it so far. */
export function useRackFile(key: CodeKey | null) {
  const own = useRef<Opened>(undefined);
  const source = useRef<File>(undefined);
  const [head, setHead] = useState<RackFileHead>();
  const [mapping, setMapping] = useState<Mapping>({});
  const [count, setCount] = useState<RackFileCount>();
  const [reading, setReading] = useState<number>();
  const [trouble, setTrouble] = useState<string>();

  const close = useCallback(() => {
    own.current?.thread.terminate();
    own.current = undefined;
    setReading(undefined);
  }, []);
  useEffect(() => close, [close]);

  /** Does something with the worker unless another file, or nothing, has taken its place meanwhile. */
  const during = async (at: Opened, work: (onProgress: (s: number) => void) => Promise<void>) => {
    setReading(0);
    at.thread.onerror = () => {
      setTrouble("The file is too large for this browser. Bring it in in parts.");
      close();
    };
    try {
      await work(proxy((s: number) => own.current === at && setReading(s)));
    } catch (e) {
      setTrouble(messageOf(e));
    }
    if (own.current === at) setReading(undefined);
  };
  const readBy = async (at: Opened, by: Mapping, onProgress: (s: number) => void) => {
    const read = by.code === undefined ? undefined : await at.remote.read(by, key, onProgress);
    if (own.current === at) setCount(read);
  };
  const choose = async (chosen: File, sheet = 0) => {
    source.current = chosen;
    close();
    setTrouble(undefined);
    setHead(undefined);
    setCount(undefined);
    const at = (own.current = openWorker());
    await during(at, async (onProgress) => {
      const answer = await at.remote.open(chosen.name, await chosen.arrayBuffer(), onProgress, sheet);
      if (own.current !== at) return;
      if (!answer.ok) return setTrouble(`“${chosen.name}” cannot be read: ${answer.message}.`);
      const { guess } = answer.is;
      setHead(answer.is);
      setMapping(guess);
      await readBy(at, guess, onProgress);
    });
  };
  /** Another sheet of the same spreadsheet. */
  const turnTo = (sheet: number) => (source.current ? choose(source.current, sheet) : Promise.resolve());
  const map = async (by: Mapping) => {
    setMapping(by);
    const at = own.current;
    if (at) await during(at, (onProgress) => readBy(at, by, onProgress));
  };
  // Families come from the key, so another range reads the rows anew.
  const latest = useRef(() => map(mapping));
  useEffect(() => {
    latest.current = () => map(mapping);
  });
  useEffect(() => void latest.current(), [key]);

  const rows = async (from: number, most: number): Promise<readonly RackFileRow[]> =>
    (await own.current?.remote.rows(from, most)) ?? [];
  const badRows = async (): Promise<string> => (await own.current?.remote.badRows()) ?? "";
  return { head, mapping, count, reading, trouble, choose, turnTo, map, rows, badRows, stop: close };
}
