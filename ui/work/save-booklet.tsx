"use client";
import { BookOpen } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { WorkOrderOutput } from "@/compute/operations/work-order";
import { MOST_MOMENTS } from "@/border/booklet";
import { laidAfter, type PieceWork } from "@/core/work/of-piece";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { momentPng } from "@/ui/check/exports";
import { Progress } from "@/ui/jobs/progress";
import { canBeShown } from "@/ui/light/piece-picture";
import { SMALL, useLight } from "@/ui/light/use-colouring";
import { saveFile } from "@/ui/save-file";
import { messageOf, sendForFile } from "@/ui/send";
import { usePictures } from "@/ui/set-up/use-pictures";
import type { OrderRow } from "@/words/order-file";

/** Pixels across in the pictures of a booklet. */
const WIDE = 1200;

interface BookletProps {
  readonly pieceId: string;
  readonly piece: Piece;
  readonly rack: Rack;
  readonly sum: string;
  readonly order: WorkOrderOutput;
  readonly work: readonly PieceWork[];
  readonly rows: () => readonly OrderRow[];
}

/** Steps after which the piece is shown: evenly over the time that it takes, where one marker is put down; the last of all too. */
export function momentsOf(steps: WorkOrderOutput["steps"], most = MOST_MOMENTS): number[] {
  if (!steps.length) return [];
  const [first, last] = [steps[0]!.start, steps.at(-1)!];
  const whole = last.start + last.seconds - first;
  const out: number[] = [];
  for (const [i, s] of steps.entries()) {
    const isDown = steps[i + 1]?.code !== s.code;
    const due = (whole * (out.length + 1)) / most;
    if (isDown && i + 1 < steps.length && out.length < most - 1 && s.start + s.seconds - first >= due)
      out.push(i + 1);
  }
  return [...out, steps.length];
}

/** Draws the pictures of a booklet, has it set and saves it; shown while it is at it. */
function Making({
  pieceId,
  piece,
  rack,
  sum,
  order,
  work,
  rows,
  onDone,
}: BookletProps & { readonly onDone: () => void }) {
  const line = piece.setUp.line;
  const shown = canBeShown(piece);
  const mixed = piece.light.fromReference > 0 && piece.pictureId ? [piece.pictureId] : [];
  const pictures = usePictures(shown && line ? [...new Set([line.pictureId, ...mixed])] : []);
  const light = useLight(
    piece,
    shown && line ? pictures.known.get(line.pictureId) : undefined,
    pictures.known,
    SMALL,
  );
  const output = light.exact?.output;
  const [share, setShare] = useState(0);
  const [error, setError] = useState<string>();
  const [turn, setTurn] = useState(0);
  const stop = useRef<AbortController>(undefined);
  const given = useRef({ piece, rack, sum, order, work, rows, onDone });
  const isReady = !shown || output !== undefined;
  useEffect(() => {
    if (!isReady) return;
    const controller = (stop.current = new AbortController());
    const { signal } = controller;
    const make = async () => {
      const { piece: p, rack: r, sum: says, order: of, work: parts, rows: all, onDone: done } = given.current;
      const moments = shown ? momentsOf(of.steps) : [];
      const form = new FormData();
      form.append("order", JSON.stringify({ sum: says, steps: orderSteps(all()), moments }));
      for (const [i, after] of moments.entries()) {
        const laid = after < of.steps.length ? laidAfter(parts, of.steps, of.sections, after) : undefined;
        const png = await momentPng({ piece: p, rack: r, light: output! }, signal, laid, WIDE);
        form.append(`picture${i}`, png, `picture${i}.png`);
        setShare((0.9 * (i + 1)) / moments.length);
      }
      const pdf = await sendForFile("POST", `/api/pieces/${pieceId}/booklet`, form, signal);
      saveFile(`${p.name}, order of work.pdf`, "application/pdf", pdf);
      done();
    };
    make().catch((e: unknown) => {
      if (!signal.aborted) setError(messageOf(e));
    });
    return () => controller.abort();
  }, [isReady, shown, output, pieceId, turn]);
  return (
    <Progress
      work={{
        progress: error === undefined ? share : undefined,
        error,
        cancelled: false,
        cancel: () => {
          stop.current?.abort();
          onDone();
        },
        again: () => {
          setError(undefined);
          setTurn(turn + 1);
        },
      }}
      doing="Making the booklet"
    />
  );
}

const orderSteps = (rows: readonly OrderRow[]) =>
  rows.map(({ code, area, part, how, start, seconds, wetUntil }) => ({
    code,
    area,
    part,
    how,
    start: Math.max(0, start),
    seconds,
    wetUntil,
  }));

/** The order of work as a booklet to print, with the piece as it looks on the way. */
export function SaveBooklet(props: BookletProps) {
  const [isMaking, setMaking] = useState(false);
  return (
    <>
      <button className="button" disabled={isMaking} onClick={() => setMaking(true)}>
        <BookOpen size={16} aria-hidden /> Booklet as PDF
      </button>
      {isMaking && (
        <div className="basis-full">
          <Making {...props} onDone={() => setMaking(false)} />
        </div>
      )}
    </>
  );
}
