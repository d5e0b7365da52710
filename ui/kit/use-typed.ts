"use client";
import { useEffect, useRef, useState } from "react";
import { keepTyped, typedBefore } from "./typed-drafts";

/** Rest after the last letter, ms, after which what is typed is kept. */
const REST = 250;

const studioHere = () => document.querySelector<HTMLMetaElement>('meta[name="blendt-studio"]')?.content ?? "";

type Timer = ReturnType<typeof setTimeout> | undefined;

interface Own {
  /** What stands in the field now, and what is kept of it elsewhere. */
  now: string;
  stored: string;
  key: string;
  timer: Timer;
}

/** Keeps what has been typed since the last time. */
function keep(o: Own): void {
  if (o.timer === undefined) return;
  clearTimeout(o.timer);
  o.timer = undefined;
  void keepTyped(o.key, o.now === o.stored ? "" : o.now, Date.now());
}

/**
 * Text of a field that outlives its page: kept in the browser as it is typed, there again when the field comes back, until it is done with. Each
 * studio has its own.
 * @param field names the field among all of the studio's
 * @param stored what is kept of it elsewhere
 */
export function useTyped(field: string, stored = "") {
  const [text, setText] = useState(stored);
  const [isBack, setBack] = useState(false);
  const own = useRef<Own>({ now: stored, stored, key: "", timer: undefined });
  useEffect(() => {
    const o = own.current;
    // What came from elsewhere while nothing was typed is what stands there.
    if (o.now === o.stored) o.now = stored;
    o.stored = stored;
  }, [stored]);
  useEffect(() => {
    const o = own.current;
    o.key = `${studioHere()} ${field}`;
    let gone = false;
    void typedBefore(o.key, Date.now()).then((before) => {
      // Whoever has typed meanwhile is right.
      if (gone || before === undefined || before === o.stored || o.now !== o.stored) return;
      o.now = before;
      setText(before);
      setBack(true);
    });
    const flush = () => keep(o);
    window.addEventListener("pagehide", flush);
    document.addEventListener("visibilitychange", flush);
    return () => {
      gone = true;
      flush();
      window.removeEventListener("pagehide", flush);
      document.removeEventListener("visibilitychange", flush);
    };
  }, [field]);
  const type = (next: string) => {
    const o = own.current;
    o.now = next;
    setText(next);
    setBack(false);
    clearTimeout(o.timer);
    o.timer = setTimeout(() => keep(o), REST);
  };
  return {
    text,
    type,
    /** It stands there from before, and was kept nowhere else. */
    isBack,
    /** It is kept elsewhere now, or dropped: the field begins anew with a text. */
    done: (next = "") => {
      const o = own.current;
      clearTimeout(o.timer);
      o.timer = undefined;
      o.now = next;
      setText(next);
      setBack(false);
      void keepTyped(o.key, "", Date.now());
    },
  };
}
