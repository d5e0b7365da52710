import { BadInput, wrong } from "@/border/problem";
import { openPromise, type Entry, type ZipFile } from "yauzl";

/** Files in one zip. */
const MOST_ENTRIES = 20_000;

/** A zip on the disk, its files by name. */
export interface Zip {
  readonly has: (name: string) => boolean;
  readonly names: readonly string[];
  /** @throws BadInput when it is not there, broken, or longer than it may be */
  readonly bytes: (name: string, most: number) => Promise<Buffer>;
  readonly json: (name: string, most: number) => Promise<unknown>;
  readonly close: () => void;
}

const broken = () => wrong("studio", "expected a whole zip file");

/**
 * Opens a zip and lists what is in it; nothing is unpacked yet.
 * @throws BadInput
 */
export async function openZip(from: string): Promise<Zip> {
  const options = { lazyEntries: true, autoClose: false, validateEntrySizes: true } as const;
  const zip: ZipFile = await openPromise(from, options).catch(() => {
    throw broken();
  });
  const entries = new Map<string, Entry>();
  try {
    if (zip.entryCount > MOST_ENTRIES)
      throw wrong("studio", `expected at most ${MOST_ENTRIES} files in the zip`);
    for await (const entry of zip.eachEntry()) {
      if (entry.fileName.endsWith("/")) continue;
      if (entries.has(entry.fileName))
        throw wrong("studio", `expected each file once; ${entry.fileName} is there twice`);
      entries.set(entry.fileName, entry);
    }
  } catch (e) {
    zip.close();
    throw e instanceof BadInput ? e : broken();
  }
  const bytes = async (name: string, most: number): Promise<Buffer> => {
    const entry = entries.get(name);
    if (!entry) throw wrong(name, "expected this file in the zip");
    if (entry.isEncrypted()) throw wrong(name, "expected a file that is not encrypted");
    // What it says of its length is checked while it is unpacked: more than that ends the reading.
    if (entry.uncompressedSize > most)
      throw wrong(name, `expected at most ${Math.floor(most / 1024 / 1024)} MB`);
    const parts: Buffer[] = [];
    try {
      for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    } catch {
      throw wrong(name, "expected a whole file; this one is damaged");
    }
    return Buffer.concat(parts);
  };
  return {
    has: (name) => entries.has(name),
    names: [...entries.keys()],
    bytes,
    json: async (name, most) => {
      const text = await bytes(name, most);
      try {
        return JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(text)) as unknown;
      } catch {
        throw wrong(name, "expected JSON");
      }
    },
    close: () => zip.close(),
  };
}
