"use client";
import { proxy, releaseProxy, wrap, type Remote } from "comlink";
import { BadInput } from "@/border/problem";
import { deskOfRack, rackKey, type ReadRack } from "@/compute/from-rack";
import type { OperationName, OutputOf } from "@/compute/table";
import type { Layer } from "@/core/media/layer";
import { drawingOfQuestion, lightName, type DrawingWish } from "@/compute/looks";
import { fitOf, foundFit } from "./desk-fits";
import type { ComputeApi, GivenField, WorkerAnswer } from "@/workers/compute-api";

export interface Watch {
  /** The share that is done, and what is known so far where the operation tells. */
  readonly onProgress?: (share: number, soFar?: unknown) => void;
  readonly signal?: AbortSignal;
}

/** Drawings are looked at in one worker while inks are fitted in another; what is asked of both goes to the desk, which is handed the drawing. */
type Place = "drawing" | "desk";

interface Running {
  readonly place: Place;
  readonly remote: Remote<ComputeApi>;
  readonly thread: Worker;
  /** Rejects everything that waits when the worker is gone. */
  readonly waiting: Set<(error: Error) => void>;
  /** Handles of desks, pictures and values of drawings that this worker has, or is about to have. */
  readonly desks: Map<string, Promise<string>>;
  readonly pictures: Map<string, Promise<void>>;
  readonly drawings: Map<string, Promise<unknown>>;
  readonly fields: Map<string, Promise<void>>;
}

const GONE = "The computing part of this page stopped. It has been started again; please try once more.";

const running: Partial<Record<Place, Running>> = {};
let lastJob = 0;

function worker(place: Place): Running {
  const known = running[place];
  if (known) return known;
  const thread = new Worker(new URL("../../workers/compute.worker.ts", import.meta.url), { type: "module" });
  const own: Running = {
    place,
    remote: wrap<ComputeApi>(thread),
    thread,
    waiting: new Set(),
    desks: new Map(),
    pictures: new Map(),
    drawings: new Map(),
    fields: new Map(),
  };
  thread.onerror = thread.onmessageerror = () => dropWorker(own);
  running[place] = own;
  return own;
}

/** Starts both workers while the page itself still comes: its first question finds them loaded. */
export function startWorkers(): void {
  if (typeof Worker === "undefined") return;
  worker("drawing");
  worker("desk");
}

/** Ends a worker that failed; the next question starts another. */
function dropWorker(failed: Running): void {
  if (running[failed.place] === failed) delete running[failed.place];
  for (const reject of failed.waiting) reject(new Error(GONE));
  failed.waiting.clear();
  failed.remote[releaseProxy]();
  failed.thread.terminate();
}

/** An answer of the worker, or its end. */
async function unlessGone(own: Running, answer: Promise<WorkerAnswer>): Promise<unknown> {
  let give: (error: Error) => void;
  const gone = new Promise<never>((_, reject) => own.waiting.add((give = reject)));
  try {
    const said = await Promise.race([answer, gone]);
    if (said.ok) return said.output;
    if (said.cancelled) throw new DOMException("cancelled", "AbortError");
    throw new BadInput(said.problems);
  } finally {
    own.waiting.delete(give!);
  }
}

/** Hands values that the drawing's worker has worked out on to the desk's. */
function bring(own: Running, field: string): Promise<void> {
  const known = own.fields.get(field);
  if (known) return known;
  const from = worker("drawing");
  const bringing = unlessGone(from, from.remote.giveField(field) as Promise<WorkerAnswer>).then(
    async (given) => {
      await unlessGone(own, own.remote.takeField(given as GivenField) as Promise<WorkerAnswer>);
    },
  );
  own.fields.set(field, bringing);
  bringing.catch(() => own.fields.delete(field));
  return bringing;
}

/** What a question says where it is answered. */
interface Said {
  readonly desk?: unknown;
  readonly field?: unknown;
}

/**
 * Runs an operation of the compute table in a worker.
 * @throws BadInput for input that cannot be used; AbortError when stopped
 */
export async function compute<N extends OperationName>(
  name: N,
  input: unknown,
  { onProgress, signal }: Watch = {},
): Promise<OutputOf<N>> {
  signal?.throwIfAborted();
  const { desk, field } = (input ?? {}) as Said;
  const own = worker(name === "open" || desk !== undefined ? "desk" : "drawing");
  if (own.place === "desk" && typeof field === "string") await bring(own, field);
  signal?.throwIfAborted();
  const id = ++lastJob;
  const stop = () => void own.remote.stop(id);
  signal?.addEventListener("abort", stop);
  try {
    const answer = own.remote.run(id, name, input, proxy(onProgress ?? (() => undefined)));
    return (await unlessGone(own, answer as Promise<WorkerAnswer>)) as OutputOf<N>;
  } finally {
    signal?.removeEventListener("abort", stop);
  }
}

/** Handle of a rack's desk, which is opened once in each worker. */
function handleOf(rack: ReadRack): Promise<string> {
  const { desks } = worker("desk");
  const key = rackKey(rack);
  const known = desks.get(key);
  if (known) return known;
  const fit = fitOf(key);
  const opening = compute("open", { ...deskOfRack(rack), ...(fit && { fit }) }).then((o) => {
    foundFit(key, o.fit);
    return o.desk;
  });
  desks.set(key, opening);
  opening.catch(() => desks.delete(key));
  return opening;
}

/** Whether something that was named was put away in the meantime. */
export const isUnknown = (e: unknown, path: string): boolean =>
  e instanceof BadInput && e.problems.some((p) => p.path === path);

/** Opens a rack's desk, and fits what is drawn on these areas, before anybody asks for it: beside the work on the drawing. */
export async function readyDesk(
  rack: ReadRack,
  areas: readonly { readonly layers: readonly Layer[] }[],
): Promise<void> {
  const desk = await handleOf(rack);
  await worker("desk").remote.fitDrawn(desk, areas);
  await lookAtFit(rack, desk);
}

/** Sees whether more was fitted to a rack than is known: pencils are once somebody has asked for them. */
async function lookAtFit(rack: ReadRack, desk: string): Promise<void> {
  const key = rackKey(rack);
  if (fitOf(key)?.pencils) return;
  const fit = await worker("desk").remote.giveFit(desk);
  if (fit) foundFit(key, fit);
}

/** Asks an operation of a rack's desk; a desk, or a drawing, that the worker has put away is brought again. */
export async function ask<N extends OperationName>(
  name: N,
  rack: ReadRack,
  question: object,
  watch: Watch = {},
): Promise<OutputOf<N>> {
  const once = async () => {
    const desk = await handleOf(rack);
    const answer = await compute(name, { desk, ...question }, watch);
    lookAtFit(rack, desk).catch(() => undefined);
    return answer;
  };
  try {
    return await once();
  } catch (e) {
    const { desks, fields } = worker("desk");
    const { field } = question as Said;
    if (isUnknown(e, "desk")) desks.delete(rackKey(rack));
    // Which was handed over, and put away since; what the drawing's worker no longer has either is refused again.
    else if (!isUnknown(e, "field") || typeof field !== "string" || !fields.delete(field)) throw e;
    return once();
  }
}

/** A picture as the worker knows it. */
export interface NamedPicture {
  /** Names the picture, which never changes under it. */
  readonly handle: string;
  readonly load: () => Promise<Blob>;
  readonly called: string;
  /** Drawings of it that somebody has looked at before, and their light, by their names, and where one is to be had. */
  readonly drawings?: readonly string[];
  readonly loadDrawing?: (name: string) => Promise<Blob>;
}

/** Has a drawing taken in that was looked at before. False where there is none: its picture is needed. */
async function haveDrawing(picture: NamedPicture, question: object): Promise<boolean> {
  const { handle, drawings, loadDrawing } = picture;
  const wish = drawings?.length && loadDrawing ? drawingOfQuestion(handle, question) : undefined;
  if (!wish || !drawings!.includes(wish.name)) return false;
  const own = worker("drawing");
  const { name, ...drawing } = wish;
  const key = `${handle} ${name}`;
  const taking =
    own.drawings.get(key) ??
    loadDrawing!(name).then((blob) =>
      unlessGone(own, own.remote.takeDrawing(drawing, blob) as Promise<WorkerAnswer>),
    );
  own.drawings.set(key, taking);
  // What cannot be had is worked out.
  return taking.then(Boolean, () => false);
}

/** Has the values of a light taken in that were worked out before. */
async function haveValues(picture: NamedPicture, question: object): Promise<void> {
  const { handle, drawings, loadDrawing } = picture;
  const name = drawings?.length ? lightName(question) : undefined;
  if (!name || !drawings!.includes(name)) return;
  const own = worker("drawing");
  const key = `${handle} ${name}`;
  const whole = { image: { picture: handle }, ...question };
  const taking =
    own.drawings.get(key) ??
    loadDrawing!(name).then((blob) =>
      unlessGone(own, own.remote.takeValues(whole, blob) as Promise<WorkerAnswer>),
    );
  own.drawings.set(key, taking);
  // What cannot be had is worked out.
  await taking.catch(() => undefined);
}

/** Values of a light that the worker has worked out, packed; nothing when it has put them away. */
export const givenValues = (handle: string, question: object, field: string): Promise<Blob | undefined> =>
  worker("drawing").remote.giveValues({ image: { picture: handle }, ...question }, field);

/** A drawing that the worker has looked at, packed; nothing when it has put it away. */
export const givenDrawing = ({ line, sheet }: DrawingWish): Promise<Blob | undefined> =>
  worker("drawing").remote.giveDrawing({ line, sheet });

/** Has a picture decoded in a worker, where it stays; `anew` when it was put away there. */
export async function havePicture(
  { handle, load, called }: NamedPicture,
  { place = "drawing", anew = false }: { readonly place?: Place; readonly anew?: boolean } = {},
): Promise<void> {
  const own = worker(place);
  if (anew) own.pictures.delete(handle);
  const opening =
    own.pictures.get(handle) ??
    load().then(async (blob) => {
      await unlessGone(own, own.remote.openPicture(handle, blob, called) as Promise<WorkerAnswer>);
    });
  own.pictures.set(handle, opening);
  opening.catch(() => own.pictures.delete(handle));
  return opening;
}

/** Asks an operation of a picture, which is decoded in the worker and stays there; of a drawing that was looked at before, without its picture. */
export async function askOfPicture<N extends OperationName>(
  name: N,
  picture: NamedPicture,
  question: object,
  watch: Watch = {},
): Promise<OutputOf<N>> {
  const { handle } = picture;
  const once = () => compute(name, { image: { picture: handle }, ...question }, watch);
  const [known] = await Promise.all([
    haveDrawing(picture, question),
    name === "light" ? haveValues(picture, question) : undefined,
  ]);
  try {
    if (!known) await havePicture(picture);
    return await once();
  } catch (e) {
    if (!isUnknown(e, "image.picture")) throw e;
    // It was put away, or the drawing was: from the picture everything can be had again.
    await havePicture(picture, { anew: true });
    return once();
  }
}
