import type { LayerPlace } from "@/core/media/layer";
import type { Pass } from "@/core/media/medium";
import { SHADOW_ORDER, type ShadowKind } from "@/core/shadow/shadow";
import { marksInWords, widthsInWords } from "./marks";
import { coatsInWords } from "./numbers";
import { drawingInWords } from "./pencil";
import { strokeInWords, whereInWords } from "./school";

/** Places of layers on an area. */
export const placeInWords: Readonly<Record<LayerPlace, string>> = {
  all: "all over",
  light: "in the light",
  mids: "in the mids",
  shadow: "in the shadow",
  edge: "along the edge",
};

const isPlace = (where: string): where is LayerPlace => where in placeInWords;
const isShadow = (role: string): role is ShadowKind => role in SHADOW_ORDER;

/** Where a pass goes. */
export function passWhere({ where, role, drawing, marks }: Pass): string {
  if (marks) {
    const shown = marks.length === 1 ? "it" : "them";
    return `${marksInWords(marks)} where the picture shows ${shown}, ${widthsInWords(marks)}`;
  }
  if (drawing) return drawingInWords(drawing).where;
  const place = isPlace(where) ? placeInWords[where] : whereInWords[where];
  if (role === "base") return `${place}, flat: it fills the tooth`;
  if (!isShadow(role)) return place;
  return SHADOW_ORDER[role] === "under"
    ? `${place}, bolder than feels right; let it dry`
    : `${place} only, over dry ink`;
}

/** How a pass is made. */
export function passStroke({ stroke, drawing, kind }: Pass): string {
  if (drawing) return drawingInWords(drawing).stroke;
  if (kind === "finish") return "last, on dry ink and dry pencil";
  return stroke === "point" ? "sharp point" : strokeInWords[stroke];
}

/** How much a pass lays, and what for. */
export function passAmount({ kind, role, coats }: Pass): string {
  if (kind === "draw") return "pencil";
  if (kind === "finish") return "finish";
  if (kind === "blend back") return "blend back";
  return `${role}, ${coats < 1 ? "a thin coat" : coatsInWords(Math.round(coats))}`;
}

/** All that is said of a pass in one line. */
export const passInWords = (p: Pass): string =>
  `${p.dry ? "when dry: " : ""}${passAmount(p)}, ${passWhere(p)}; ${passStroke(p)}`;

/** Where an ink of the whole piece's underlay goes, the first of so many being the lightest. */
export const underlayWhere = (place: number, of: number): string =>
  place === 0 ? "every shadow" : place === of - 1 ? "the deepest only" : "the deeper ones";
