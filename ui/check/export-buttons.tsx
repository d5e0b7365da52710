"use client";
import { Download } from "lucide-react";
import { useRef, useState } from "react";
import { Progress } from "@/ui/jobs/progress";
import { saveFile } from "@/ui/save-file";
import { messageOf } from "@/ui/send";
import {
  colouringPng,
  guidePdf,
  layeredPicture,
  toneMapDrawing,
  type Watching,
  type Outgoing,
} from "./exports";
import type { Check } from "./use-check";

/** Widths that the colouring is given in, pixels; the drawing's own comes with them. */
const WIDTHS = [1200, 2400] as const;

/** The ways out: the colouring, its layers, the tone map, the guide. */
export function ExportButtons({ own, pieceId }: { readonly own: Check; readonly pieceId: string }) {
  const { piece, rack, light } = own;
  const [doing, setDoing] = useState<{ name: string; share: number }>();
  const [error, setError] = useState<string>();
  const [wide, setWide] = useState<number>();
  const stop = useRef<AbortController>(undefined);
  const last = useRef<() => void>(undefined);
  const output = light.exact?.output;
  if (!output) return null;
  const drawnWidth = output.values.width;
  const out: Outgoing = { piece, rack, light: output };
  const widths = [...new Set([...WIDTHS.filter((w) => w < drawnWidth), drawnWidth])];
  const fileName = piece.name.replace(/[\\/:*?"<>|\p{Cc}]/gu, " ").trim() || "piece";
  const make = async (name: string, work: (course: Watching) => Promise<void>) => {
    const controller = new AbortController();
    stop.current = controller;
    last.current = () => void make(name, work);
    setError(undefined);
    setDoing({ name, share: 0 });
    try {
      await work({ signal: controller.signal, onProgress: (share) => setDoing({ name, share }) });
    } catch (e) {
      if (!controller.signal.aborted) setError(messageOf(e));
    } finally {
      setDoing(undefined);
    }
  };
  const ways = [
    {
      name: "Layered picture",
      says: "OpenRaster: every pass as a layer of its own",
      make: async (course: Watching) =>
        saveFile(
          `${fileName}.ora`,
          "image/openraster",
          new Blob([(await layeredPicture(out, course)) as Uint8Array<ArrayBuffer>], {
            type: "image/openraster",
          }),
        ),
    },
    {
      name: "Tone map",
      says: "SVG in true size: patterns, numbers, codes in the margin; prints in black and white",
      make: async (course: Watching) =>
        saveFile(`${fileName} tone map.svg`, "image/svg+xml", await toneMapDrawing(out, course)),
    },
    {
      name: "Guide",
      says: "PDF: colouring, tone map, steps and codes with their strokes",
      make: async (course: Watching) =>
        saveFile(`${fileName} guide.pdf`, "application/pdf", await guidePdf(out, course, pieceId)),
    },
  ] as const;
  return (
    <section aria-label="Take it along" className="pb-4">
      <h2 className="m-0 mb-1 text-[17px]">Take it along</h2>
      {(doing || error) && (
        <div className="mb-2">
          <Progress
            work={{
              progress: doing?.share,
              error,
              cancelled: false,
              cancel: () => stop.current?.abort(),
              again: () => last.current?.(),
            }}
            doing={doing ? `Making: ${doing.name.toLowerCase()}` : ""}
          />
        </div>
      )}
      <ul className="m-0 list-none border-t border-line p-0">
        <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-2">
          <button
            className="button min-w-40"
            disabled={!!doing}
            onClick={() =>
              void make("Colouring", async (course) =>
                saveFile(`${fileName}.png`, "image/png", await colouringPng(out, course, wide ?? drawnWidth)),
              )
            }
          >
            <Download size={16} aria-hidden /> Colouring
          </button>
          <label className="flex items-center gap-2 text-[14px] text-soft">
            PNG,
            <select
              className="field text-text"
              aria-label="Width in pixels"
              value={wide ?? drawnWidth}
              onChange={(e) => setWide(Number(e.target.value))}
            >
              {widths.map((w) => (
                <option key={w} value={w}>
                  {w}
                </option>
              ))}
            </select>
            pixels wide
          </label>
        </li>
        {ways.map((w) => (
          <li key={w.name} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-2">
            <button className="button min-w-40" disabled={!!doing} onClick={() => void make(w.name, w.make)}>
              <Download size={16} aria-hidden /> {w.name}
            </button>
            <span className="min-w-0 flex-1 text-[14px] text-soft">{w.says}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
