import { strFromU8, unzipSync } from "fflate";
import type { ToneMapOutput } from "@/compute/operations/tone-map";
import { openRaster, type RasterLayer } from "./open-raster";
import { escaped, toneMapSvg } from "./tone-map-svg";

const png = (n: number) => Uint8Array.of(137, 80, 78, 71, n);
const layer = (name: string, n: number, visible = true): RasterLayer => ({
  name,
  png: png(n),
  x: n,
  y: 2 * n,
  visible,
});

describe("a layered picture", () => {
  const bytes = openRaster(
    { width: 40, height: 30 },
    [
      layer("Paper", 1),
      { name: 'Skin & "hair"', layers: [layer("first", 2), layer("second", 3, false)], visible: true },
      layer("Line", 4),
    ],
    png(9),
    png(8),
  );
  const files = unzipSync(bytes);
  it("begins with its type, stored, so that programs know it by its first bytes", () => {
    expect(strFromU8(bytes.slice(0, 4))).toBe("PK\u0003\u0004");
    expect(bytes[8]! | (bytes[9]! << 8)).toBe(0);
    expect(strFromU8(bytes.slice(30, 38))).toBe("mimetype");
    expect(strFromU8(bytes.slice(38, 54))).toBe("image/openraster");
  });
  it("has its stack topmost first, groups with their layers, and every picture it names", () => {
    const xml = strFromU8(files["stack.xml"]!);
    expect(xml).toContain('<image version="0.0.5" w="40" h="30">');
    const names = [...xml.matchAll(/name="([^"]*)"/g)].map((m) => m[1]);
    expect(names).toEqual(["Line", "Skin &amp; &quot;hair&quot;", "second", "first", "Paper"]);
    expect(xml).toMatch(/name="second"[^>]*visibility="hidden"/);
    for (const [, src] of xml.matchAll(/src="([^"]*)"/g)) expect(files[src!]).toBeDefined();
    expect(files["mergedimage.png"]).toEqual(png(9));
    expect(files["Thumbnails/thumbnail.png"]).toEqual(png(8));
    expect(xml).toMatch(/name="first" src="data\/layer001.png" x="2" y="4"/);
  });
});

describe("a tone map as SVG", () => {
  const plane = { width: 100, height: 50, data: new Uint8Array(5000) };
  const map: ToneMapOutput = {
    places: plane,
    zones: plane,
    owner: { width: 100, height: 50, data: new Int16Array(5000) },
    areas: [{ id: "a", mm2: [120, 60, 20], whiteMm2: 0, shares: [] }],
    marks: [
      { area: 0, zone: 1, at: [0.5, 0.5], room: 4, stroke: 0.3 },
      { area: 0, zone: 3, at: [0.1, 0.5], room: 0.4, stroke: null },
    ],
    outlines: [1, 2, 3].map((zone) => ({ area: 0, zone, path: "M0 0L10 0L10 10Z" })),
  };
  const svg = toneMapSvg({
    title: "<Kite>",
    map,
    mmPerPixel: 0.5,
    legendOf: () => ({ name: "Skin & co", codes: ["clay1c", "clay3m", "clay7m"] }),
  });
  it("has true size, a pattern for all but the lightest tone, numbers where there is room, and codes in the margin", () => {
    expect(svg).toMatch(/width="100\.00mm" height="[\d.]+mm"/);
    expect(svg).toContain('id="a-1" d="M0 0L10 0L10 10Z" fill="#fff"');
    expect(svg).toMatch(/id="a-3"[^>]*fill="url\(#q[1-6]\)"/);
    expect(svg).toContain('text-anchor="middle">1</text>');
    expect(svg).not.toContain('text-anchor="middle">3</text>');
    for (const code of ["clay1c", "clay3m", "clay7m"]) expect(svg).toContain(code);
    expect(svg).toContain("120 mm²");
  });
  it("shows what is set at its spot, at true size and in the margin", () => {
    const set = toneMapSvg({
      title: "",
      map,
      mmPerPixel: 0.5,
      legendOf: () => ({ name: "Skin", codes: ["a"], set: ["gel <white>  2 sparks"] }),
      marks: [
        { kind: "spark", points: [[0.5, 0.5]], width: 2 },
        {
          kind: "hair",
          points: [
            [0.1, 0.2],
            [0.3, 0.4],
          ],
          width: 0.1,
        },
      ],
    });
    // 50 × 25 mm: a dot in its middle 2 mm wide, and what is thinner than can be seen half a millimetre.
    expect(set).toContain('<circle cx="25.00" cy="12.50" r="1.00"');
    expect(set).toContain('d="M5.00 5.00L15.00 10.00" fill="none" stroke="#fff" stroke-width="0.50"');
    expect(set).toContain("gel &lt;white&gt;  2 sparks");
    expect(svg).toMatch(/<g id="marks"[^>]*>\s*<\/g>/);
  });
  it("has its patterns as large in the drawing as in the margin", () => {
    expect(svg).toContain(
      '<pattern id="q2" width="1.8" height="1.8" patternUnits="userSpaceOnUse" patternTransform="scale(2)">',
    );
    expect(svg).toContain('patternTransform="scale(1)"');
  });
  it("goes on in another column where there are more codes than the drawing is high", () => {
    const many = toneMapSvg({
      title: "",
      map: { ...map, areas: Array.from({ length: 12 }, (_, i) => ({ ...map.areas[0]!, id: String(i) })) },
      mmPerPixel: 0.5,
      legendOf: (id) => ({ name: id, codes: ["a", "b", "c"] }),
    });
    const [, tall] = /height="([\d.]+)mm"/.exec(many)!;
    expect(Number(tall)).toBeLessThan(70);
  });
  it("is well-formed whatever things are called", () => {
    expect(svg).toContain("&lt;Kite&gt;");
    expect(svg).toContain("Skin &amp; co");
    expect(escaped(`<a href="x">&`)).toBe("&lt;a href=&quot;x&quot;&gt;&amp;");
  });
  it("is in black, white and grey alone", () => {
    const colours = new Set([...svg.matchAll(/#[0-9a-f]{3,6}\b/g)].map((m) => m[0]));
    expect([...colours].every((c) => new Set(c.slice(1)).size === 1)).toBe(true);
  });
});
