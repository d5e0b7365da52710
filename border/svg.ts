import { shortName } from "./names";
import { sizeOf } from "./svg-size";
import { FETCHES, SHAPES, treeOf, type Element, type LeftOut } from "./svg-tree";
import { wrong } from "./problem";

/** A drawing that is safe to draw: nothing in it runs, is fetched or is shown but shapes and the pictures that are in it. */
export interface SafeSvg {
  readonly svg: string;
  /** The same shapes, each that has a name filled with a colour of its own and without edges blended; undefined when nothing has a name. */
  readonly named: string | undefined;
  /** Names by their number, from 1; {@link numberOf} tells the number of a colour. */
  readonly names: readonly string[];
  /** Width and height of its canvas, CSS pixels of 1/96 inch. */
  readonly width: number;
  readonly height: number;
  /** Width on paper, mm, where the file means one. */
  readonly mm: number | undefined;
  /** Pictures that are in it, base64, not looked at yet: they are drawn only once they stand for their names. */
  readonly images: readonly string[];
  /** What of it is not drawn. */
  readonly leftOut: readonly LeftOut[];
}

/** Elements and uses within each other. */
const MOST_NESTED = 300;
/** Shapes that are drawn in all, with every use of a shape counted. */
const MOST_DRAWN = 200_000;
export const MOST_NAMES = 800;
const LONGEST_NAME = 60;

/** Names that programs give by themselves. */
const MADE_UP =
  /^(svg|g|path|rect|circle|ellipse|line|polyline|polygon|use|layer|group|shape|defs|text|tspan|image)?[-_ ]?[\d-]+$/i;

/** A name as a person would write it; undefined where there is none. */
export function nameOf(written: string | undefined): string | undefined {
  const words = written?.trim();
  if (!words || MADE_UP.test(words)) return undefined;
  const spaced = words
    .replace(/([a-z])([A-Z])/g, "$1 $2")
    .replace(/[-_.]+/g, " ")
    .replace(/\s+/g, " ");
  const apart = shortName(spaced, LONGEST_NAME);
  return /\p{L}/u.test(apart) ? apart[0]!.toUpperCase() + apart.slice(1).toLowerCase() : undefined;
}

const escaped = (v: string) =>
  v.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

/** Colour that stands for a name's number. */
const colourOf = (n: number) => `rgb(${n >> 8},${n & 255},128)`;

/** The number that a colour stands for, 0 for none. */
export const numberOf = (r: number, g: number, b: number): number => (b === 128 ? r * 256 + g : 0);

const GRADIENTS = new Set(["linearGradient", "radialGradient", "stop", "filter"]);

/** What an element draws beside what is in it, by id, and how often: a shape that is used, patterns, masks, and a marker at each of its corners. */
function* drawnBy({ tag, attributes }: Element): Generator<[id: string, times: number]> {
  const href = attributes.get("href");
  if (href && (tag === "use" || tag === "pattern")) yield [href.slice(1), 1];
  for (const [name, value] of attributes) {
    if (!value.includes("url(")) continue;
    const corners = () =>
      1 +
      (attributes.get("d")?.match(/[a-z]/gi)?.length ?? 0) +
      (attributes.get("points")?.match(/[\s,]+/g)?.length ?? 0);
    for (const [, id] of value.matchAll(/url\(\s*['"]?#([^'")\s]+)/g))
      yield [id!, name.startsWith("marker") || (name === "style" && /marker/.test(value)) ? corners() : 1];
  }
}

/** Refuses drawings whose uses of uses make more shapes than could be drawn. */
function countDrawn(root: Element): void {
  const byId = new Map<string, Element>();
  const gather = (e: Element): void => {
    const id = e.attributes.get("id");
    if (id !== undefined && !byId.has(id)) byId.set(id, e);
    e.children.forEach(gather);
  };
  gather(root);
  const known = new Map<Element, number>();
  const open = new Set<Element>();
  const drawn = (e: Element): number => {
    const before = known.get(e);
    if (before !== undefined) return before;
    if (open.size > MOST_NESTED)
      throw wrong(
        "",
        `This SVG has shapes used within each other more than ${MOST_NESTED} deep. Save it again as plain SVG.`,
      );
    if (open.has(e))
      throw wrong("", "This SVG uses a shape within itself, without end. Save it again as plain SVG.");
    open.add(e);
    let sum = 1;
    for (const c of e.children) sum += drawn(c);
    for (const [id, times] of drawnBy(e)) {
      const target = byId.get(id);
      if (target && !GRADIENTS.has(target.tag)) sum += times * drawn(target);
    }
    open.delete(e);
    if (sum > MOST_DRAWN)
      throw wrong("", `This SVG draws more than ${MOST_DRAWN} shapes. Simplify it, or save it as PNG.`);
    known.set(e, sum);
    return sum;
  };
  drawn(root);
}

function written(e: Element, attributes: ReadonlyMap<string, string>, inside: string): string {
  const said = [...attributes].map(([n, v]) => ` ${n}="${escaped(v)}"`).join("");
  return inside ? `<${e.tag}${said}>${inside}</${e.tag}>` : `<${e.tag}${said}/>`;
}

const plainly = (e: Element): string => {
  if (e.tag === "style") return FETCHES.test(e.text) ? "" : `<style>${escaped(e.text)}</style>`;
  return written(e, e.attributes, e.children.map(plainly).join(""));
};

const isClosed = ({ tag, attributes }: Element) =>
  tag !== "line" && tag !== "polyline" && (tag !== "path" || /z/i.test(attributes.get("d") ?? ""));

/** Attributes that place a shape and say nothing of its colour. */
const PLACING = new Set(
  "id d x y cx cy r rx ry width height points transform href clip-path clip-rule fill-rule".split(" "),
);

const ROOTED = new Set(["xmlns", "viewBox", "clipPathUnits", "preserveAspectRatio"]);
/** What shows nothing that has a name. */
const UNSEEN = new Set(["pattern", "marker", "mask", "filter", "image", "linearGradient", "radialGradient"]);

/** The drawing with every named closed shape in the colour of its name. */
function coloured(root: Element): { named: string | undefined; names: string[] } {
  const numbers = new Map<string, number>();
  const numberFor = (name: string): number => {
    const known = numbers.get(name);
    if (known !== undefined) return known;
    if (numbers.size >= MOST_NAMES) return 0;
    numbers.set(name, numbers.size + 1);
    return numbers.size;
  };
  const ownName = (e: Element) => nameOf(e.label ?? e.attributes.get("id"));
  const byId = new Map<string, Element>();
  const gather = (e: Element): void => {
    const id = e.attributes.get("id");
    if (id !== undefined) byId.set(id, e);
    e.children.forEach(gather);
  };
  gather(root);
  const draw = (e: Element, name: string | undefined, stored: boolean): string => {
    if (e.tag === "style" || e.attributes.get("display") === "none") return "";
    if (UNSEEN.has(e.tag)) return "";
    const inside = stored || e.tag === "defs" || e.tag === "clipPath" || e.tag === "symbol";
    const used = e.tag === "use" ? byId.get(e.attributes.get("href")?.slice(1) ?? "") : undefined;
    const own = (e.tag === "svg" ? undefined : ownName(e)) ?? (used && ownName(used)) ?? name;
    if (!SHAPES.has(e.tag)) {
      const attributes = new Map([...e.attributes].filter(([n]) => PLACING.has(n) || ROOTED.has(n)));
      return written(e, attributes, e.children.map((c) => draw(c, own, inside)).join(""));
    }
    const attributes = new Map([...e.attributes].filter(([n]) => PLACING.has(n)));
    if (!inside) {
      if (!own || !isClosed(used && used.tag !== "g" ? used : e)) return "";
      const n = numberFor(own);
      if (!n) return "";
      attributes.set("fill", colourOf(n)).set("shape-rendering", "crispEdges");
    }
    return written(e, attributes, "");
  };
  const drawn = draw(root, undefined, false);
  return { named: numbers.size ? drawn : undefined, names: [...numbers.keys()] };
}

/**
 * A drawing in SVG made safe: shapes, their paint and the pictures in it only, no script, no event, no address that leads out of the file, no
 * text; what is left out is told.
 * @throws BadInput when it cannot be read, or is larger than can be drawn
 */
export function safeSvg(source: string): SafeSvg {
  const { root, images, leftOut } = treeOf(source);
  countDrawn(root);
  const { width, height, viewBox, mm } = sizeOf(root.attributes);
  const attributes = new Map(root.attributes)
    .set("xmlns", "http://www.w3.org/2000/svg")
    .set("viewBox", viewBox.join(" "))
    .set("width", String(width))
    .set("height", String(height));
  const whole: Element = { ...root, attributes };
  const { named, names } = coloured(whole);
  return { svg: plainly(whole), named, names, width, height, mm, images, leftOut: [...leftOut] };
}
