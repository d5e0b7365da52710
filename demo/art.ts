import { readFileSync } from "node:fs";
import sharp from "sharp";

const source = (name: string) => readFileSync(new URL(`./art/${name}.svg`, import.meta.url), "utf8");

/** Long side of the demo pictures in pixels. */
const SIDE = 1800;

const raster = (svg: string) =>
  sharp(Buffer.from(svg), { density: 144 })
    .resize({ width: SIDE, height: SIDE, fit: "inside" })
    .flatten({ background: "#ffffff" })
    .png()
    .toBuffer();

/** A demo picture as painted, in PNG. */
export const paintedReference = (name: string): Promise<Buffer> => raster(source(name));

/** The line art of the same drawing, in SVG: tones left out, shapes white, their names kept. */
export function lineSvg(name: string): Buffer {
  const lines = ".tone, .flat { display: none } .base { fill: #ffffff }";
  return Buffer.from(source(name).replace("</style>", `${lines}</style>`));
}

/** The same in PNG. */
export const lineArt = (name: string): Promise<Buffer> => raster(lineSvg(name).toString("utf8"));
