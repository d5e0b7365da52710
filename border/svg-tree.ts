import { SaxesParser, type SaxesTagPlain } from "saxes";
import { wrong } from "./problem";

export interface Element {
  readonly tag: string;
  readonly attributes: Map<string, string>;
  readonly children: Element[];
  text: string;
  label?: string;
}

/** What of a drawing is not drawn, in our words. */
export const LEFT_OUT = [
  "text",
  "a picture that lies elsewhere",
  "an effect",
  "movement",
  "a page within it",
] as const;
export type LeftOut = (typeof LEFT_OUT)[number];

export interface Tree {
  readonly root: Element;
  /** Pictures that are in the file, base64; image n refers to the nth by {@link IMAGE}. */
  readonly images: readonly string[];
  readonly leftOut: ReadonlySet<LeftOut>;
}

/** Stands for a picture of the file until it has been looked at. */
export const IMAGE = "picture-";

export const SHAPES = new Set(["path", "rect", "circle", "ellipse", "line", "polyline", "polygon", "use"]);
const PRIMITIVES = [
  ...["feGaussianBlur", "feOffset", "feFlood", "feBlend", "feComposite", "feMerge", "feMergeNode"],
  ...["feColorMatrix", "feComponentTransfer", "feFuncR", "feFuncG", "feFuncB", "feFuncA"],
];
const KEPT = new Set([
  ...SHAPES,
  ...["svg", "g", "defs", "symbol", "clipPath", "style", "pattern", "marker", "mask", "image", "filter"],
  ...["linearGradient", "radialGradient", "stop"],
  ...PRIMITIVES,
]);
/** What only groups what is in it. */
const GROUPS = new Set(["a", "switch"]);
/** What names another one of its kind, or a shape, within the file. */
const REFERS = new Set(["use", "linearGradient", "radialGradient", "pattern", "filter"]);
const NOT_DRAWN: Readonly<Record<string, LeftOut>> = {
  text: "text",
  flowRoot: "text",
  foreignObject: "a page within it",
  animate: "movement",
  animateTransform: "movement",
  animateMotion: "movement",
  set: "movement",
  feImage: "an effect",
  feTurbulence: "an effect",
  feMorphology: "an effect",
  feDisplacementMap: "an effect",
  feDiffuseLighting: "an effect",
  feSpecularLighting: "an effect",
  feConvolveMatrix: "an effect",
  feTile: "an effect",
};

const GEOMETRY =
  "id class style d x y x1 y1 x2 y2 cx cy r rx ry fx fy fr width height points transform viewBox preserveAspectRatio offset overflow";
const PAINT =
  "fill fill-rule fill-opacity stroke stroke-width stroke-linecap stroke-linejoin stroke-miterlimit stroke-dasharray stroke-dashoffset stroke-opacity opacity color display visibility clip-path clip-rule paint-order vector-effect stop-color stop-opacity gradientUnits gradientTransform spreadMethod clipPathUnits";
const SERVERS =
  "patternUnits patternContentUnits patternTransform markerUnits markerWidth markerHeight refX refY orient marker marker-start marker-mid marker-end mask maskUnits maskContentUnits mask-type";
const EFFECTS =
  "filter filterUnits primitiveUnits in in2 result stdDeviation dx dy flood-color flood-opacity mode operator k1 k2 k3 k4 type values tableValues slope intercept amplitude exponent color-interpolation-filters";
const ATTRIBUTES = new Set([GEOMETRY, PAINT, SERVERS, EFFECTS].flatMap((names) => names.split(" ")));
/** Of attributes that name something by url(): only what lies in the file. */
export const FETCHES = /url\(\s*['"]?\s*(?!#)|@import|expression\(|javascript:/i;

const MOST_ELEMENTS = 60_000;
const MOST_DEPTH = 60;
const MOST_IMAGES = 24;
const MOST_PRIMITIVES = 400;
/** Entities of a document type that are taken, and their length: some programs write addresses and styles so. */
const [MOST_ENTITIES, LONGEST_ENTITY] = [80, 500];
/** Characters that entities may make of a drawing in all. */
const MOST_EXPANDED = 2_000_000;
const PICTURE = /^data:image\/(?:png|jpe?g|webp|gif)(?:;[a-z0-9=-]{0,40})*;base64,/i;

const localName = (name: string) => name.slice(name.indexOf(":") + 1);
const prefixOf = (name: string) => (name.includes(":") ? name.slice(0, name.indexOf(":")) : "");

/** The tree of what is kept of a drawing. */
export function treeOf(source: string): Tree {
  const parser = new SaxesParser();
  const path: (Element | "left out")[] = [];
  const roots: Element[] = [];
  const images: string[] = [];
  const leftOut = new Set<LeftOut>();
  let [count, primitives] = [0, 0];
  let trouble: string | undefined;
  let titled: Element | undefined;
  let prefix: string | undefined;
  parser.on("error", (e) => (trouble ??= e.message));
  parser.on("doctype", (type) => {
    let n = 0;
    // Each place where one is named could be the longest.
    const named = source.match(/&[\w.-]{1,60};/g)?.length ?? 0;
    if (named * LONGEST_ENTITY > MOST_EXPANDED) return;
    for (const [, name, , value] of type.matchAll(/<!ENTITY\s+([\w.-]{1,60})\s+(["'])([^"'&<%]*)\2\s*>/g))
      if (n++ < MOST_ENTITIES && value!.length <= LONGEST_ENTITY) parser.ENTITIES[name!] = value!;
  });

  function attributesOf(tag: string, given: SaxesTagPlain["attributes"]): Map<string, string> {
    const out = new Map<string, string>();
    for (const [name, value] of Object.entries(given)) {
      if (localName(name) === "href") {
        if (REFERS.has(tag) && /^#[^\s]{1,200}$/.test(value)) out.set("href", value);
        else if (tag === "image" && PICTURE.test(value) && images.length < MOST_IMAGES) {
          images.push(value.slice(value.indexOf(",") + 1));
          out.set("href", `${IMAGE}${images.length - 1}`);
        }
      } else if (!name.includes(":") && ATTRIBUTES.has(name) && !FETCHES.test(value)) out.set(name, value);
    }
    return out;
  }

  parser.on("opentag", (tag) => {
    if (trouble) return;
    const name = localName(tag.name);
    prefix ??= prefixOf(tag.name);
    if (++count > MOST_ELEMENTS || path.length > MOST_DEPTH) {
      trouble = `more than ${MOST_ELEMENTS} elements, or ${MOST_DEPTH} inside each other`;
      return;
    }
    const last = path[path.length - 1];
    if (name === "title" && typeof last === "object") titled = last;
    // What has another prefix than the drawing itself is another program's.
    const isOwn = prefixOf(tag.name) === prefix || prefixOf(tag.name) === "";
    if (last !== "left out" && isOwn && Object.hasOwn(NOT_DRAWN, name)) leftOut.add(NOT_DRAWN[name]!);
    if (last === "left out" || !isOwn || (!KEPT.has(name) && !GROUPS.has(name))) {
      path.push("left out");
      return;
    }
    if (name.startsWith("fe") && ++primitives > MOST_PRIMITIVES) {
      leftOut.add("an effect");
      path.push("left out");
      return;
    }
    const attributes = attributesOf(name, tag.attributes);
    if (name === "image" && !attributes.has("href")) {
      leftOut.add("a picture that lies elsewhere");
      path.push("left out");
      return;
    }
    const label = Object.entries(tag.attributes).find(([n]) => localName(n) === "label")?.[1];
    const element: Element = {
      tag: GROUPS.has(name) ? "g" : name,
      attributes,
      children: [],
      text: "",
      ...(label !== undefined && { label }),
    };
    if (typeof last === "object") last.children.push(element);
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
  const isDrawn = (e: Element): boolean => SHAPES.has(e.tag) || e.tag === "image" || e.children.some(isDrawn);
  const missing = leftOut.size ? `, and this cannot come with it: ${[...leftOut].join(", ")}` : "";
  if (trouble || root?.tag !== "svg" || !isDrawn(root))
    throw wrong(
      "",
      `This SVG cannot be read: ${trouble ?? `it has no drawing in it${missing}`}. Save it again as plain SVG, or as PNG.`,
    );
  return { root, images, leftOut };
}
