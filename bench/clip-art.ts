/**
 * Draws every nth SVG of a folder beside what another renderer makes of it: `npx tsx bench/clip-art.ts FOLDER [EVERY]`. Needs `rsvg-convert`
 * (Debian's librsvg2-bin), and drawings such as those of openclipart-svg; neither belongs to Blendt.
 */
import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import sharp from "sharp";
import { decodePicture } from "@/store/decode-picture";

const SIDE = 400;
/** A pixel differs when none within one pixel of it has every channel within this, seen from either picture. */
const NEAR = 40;
/** Share of pixels that differ from which on a drawing comes out otherwise. */
const OTHERWISE = 0.01;

interface Raw {
  readonly data: Buffer;
  readonly info: { readonly width: number; readonly height: number };
}
const raw = (picture: Buffer): Promise<Raw> =>
  sharp(picture).removeAlpha().raw().toBuffer({ resolveWithObject: true });

/** Share of the pixels of a picture that another has nothing like nearby. */
function unlike({ data: a, info: { width, height } }: Raw, { data: b }: Raw): number {
  const isNear = (x: number, y: number): boolean => {
    for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v++)
      for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u++) {
        const [p, q] = [3 * (y * width + x), 3 * (v * width + u)];
        if ([0, 1, 2].every((c) => Math.abs(a[p + c]! - b[q + c]!) <= NEAR)) return true;
      }
    return false;
  };
  let count = 0;
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) if (!isNear(x, y)) count++;
  return count / (width * height);
}

async function judge(
  file: string,
): Promise<{ readonly kind: "alike" | "told" | "otherwise" | "refused"; readonly says: string }> {
  const ours = await decodePicture("drawing.svg", readFileSync(file)).catch((e: Error) => e);
  if (ours instanceof Error) return { kind: "refused", says: ours.message };
  const size = ["-w", String(ours.workingWidth), "-h", String(ours.workingHeight)];
  const theirs = execFileSync("rsvg-convert", [...size, "-b", "white", file], {
    maxBuffer: 1e9,
    stdio: ["ignore", "pipe", "ignore"],
  });
  const [a, b] = [await raw(ours.working), await raw(theirs)];
  const share = a.data.length === b.data.length ? Math.max(unlike(a, b), unlike(b, a)) : 1;
  const says = `${(100 * share).toFixed(1)} % ${ours.leftOut?.join(", ") ?? ""}`;
  if (share <= OTHERWISE) return { kind: "alike", says };
  return { kind: ours.leftOut?.length ? "told" : "otherwise", says };
}

async function main(folder: string, every: number) {
  process.env.BLENDT_DRAWN_SIDE = String(SIDE);
  const files = readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((f) => f.endsWith(".svg"))
    .sort()
    .filter((_, i) => i % every === 0);
  const counts = new Map<string, number>();
  for (const file of files) {
    const { kind, says } = await judge(path.join(folder, file));
    counts.set(kind, (counts.get(kind) ?? 0) + 1);
    if (kind !== "alike") console.log(`${kind}: ${file}: ${says}`);
  }
  console.log(`of ${files.length}: ${[...counts].map(([k, n]) => `${n} ${k}`).join(", ")}`);
}

const [folder, every = "1"] = process.argv.slice(2);
if (!folder) throw new Error("name the folder of drawings");
void main(folder, Number(every));
