export const SURROUND_COOKIE = "surround";
export type Surround = "bright" | "dim";
export const isSurround = (v: string): v is Surround => v === "bright" || v === "dim";

const YEAR_SECONDS = 31_536_000;

/** Changes between the bright and the dim surround, and remembers it. */
export function switchSurround(): void {
  const root = document.documentElement;
  const next: Surround = root.dataset.surround === "dim" ? "bright" : "dim";
  root.dataset.surround = next;
  document.cookie = `${SURROUND_COOKIE}=${next};path=/;max-age=${YEAR_SECONDS};samesite=lax`;
}
