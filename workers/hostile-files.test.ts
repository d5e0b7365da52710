import { FormatError } from "@/core/formats/format-error";
import { guessMapping, readRows } from "@/core/stock/rack-file";
import { malformedFiles, type FileKind } from "@/fixtures/malformed-files";
import { seeded } from "@/sim/random";
import { decodeText } from "./decode-text";
import { loadRackFile } from "./load-rack-file";
import { readMeasured } from "./measured-file";

const arrayOf = (b: Buffer) => b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer;
const asRack = (name: string, bytes: Buffer): number => {
  const { headings, rows, first } = loadRackFile(name, arrayOf(bytes));
  return readRows(rows, guessMapping(headings), first).good.length;
};
const asMeasured = (bytes: Buffer): number => readMeasured(decodeText(arrayOf(bytes)).text).samples.length;
/** What the browser reads itself, and how. */
const READERS: Partial<Record<FileKind, (name: string, bytes: Buffer) => number>> = {
  csv: asRack,
  rack: asRack,
  gpl: asRack,
  cgats: (_, bytes) => asMeasured(bytes),
  cxf: (_, bytes) => asMeasured(bytes),
  spectra: (_, bytes) => asMeasured(bytes),
};

it("damaged files of every kind are read as far as they can be, or refused in our words", async () => {
  const next = await malformedFiles(seeded(11));
  const outcomes = new Map<string, number>();
  for (let i = 0; i < 2500; i++) {
    const { kind, name, bytes } = next();
    const read = READERS[kind];
    if (!read) continue;
    try {
      read(name, bytes);
      outcomes.set("read", (outcomes.get("read") ?? 0) + 1);
    } catch (e) {
      if (!(e instanceof FormatError)) throw new Error(`${kind}: ${String(e)}`, { cause: e });
      expect(e.expected.length).toBeGreaterThan(8);
      outcomes.set("refused", (outcomes.get("refused") ?? 0) + 1);
    }
  }
  expect(outcomes.get("read")).toBeGreaterThan(100);
  expect(outcomes.get("refused")).toBeGreaterThan(100);
});
