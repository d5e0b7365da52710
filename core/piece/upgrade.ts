import type { Layer } from "@/core/media/layer";
import { inOrder } from "@/core/media/registry";
import { DEFAULT_LIGHT } from "@/core/light/light";
import { NO_GAINS } from "@/core/picture/balance";
import { DEFAULT_WHOLE, newArea } from "./piece";
import { DEFAULT_SET_UP } from "./set-up";

type Fields = Readonly<Record<string, unknown>>;

const isFields = (v: unknown): v is Fields => typeof v === "object" && v !== null && !Array.isArray(v);

/** Every area of a document changed; whatever is no area stays for the border to refuse. */
const eachArea = (document: Fields, change: (area: Fields) => unknown): unknown =>
  Array.isArray(document.areas)
    ? document.areas.map((a: unknown) => (isFields(a) ? change(a) : a))
    : document.areas;

/** Version 1 had areas without material, school, shadow and pencil, and nothing of the whole. */
function fromFirst(document: Fields): Fields {
  const { layers: _none, ...blank } = newArea("", "");
  const areas = eachArea(document, (a) => ({ ...blank, group: null, shadow: null, pencil: null, ...a }));
  return { ...document, version: 2, areas, whole: DEFAULT_WHOLE };
}

/** Version 2 had one group, one shadow and one pencil plan an area, each by itself. */
function fromSecond(document: Fields): Fields {
  const areas = eachArea(document, ({ group, shadow, pencil, ...area }) => {
    const tones: unknown[] = isFields(group) && Array.isArray(group.tones) ? group.tones : [];
    const layers: unknown[] = [
      ...tones.map((t) => (isFields(t) ? { medium: "tone", ...t } : t)),
      ...(isFields(shadow) ? [{ medium: "shadow", place: "shadow", ...shadow }] : []),
      ...(isFields(pencil) ? [{ medium: "pencil", place: "all", ...pencil }] : []),
    ];
    const sound = layers.every((l) => isFields(l) && (l.medium !== "shadow" || typeof l.kind === "string"));
    return { ...area, layers: sound ? inOrder(layers as Layer[]) : layers };
  });
  return { ...document, version: 3, areas };
}

/** Version 3 knew one reference and no drawing; areas had no place, and what touched was said by hand. */
function fromThird(document: Fields): Fields {
  const { place, white, past, fixed, joints } = newArea("", "");
  const areas = eachArea(document, (a) => ({ place, white, past, fixed, joints, ...a }));
  const references =
    typeof document.pictureId === "string"
      ? [{ pictureId: document.pictureId, pairs: [], gains: NO_GAINS }]
      : [];
  const { whole } = document;
  const said = isFields(whole) && Array.isArray(whole.neighbours) && !whole.neighbours.length;
  return {
    ...document,
    version: 4,
    references,
    setUp: DEFAULT_SET_UP,
    areas,
    ...(said && { whole: { ...whole, neighbours: null } }),
  };
}

/** Version 4 knew no light: areas had no form, and nobody had said where their tones go. */
function fromFourth(document: Fields): Fields {
  const { form, zones } = newArea("", "");
  return {
    ...document,
    version: 5,
    light: DEFAULT_LIGHT,
    areas: eachArea(document, (a) => ({ form, zones, ...a })),
  };
}

const STEPS: Readonly<Record<number, (document: Fields) => Fields>> = {
  1: fromFirst,
  2: fromSecond,
  3: fromThird,
  4: fromFourth,
};

/** A document of an earlier version in the present shape, one version after the other; anything else comes back as it is. */
export function upgradePiece(document: unknown): unknown {
  let now = document;
  for (;;) {
    const step = isFields(now) && typeof now.version === "number" ? STEPS[now.version] : undefined;
    if (!step) return now;
    now = step(now as Fields);
  }
}
