// Draws SVG in a process of its own, which can be ended: what librsvg has begun it cannot be talked out of. JSON in, PNG out.
import sharp from "sharp";

const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const { svg, width, height, ground, mostPixels } = JSON.parse(Buffer.concat(chunks).toString("utf8"));
/** Units of a drawing are pixels of 1/96 inch; what draws it here counts 72 of its own on 96 that it draws. */
const [DPI, OWN] = [96, 72];
// The canvas is asked for at the size that is wanted: a density would enlarge what is told in points or mm once more.
const sized = svg.replace(/^<svg[^>]*>/, (root) =>
  root
    .replace(/ width="[^"]*"/, ` width="${(width * OWN) / DPI}"`)
    .replace(/ height="[^"]*"/, ` height="${(height * OWN) / DPI}"`),
);
sharp.concurrency(1);
const drawn = sharp(Buffer.from(sized), { density: DPI, limitInputPixels: mostPixels }).resize(
  width,
  height,
  {
    fit: "fill",
  },
);
process.stdout.write(await (ground ? drawn.flatten({ background: ground }) : drawn).png().toBuffer());
