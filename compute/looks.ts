import { drawingName, type LineWish, type SheetWish } from "./drawings";
import { hashOf } from "./hash";

/** A drawing of a picture, as pages ask for it. */
export interface DrawingWish {
  readonly line: LineWish;
  readonly sheet: SheetWish;
}

/** How a picture's drawing is looked at, as questions say it. */
type Drawn = Omit<LineWish, "handle"> & SheetWish;

/** The drawing that a question is about, and its name among what is kept of its picture. */
export function drawingOfQuestion(
  handle: string,
  question: object,
): (DrawingWish & { readonly name: string }) | undefined {
  const said = ("drawn" in question ? question.drawn : question) as Partial<Drawn>;
  const { kind, corners = null, aspect = null, coarser = 1, width, gap, speck, cuts } = said;
  if (!kind || width === undefined || gap === undefined || speck === undefined || !cuts) return undefined;
  const line = { handle, kind, corners, aspect, coarser };
  const sheet = { width, gap, speck, cuts };
  return { line, sheet, name: drawingName(line, sheet) };
}

/** What a light is asked beside its drawing. */
interface LightAsked {
  readonly claims: unknown;
  readonly order: unknown;
  readonly forms: unknown;
  readonly light: unknown;
  readonly coarser: number;
  readonly reference: unknown;
}

/** Names a light among what is kept of its picture; undefined for a quick look, and where a reference is mixed in. */
export function lightName(question: object): string | undefined {
  const wish = drawingOfQuestion("", question);
  const { claims, order, forms, light, coarser = 1, reference } = question as Partial<LightAsked>;
  if (!wish || !light || coarser !== 1 || reference) return undefined;
  return `light-${hashOf([wish.name, claims, order ?? null, forms, light])}`;
}
