// Draws SVG in a process of its own, which can be ended: what librsvg has begun it cannot be talked out of. JSON in, PNG out.
import sharp from "sharp";

const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const { svg, width, height, scale, ground, mostPixels } = JSON.parse(Buffer.concat(chunks).toString("utf8"));
sharp.concurrency(1);
const drawn = sharp(Buffer.from(svg), {
  density: Math.min(10_000, Math.max(1, 72 * scale)),
  limitInputPixels: mostPixels,
}).resize(width, height, { fit: "fill" });
process.stdout.write(await (ground ? drawn.flatten({ background: ground }) : drawn).png().toBuffer());
