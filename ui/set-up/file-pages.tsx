"use client";
import { wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { PdfAnswer, PdfApi } from "@/workers/pdf-file";
import { Modal } from "@/ui/kit/modal";
import type { PictureFilePage } from "@/store/picture-pages";
import { messageOf, send, sendForFile } from "@/ui/send";

/** How long a page may take to be drawn, ms. */
const LONGEST = 25_000;

/** A page of a file as a picture, with its width on paper, mm, where the file says it. */
export interface PagePicture {
  readonly file: File;
  readonly mm?: number;
}

/** A file of several pages, opened: each can be seen small, and drawn. */
interface Opened {
  readonly name: string;
  readonly pages: number;
  readonly thumb: (n: number) => Promise<Blob | undefined>;
  readonly draw: (n: number) => Promise<PagePicture>;
  readonly end: () => void;
}

const isPdf = (file: File): boolean => file.type === "application/pdf" || /\.pdf$/i.test(file.name);
const hasFrames = (file: File): boolean =>
  /^image\/(tiff|gif)$/.test(file.type) || /\.(tiff?|gif)$/i.test(file.name);

/** Whether a file may have several pages of which one is to be chosen. */
export const hasPages = (file: File): boolean => isPdf(file) || hasFrames(file);

/** A promise that is given up when it takes too long. */
const inTime = <T,>(work: Promise<T>): Promise<T> =>
  Promise.race([
    work,
    new Promise<never>((_, reject) =>
      setTimeout(() => reject(new Error("it takes too long to draw")), LONGEST),
    ),
  ]);

const called = (file: File, n: number, pages: number): string =>
  `${file.name.replace(/\.\w{1,5}$/, "")}${pages > 1 ? ` page ${n}` : ""}.png`;

/** A PDF, in a worker of its own that ends with it. */
async function openPdf(file: File, onGone: () => void): Promise<Opened> {
  const thread = new Worker(new URL("../../workers/pdf-file.worker.ts", import.meta.url), { type: "module" });
  thread.onerror = onGone;
  const remote = wrap<PdfApi>(thread);
  try {
    const answer = await inTime<PdfAnswer<number>>(remote.open(await file.arrayBuffer()));
    if (!answer.ok) throw new Error(answer.message);
    const pages = answer.is;
    return {
      name: file.name,
      pages,
      thumb: (n) => inTime(remote.thumb(n)),
      draw: async (n) => {
        const { png, mm } = await inTime(remote.draw(n));
        return { file: new File([png], called(file, n, pages), { type: "image/png" }), mm };
      },
      end: () => thread.terminate(),
    };
  } catch (e) {
    thread.terminate();
    throw e;
  }
}

/** A TIFF or GIF, whose pages the server takes apart; one of a single page goes on as it is. */
async function openFrames(file: File): Promise<Opened> {
  const form = (page?: number) => {
    const own = new FormData();
    own.set("picture", file);
    if (page !== undefined) own.set("page", String(page));
    return own;
  };
  const { pages } = await send<{ pages: PictureFilePage[] }>("POST", "/api/pictures/pages", form());
  const mmOf = (n: number) => pages[n - 1]?.mm ?? undefined;
  return {
    name: file.name,
    pages: pages.length,
    thumb: (n) => {
      const small = pages[n - 1]?.small;
      return Promise.resolve(
        small
          ? new Blob([Uint8Array.from(atob(small), (c) => c.charCodeAt(0))], { type: "image/webp" })
          : undefined,
      );
    },
    draw: async (n) => {
      if (pages.length === 1) return { file, mm: mmOf(1) };
      const png = await sendForFile("POST", "/api/pictures/pages", form(n));
      return { file: new File([png], called(file, n, pages.length), { type: "image/png" }), mm: mmOf(n) };
    },
    end: () => undefined,
  };
}

/** Pages of a file, of which one is chosen; a single page is taken at once. */
export function usePages(onPicture: (picture: PagePicture) => void) {
  const own = useRef<Opened>(undefined);
  const turn = useRef(0);
  const [pages, setPages] = useState<number>();
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const close = () => {
    turn.current++;
    own.current?.end();
    own.current = undefined;
    setPages(undefined);
    setBusy(false);
  };
  useEffect(() => () => own.current?.end(), []);
  const failed = (name: string, why: string) => {
    close();
    setTrouble(`“${name}” cannot be opened: ${why.replace(/\.$/, "")}.`);
  };
  const take = async (n: number) => {
    const at = own.current;
    if (!at) return;
    setBusy(true);
    try {
      const picture = await at.draw(n);
      if (own.current !== at) return;
      close();
      onPicture(picture);
    } catch (e) {
      failed(at.name, messageOf(e));
    }
  };
  const open = async (file: File) => {
    close();
    const its = turn.current;
    setTrouble(undefined);
    setBusy(true);
    try {
      const at = isPdf(file)
        ? await openPdf(file, () => failed(file.name, "it is damaged, or too large for this browser"))
        : await openFrames(file);
      if (turn.current !== its) return at.end();
      own.current = at;
      setBusy(false);
      if (at.pages === 1) await take(1);
      else setPages(at.pages);
    } catch (e) {
      if (turn.current === its) failed(file.name, messageOf(e));
    }
  };
  return {
    open,
    close,
    take,
    pages,
    trouble,
    busy,
    thumbOf: async (n: number) => own.current?.thumb(n),
  };
}

/** Chooses one of a file's pages. */
export function FilePages({ of }: { readonly of: ReturnType<typeof usePages> }) {
  return (
    <Modal open={of.pages !== undefined} title="Which page?" onClose={of.close} wide>
      {of.pages !== undefined && (
        <ul className="m-0 grid max-h-[60vh] list-none grid-cols-[repeat(auto-fill,minmax(130px,1fr))] gap-3 overflow-y-auto p-1">
          {Array.from({ length: of.pages }, (_, i) => (
            <li key={i}>
              <button
                className="button h-full w-full flex-col gap-1 p-1.5"
                disabled={of.busy}
                onClick={() => void of.take(i + 1)}
              >
                <Thumb n={i + 1} thumbOf={of.thumbOf} />
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
function Thumb({
  n,
  thumbOf,
}: {
  readonly n: number;
  readonly thumbOf: (n: number) => Promise<Blob | undefined>;
}) {
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
        (png) => !gone && png && setUrl((made = URL.createObjectURL(png))),
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
