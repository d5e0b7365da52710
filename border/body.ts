import { createWriteStream } from "node:fs";
import { mkdtemp, readdir, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { wrong } from "./problem";

/** Longest document that is read, in bytes. */
const MOST_JSON = 8 * 1024 * 1024;

/** More came than is taken: it is not read to its end. */
export class TooLong extends Error {
  constructor(readonly most: number) {
    super(`expected at most ${Math.round(most / 1024 / 1024)} MB`);
    this.name = "TooLong";
  }
}

/**
 * The bytes of a request, read only as far as they may go.
 * @param most bytes
 * @throws TooLong
 */
export async function bytesOf(request: Request, most: number): Promise<Buffer> {
  if (Number(request.headers.get("content-length") ?? 0) > most) throw new TooLong(most);
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.byteLength;
    if (length > most) {
      void reader.cancel().catch(() => undefined);
      throw new TooLong(most);
    }
    parts.push(value);
  }
  return Buffer.concat(parts, length);
}

/** A body as a file on the disk. */
export interface BodyFile {
  readonly path: string;
  /** A folder of its own, in which more may lie that goes with it. */
  readonly folder: string;
  readonly remove: () => Promise<void>;
}

const FOLDER = "blendt-body-";

const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (e) {
    return (e as { code?: unknown }).code === "EPERM";
  }
};

/** Removes what servers left that were ended while something came in. */
export async function removeLeftBodies(): Promise<void> {
  for (const name of await readdir(tmpdir()).catch(() => [])) {
    const pid = name.startsWith(FOLDER) ? Number(name.slice(FOLDER.length).split("-")[0]) : NaN;
    if (Number.isInteger(pid) && pid > 0 && !isAlive(pid))
      await rm(path.join(tmpdir(), name), { recursive: true, force: true }).catch(() => undefined);
  }
}

/** A folder that only this process reads, among those that are removed should it be ended. */
export async function newFolder(): Promise<Pick<BodyFile, "folder" | "remove">> {
  const folder = await mkdtemp(path.join(tmpdir(), `${FOLDER}${process.pid}-`));
  return { folder, remove: () => rm(folder, { recursive: true, force: true }) };
}

/**
 * The body of a request as a file that only this process reads, written only as far as it may go.
 * @param most bytes
 * @throws TooLong
 */
export async function fileOf(request: Request, most: number): Promise<BodyFile> {
  if (Number(request.headers.get("content-length") ?? 0) > most) throw new TooLong(most);
  const { folder, remove } = await newFolder();
  let length = 0;
  const bounded = new Transform({
    transform(part: Buffer, _, done) {
      length += part.length;
      done(length > most ? new TooLong(most) : null, part);
    },
  });
  const to = path.join(folder, "body");
  try {
    const from = request.body ? Readable.fromWeb(request.body as never) : Readable.from([]);
    await pipeline(from, bounded, createWriteStream(to, { mode: 0o600 }));
  } catch (e) {
    await remove();
    throw e;
  }
  return { path: to, folder, remove };
}

/** Where a text stops being JSON, as far as the parser tells. */
function whereItBreaks(error: unknown): string {
  const at = /position (\d+)/.exec((error as Error).message)?.[1];
  return at === undefined
    ? "it breaks off, or is none"
    : `something else stands at character ${Number(at) + 1}`;
}

/** @throws BadInput when it is not JSON; TooLong */
export async function jsonOf(request: Request): Promise<unknown> {
  const bytes = await bytesOf(request, MOST_JSON);
  try {
    return JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch (e) {
    throw wrong("", `expected JSON; ${whereItBreaks(e)}`);
  }
}

/** Fields of a query; one that comes twice is refused. */
export function queryOf(request: Request): Record<string, string> {
  const out = new Map<string, string>();
  for (const [name, value] of new URL(request.url).searchParams) {
    if (out.has(name)) throw wrong(name, "expected once; it is there twice");
    out.set(name, value);
  }
  return Object.fromEntries(out);
}
