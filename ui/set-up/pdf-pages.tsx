"use client";
import { wrap, type Remote } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { PdfAnswer, PdfApi } from "@/workers/pdf-file";
import { Modal } from "@/ui/kit/modal";
import { messageOf } from "@/ui/send";

/** How long a page may take to be drawn, ms. */
const LONGEST = 25_000;

/** A page of a PDF as a picture, with its width on paper, mm. */
export interface PdfPicture {
  readonly file: File;
  readonly mm: number;
}

export const isPdf = (file: File): boolean => file.type === "application/pdf" || /\.pdf$/i.test(file.name);

interface Opened {
  readonly thread: Worker;
  readonly remote: Remote<PdfApi>;
  readonly name: string;
}

/** A promise that is given up when it takes too long. */
const inTime = <T,>(work: Promise<T>): Promise<T> =>
  Promise.race([
    work,
    new Promise<never>((_, reject) =>
      setTimeout(() => reject(new Error("it takes too long to draw")), LONGEST),
    ),
  ]);

/** Pages of a PDF, of which one is chosen; a single page is taken at once. Drawn in a worker of its own, which ends with it. */
export function usePdf(onPicture: (picture: PdfPicture) => void) {
  const own = useRef<Opened>(undefined);
  const [pages, setPages] = useState<number>();
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const close = () => {
    own.current?.thread.terminate();
    own.current = undefined;
    setPages(undefined);
    setBusy(false);
  };
  useEffect(() => () => own.current?.thread.terminate(), []);
  const failed = (name: string, why: string) => {
    close();
    setTrouble(`“${name}” cannot be opened: ${why}.`);
  };
  const take = async (n: number) => {
    const at = own.current;
    if (!at) return;
    setBusy(true);
    try {
      const { png, mm } = await inTime(at.remote.draw(n));
      if (own.current !== at) return;
      const name = at.name.replace(/\.pdf$/i, "") + (pages && pages > 1 ? ` page ${n}` : "");
      close();
      onPicture({ file: new File([png], `${name}.png`, { type: "image/png" }), mm });
    } catch (e) {
      failed(at.name, messageOf(e));
    }
  };
  const open = async (file: File) => {
    close();
    setTrouble(undefined);
    setBusy(true);
    const thread = new Worker(new URL("../../workers/pdf-file.worker.ts", import.meta.url), {
      type: "module",
    });
    const at = (own.current = { thread, remote: wrap<PdfApi>(thread), name: file.name });
    thread.onerror = () => failed(file.name, "it is damaged, or too large for this browser");
    try {
      const answer = await inTime<PdfAnswer<number>>(at.remote.open(await file.arrayBuffer()));
      if (own.current !== at) return;
      if (!answer.ok) return failed(file.name, answer.message);
      setBusy(false);
      if (answer.is === 1) await take(1);
      else setPages(answer.is);
    } catch (e) {
      failed(file.name, messageOf(e));
    }
  };
  return {
    open,
    close,
    take,
    pages,
    trouble,
    busy,
    thumbOf: (n: number) => inTime(own.current!.remote.thumb(n)),
  };
}

/** Chooses one of a PDF's pages. */
export function PdfPages({ pdf }: { readonly pdf: ReturnType<typeof usePdf> }) {
  return (
    <Modal open={pdf.pages !== undefined} title="Which page?" onClose={pdf.close} wide>
      {pdf.pages !== undefined && (
        <ul className="m-0 grid max-h-[60vh] list-none grid-cols-[repeat(auto-fill,minmax(130px,1fr))] gap-3 overflow-y-auto p-1">
          {Array.from({ length: pdf.pages }, (_, i) => (
            <li key={i}>
              <button
                className="button h-full w-full flex-col gap-1 p-1.5"
                disabled={pdf.busy}
                onClick={() => void pdf.take(i + 1)}
              >
                <Thumb n={i + 1} thumbOf={pdf.thumbOf} />
                Page {i + 1}
              </button>
            </li>
          ))}
        </ul>
      )}
    </Modal>
  );
}

/** A page's small picture, drawn once it is in view. */
function Thumb({ n, thumbOf }: { readonly n: number; readonly thumbOf: (n: number) => Promise<Blob> }) {
  const frame = useRef<HTMLSpanElement>(null);
  const [url, setUrl] = useState<string>();
  const draw = useRef(thumbOf);
  useEffect(() => {
    let gone = false;
    let made: string | undefined;
    const watch = new IntersectionObserver(([entry]) => {
      if (!entry?.isIntersecting) return;
      watch.disconnect();
      draw.current(n).then(
        (png) => !gone && setUrl((made = URL.createObjectURL(png))),
        () => undefined,
      );
    });
    if (frame.current) watch.observe(frame.current);
    return () => {
      gone = true;
      watch.disconnect();
      if (made) URL.revokeObjectURL(made);
    };
  }, [n]);
  return (
    <span ref={frame} className="grid h-36 w-full place-items-center bg-white">
      {url && <img src={url} alt="" className="max-h-36 max-w-full border border-line" />}
    </span>
  );
}
