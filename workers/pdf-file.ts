import { getDocument, type PDFDocumentProxy } from "pdfjs-dist/build/pdf.mjs";
// Beside its own pages it needs its reader in this same thread.
import "pdfjs-dist/build/pdf.worker.mjs";

/** Most bytes, pages, dots an inch, and pixels along a page's long side. */
const MOST_BYTES = 30 * 1024 * 1024;
const MOST_PAGES = 400;
const DPI = 300;
const LONGEST = 5000;
const THUMB = 220;

/** Points of a page are of 1/72 inch. */
const POINT = 25.4 / 72;

export interface PdfPage {
  readonly width: number;
  readonly height: number;
}

export type PdfAnswer<T> =
  { readonly ok: true; readonly is: T } | { readonly ok: false; readonly message: string };

/** Canvases that need no page to live in. */
class Canvases {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(Math.max(1, width), Math.max(1, height));
    return { canvas, context: canvas.getContext("2d", { willReadFrequently: true }) };
  }
  reset({ canvas }: { canvas: OffscreenCanvas }, width: number, height: number) {
    canvas.width = Math.max(1, width);
    canvas.height = Math.max(1, height);
  }
  destroy({ canvas }: { canvas: OffscreenCanvas }) {
    canvas.width = canvas.height = 0;
  }
}

/** What would need a page to live in is left out: a page's own colours stand. */
class NoFilters {
  addFilter = () => "none";
  addHCMFilter = () => "none";
  addAlphaFilter = () => "none";
  addLuminosityFilter = () => "none";
  addHighlightHCMFilter = () => "none";
  destroy = () => undefined;
}

/** One PDF, opened beside the page: its pages are drawn, nothing in it runs, is fetched or followed. */
export function pdfFile() {
  let document: PDFDocumentProxy | undefined;
  const drawn = async (n: number, scaleOf: (page: PdfPage) => number) => {
    const page = await document!.getPage(n);
    const natural = page.getViewport({ scale: 1 });
    const size = { width: natural.width * POINT, height: natural.height * POINT };
    const viewport = page.getViewport({ scale: scaleOf(natural) });
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(viewport.width)),
      Math.max(1, Math.round(viewport.height)),
    );
    const canvasContext = canvas.getContext("2d") as unknown as CanvasRenderingContext2D;
    await page.render({ canvasContext, viewport, background: "#ffffff", annotationMode: 0 }).promise;
    page.cleanup();
    return { png: await canvas.convertToBlob({ type: "image/png" }), size };
  };
  return {
    /** Says how many pages there are. */
    async open(bytes: ArrayBuffer): Promise<PdfAnswer<number>> {
      if (bytes.byteLength > MOST_BYTES) return { ok: false, message: "it has more than 30 MB" };
      try {
        document = await getDocument({
          data: new Uint8Array(bytes),
          CanvasFactory: Canvases,
          FilterFactory: NoFilters,
          disableFontFace: true,
          isEvalSupported: false,
          enableXfa: false,
          useSystemFonts: false,
          disableAutoFetch: true,
          disableStream: true,
          verbosity: 0,
        } as unknown as Parameters<typeof getDocument>[0]).promise;
      } catch (e) {
        const name = (e as Error).name;
        return {
          ok: false,
          message:
            name === "PasswordException"
              ? "it is locked with a password: save it without one"
              : "it is damaged, or no PDF",
        };
      }
      const { numPages } = document;
      return numPages <= MOST_PAGES
        ? { ok: true, is: numPages }
        : { ok: false, message: `it has ${numPages} pages; at most ${MOST_PAGES} can be looked through` };
    },
    /** A small picture of a page, from 1. */
    thumb: async (n: number): Promise<Blob> =>
      (await drawn(n, ({ width, height }) => THUMB / Math.max(width, height))).png,
    /** A page as it prints, 300 dots an inch as long as it is no poster, and its width on paper, mm. */
    async draw(n: number): Promise<{ readonly png: Blob; readonly mm: number }> {
      const { png, size } = await drawn(n, ({ width, height }) =>
        Math.min(DPI / 72, LONGEST / Math.max(width, height)),
      );
      return { png, mm: size.width };
    },
  };
}

export type PdfApi = ReturnType<typeof pdfFile>;
