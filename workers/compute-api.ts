import { BadInput, wrong, type Problem } from "@/border/problem";
import { deskFor, openDeskOf } from "@/compute/desks";
import { givenDrawing, hasDrawing, takeDrawing } from "@/compute/drawings";
import { fields, type Field } from "@/compute/grounds";
import { pencilsFor } from "@/compute/laid-areas";
import { givenValues, takeValues } from "@/compute/operations/light";
import { calmOf, UNKNOWN_FIELD } from "@/compute/operations/tone-map";
import { fitOf } from "@/compute/pencil-desk";
import { hasPicture, keepPicture } from "@/compute/pictures";
import { runOperation, runWork } from "@/compute/run";
import type { DeskFit } from "@/core/ink/desk-fit";
import type { Layer } from "@/core/media/layer";
import type { DrawingWish } from "@/compute/looks";
import { MOST_PACKED } from "@/compute/packed";
import { MOST_PACKED_VALUES, packedValues, unpackedValues } from "@/compute/packed-values";
import { Cancelled } from "@/core/progress";
import { decode } from "./decode";
import { deflated, inflated } from "@/compute/packing";

export type WorkerAnswer =
  | { readonly ok: true; readonly output: unknown }
  | { readonly ok: false; readonly cancelled: true }
  | { readonly ok: false; readonly cancelled: false; readonly problems: readonly Problem[] };

/** Values of a drawing on their way from worker to worker. */
export type GivenField = Field;

const stops = new Map<number, AbortController>();

/** What was thrown, as something that survives the way back; what nobody foresaw is thrown on. */
function answerOf(error: unknown): WorkerAnswer {
  if (error instanceof Cancelled) return { ok: false, cancelled: true };
  if (error instanceof BadInput) return { ok: false, cancelled: false, problems: error.problems };
  throw error;
}

/** What the compute worker does for the page. */
export const computeApi = {
  /** Runs an operation of the compute table; `id` names the job for {@link stop}. */
  async run(
    id: number,
    name: string,
    input: unknown,
    onProgress: (share: number, soFar?: unknown) => void,
  ): Promise<WorkerAnswer> {
    const controller = new AbortController();
    stops.set(id, controller);
    const watch = {
      onProgress: (s: number, soFar?: unknown) => void onProgress(s, soFar),
      signal: controller.signal,
    };
    return runOperation(name, input, watch)
      .then((output): WorkerAnswer => ({ ok: true, output }), answerOf)
      .finally(() => stops.delete(id));
  },
  stop(id: number): void {
    stops.get(id)?.abort();
  },
  /** Values of a drawing that this worker has worked out, for another one. */
  async giveField(key: string): Promise<WorkerAnswer> {
    const field = fields.recall(key);
    if (!field) return answerOf(wrong("field", UNKNOWN_FIELD));
    calmOf(field);
    return { ok: true, output: field };
  },
  /** Takes values in that another worker has worked out. */
  async takeField(field: GivenField): Promise<WorkerAnswer> {
    fields.keep(field.key, field);
    return { ok: true, output: undefined };
  },
  /** A drawing that was looked at here, packed for whoever looks at it next; nothing when it was put away or is too large. */
  async giveDrawing({ line, sheet }: DrawingWish): Promise<Blob | undefined> {
    const bytes = givenDrawing(line, sheet);
    return bytes && deflated(bytes);
  },
  /** Takes a drawing in that was looked at before, so that its picture need not be. What is none is left. */
  async takeDrawing({ line, sheet }: DrawingWish, drawing: Blob): Promise<WorkerAnswer> {
    if (hasDrawing(line, sheet)) return { ok: true, output: true };
    const bytes = await inflated(drawing, MOST_PACKED);
    return { ok: true, output: bytes !== undefined && takeDrawing(line, sheet, bytes) };
  },
  /** Values that light worked out here, packed for whoever asks the same next; nothing when they were put away, or have no name. */
  async giveValues(question: object, field: string): Promise<Blob | undefined> {
    const values = givenValues(question, field);
    const bytes = values && packedValues(values);
    return bytes && deflated(bytes);
  },
  /** Takes values in that light worked out elsewhere. What are none are left. */
  async takeValues(question: object, packed: Blob): Promise<WorkerAnswer> {
    const bytes = await inflated(packed, MOST_PACKED_VALUES);
    const values = bytes && unpackedValues(bytes);
    return { ok: true, output: values !== undefined && takeValues(question, values) };
  },
  /** Fits what is drawn on areas to an open desk, so that it is there when it is asked for. */
  async fitDrawn(handle: string, areas: readonly { readonly layers: readonly Layer[] }[]): Promise<void> {
    await runWork(
      (function* () {
        const open = yield* deskFor({ desk: handle });
        return yield* pencilsFor(open, areas);
      })(),
    ).catch(() => undefined);
  },
  /** What was fitted to an open desk so far; nothing when it was put away. */
  async giveFit(handle: string): Promise<DeskFit | undefined> {
    const open = openDeskOf(handle);
    return open && fitOf(open);
  },
  /** Decodes a picture and keeps it under a handle, by which operations name it. */
  async openPicture(handle: string, picture: Blob, name: string): Promise<WorkerAnswer> {
    if (hasPicture(handle)) return { ok: true, output: undefined };
    return decode(picture, name).then((raster): WorkerAnswer => {
      keepPicture(handle, raster);
      return { ok: true, output: undefined };
    }, answerOf);
  },
};

export type ComputeApi = typeof computeApi;
