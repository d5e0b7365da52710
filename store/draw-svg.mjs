// Draws SVG in a process of its own, which ends itself when it takes too much: what librsvg has begun it cannot be talked out of. JSON in, PNG out.
import sharp from "sharp";

const MB = 1024 * 1024;
/** How often it looks at itself, ms. */
const LOOK = 10;

const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const { svg, width, height, ground, mostPixels, memory, seconds } = JSON.parse(
  Buffer.concat(chunks).toString("utf8"),
);
/** Units of a drawing are pixels of 1/96 inch; what draws it here counts 72 of its own on 96 that it draws. */
const [DPI, OWN] = [96, 72];
// The canvas is asked for at the size that is wanted: a density would enlarge what is told in points or mm once more.
const sized = svg.replace(/^<svg[^>]*>/, (root) =>
  root
    .replace(/ width="[^"]*"/, ` width="${(width * OWN) / DPI}"`)
    .replace(/ height="[^"]*"/, ` height="${(height * OWN) / DPI}"`),
);
sharp.concurrency(1);
// The drawing runs in a thread of its own, so that this one can watch: all memory counts, not the heap alone, and time of the processor, so
// that a busy machine refuses nothing.
const begun = process.cpuUsage();
setInterval(() => {
  const { user, system } = process.cpuUsage(begun);
  if (process.memoryUsage.rss() > memory * MB || (user + system) / 1e6 > seconds)
    // A plain end would wait for the thread that draws.
    process.kill(process.pid, "SIGKILL");
}, LOOK).unref();
const drawn = sharp(Buffer.from(sized), { density: DPI, limitInputPixels: mostPixels }).resize(
  width,
  height,
  {
    fit: "fill",
  },
);
process.stdout.write(await (ground ? drawn.flatten({ background: ground }) : drawn).png().toBuffer());
