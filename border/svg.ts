import { SaxesParser, type SaxesTagPlain } from "saxes";
import { wrong } from "./problem";

/** A drawing that is safe to draw: nothing in it runs, is fetched or is shown but shapes. */
export interface SafeSvg {
  readonly svg: string;
  /** The same shapes, each that has a name filled with a colour of its own and without edges blended; undefined when nothing has a name. */
  readonly named: string | undefined;
  /** Names by their number, from 1; {@link numberOf} tells the number of a colour. */
  readonly names: readonly string[];
  /** Width and height as drawn, in its own units. */
  readonly width: number;
  readonly height: number;
}

const SHAPES = new Set(["path", "rect", "circle", "ellipse", "line", "polyline", "polygon", "use"]);
const KEPT = new Set([
  ...SHAPES,
  ...["svg", "g", "defs", "symbol", "clipPath", "style"],
  ...["linearGradient", "radialGradient", "stop"],
]);
/** Left out, with what is in them kept. */
const UNWRAPPED = new Set(["a", "switch"]);
const GEOMETRY =
  "id class style d x y x1 y1 x2 y2 cx cy r rx ry fx fy width height points transform viewBox preserveAspectRatio offset";
const PAINT =
  "fill fill-rule fill-opacity stroke stroke-width stroke-linecap stroke-linejoin stroke-miterlimit stroke-dasharray stroke-dashoffset stroke-opacity opacity color display visibility clip-path clip-rule paint-order vector-effect stop-color stop-opacity gradientUnits gradientTransform spreadMethod clipPathUnits";
const ATTRIBUTES = new Set([...GEOMETRY.split(" "), ...PAINT.split(" ")]);
/** Of attributes that name something by url(): only what lies in the file. */
const FETCHES = /url\(\s*['"]?\s*(?!#)|@import|expression\(|javascript:/i;

const MOST_ELEMENTS = 60_000;
const MOST_DEPTH = 60;
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
  const apart = words
    .replace(/([a-z])([A-Z])/g, "$1 $2")
    .replace(/[-_.]+/g, " ")
    .replace(/\s+/g, " ")
    .trim()
    .slice(0, LONGEST_NAME);
  return /\p{L}/u.test(apart) ? apart[0]!.toUpperCase() + apart.slice(1).toLowerCase() : undefined;
}

const escaped = (v: string) =>
  v.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

/** Colour that stands for a name's number. */
const colourOf = (n: number) => `rgb(${n >> 8},${n & 255},128)`;

/** The number that a colour stands for, 0 for none. */
export const numberOf = (r: number, g: number, b: number): number => (b === 128 ? r * 256 + g : 0);

interface Element {
  readonly tag: string;
  readonly attributes: ReadonlyMap<string, string>;
  readonly children: Element[];
  text: string;
  label?: string;
}

const localName = (name: string) => name.slice(name.indexOf(":") + 1);

function attributesOf(tag: string, given: SaxesTagPlain["attributes"]): Map<string, string> {
  const out = new Map<string, string>();
  for (const [name, value] of Object.entries(given)) {
    const local = localName(name);
    if (local === "href") {
      if (tag === "use" && /^#[^\s]{1,200}$/.test(value)) out.set("href", value);
    } else if (!name.includes(":") && ATTRIBUTES.has(name) && !FETCHES.test(value)) out.set(name, value);
  }
  return out;
}

/** The tree of what is kept. */
function treeOf(source: string): Element {
  const parser = new SaxesParser();
  const path: (Element | "left out" | "unwrapped")[] = [];
  const roots: Element[] = [];
  let count = 0;
  let trouble: string | undefined;
  let titled: Element | undefined;
  parser.on("error", (e) => (trouble ??= e.message));
  parser.on("opentag", (tag) => {
    if (trouble) return;
    const name = localName(tag.name);
    if (++count > MOST_ELEMENTS || path.length > MOST_DEPTH) {
      trouble = `more than ${MOST_ELEMENTS} elements, or ${MOST_DEPTH} inside each other`;
      return;
    }
    const last = path[path.length - 1];
    const parent = path.findLast((e): e is Element => typeof e === "object");
    if (name === "title" && typeof last === "object") titled = last;
    if (last === "left out" || (!KEPT.has(name) && !UNWRAPPED.has(name))) {
      path.push("left out");
      return;
    }
    if (UNWRAPPED.has(name)) {
      path.push("unwrapped");
      return;
    }
    const label = Object.entries(tag.attributes).find(([n]) => localName(n) === "label")?.[1];
    const element: Element = {
      tag: name,
      attributes: attributesOf(name, tag.attributes),
      children: [],
      text: "",
      ...(label !== undefined && { label }),
    };
    if (parent) parent.children.push(element);
    else roots.push(element);
    path.push(element);
  });
  parser.on("closetag", () => {
    path.pop();
    titled = undefined;
  });
  const styled = (text: string): boolean => {
    const here = path[path.length - 1];
    if (typeof here !== "object" || here.tag !== "style") return false;
    here.text += text;
    return true;
  };
  parser.on("cdata", styled);
  parser.on("text", (text) => {
    if (!styled(text) && titled && titled.tag !== "svg" && text.trim()) titled.label ??= text.trim();
  });
  // In stretches, so that what is too much is not read to its end.
  const STRETCH = 65_536;
  for (let i = 0; i < source.length && !trouble; i += STRETCH) parser.write(source.slice(i, i + STRETCH));
  if (!trouble) parser.close();
  const [root] = roots;
  const shapes = (e: Element): boolean => SHAPES.has(e.tag) || e.children.some(shapes);
  if (trouble || root?.tag !== "svg" || !shapes(root))
    throw wrong(
      "",
      `This SVG cannot be read: ${trouble ?? "it has no drawing in it"}. Save it again as plain SVG, or as PNG.`,
    );
  return root;
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
    const used = e.tag === "use" && byId.get(e.attributes.get("href")?.slice(1) ?? "");
    if (used) sum += drawn(used);
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

const ROOTED = new Set(["xmlns", "viewBox", "clipPathUnits"]);

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

const length = (v: string | undefined): number | undefined => {
  const n = parseFloat(v ?? "");
  return v !== undefined && !v.includes("%") && n > 0 && n < 1e6 ? n : undefined;
};

/**
 * A drawing in SVG made safe: shapes and their paint only, no script, no event, no address that leads out of the file, no text.
 * @throws BadInput when it cannot be read, or is larger than can be drawn
 */
export function safeSvg(source: string): SafeSvg {
  const root = treeOf(source);
  countDrawn(root);
  const box = root.attributes
    .get("viewBox")
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  const boxed =
    box?.length === 4 && box.every(Number.isFinite) && box[2]! > 0 && box[3]! > 0 ? box : undefined;
  const width = boxed?.[2] ?? length(root.attributes.get("width")) ?? 300;
  const height = boxed?.[3] ?? length(root.attributes.get("height")) ?? 300;
  const attributes = new Map(root.attributes);
  if (!boxed) attributes.set("viewBox", `0 0 ${width} ${height}`);
  attributes
    .set("xmlns", "http://www.w3.org/2000/svg")
    .set("width", String(width))
    .set("height", String(height));
  const whole: Element = { ...root, attributes };
  const { named, names } = coloured(whole);
  return { svg: plainly(whole), named, names, width, height };
}
