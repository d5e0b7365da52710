"use client";
import { homographyBetween } from "@/core/chart/homography";
import { aligned } from "@/core/picture/align";
import { WHOLE_PICTURE } from "@/core/picture/rectify";
import type { Reference } from "@/core/piece/set-up";
import type { PictureFacts } from "@/store/pictures";

/** How values are looked at: in colour, as greys, or in so many steps. */
export const VALUE_VIEWS = ["colour", "grey", "3 steps", "5 steps"] as const;
export type ValueView = (typeof VALUE_VIEWS)[number];

/** Levels of a posterised view, evenly spaced in lightness. */
const stepsOf = (view: ValueView) => (view === "3 steps" ? 3 : view === "5 steps" ? 5 : 0);

/** The filter that sets a reference's light right and shows its values; its name. */
export function LightFilter({
  id,
  gains,
  view,
}: {
  readonly id: string;
  readonly gains: readonly number[];
  readonly view: ValueView;
}) {
  const [r, g, b] = gains as [number, number, number];
  const steps = stepsOf(view);
  const table = Array.from({ length: steps }, (_, i) => (steps > 1 ? i / (steps - 1) : 0)).join(" ");
  return (
    <svg width="0" height="0" className="absolute" aria-hidden>
      <filter id={id} colorInterpolationFilters="linearRGB" x="0" y="0" width="1" height="1">
        <feColorMatrix values={`${r} 0 0 0 0  0 ${g} 0 0 0  0 0 ${b} 0 0  0 0 0 1 0`} />
        {view !== "colour" && (
          <feColorMatrix values="0.2126 0.7152 0.0722 0 0  0.2126 0.7152 0.0722 0 0  0.2126 0.7152 0.0722 0 0  0 0 0 1 0" />
        )}
        {steps > 0 && (
          <feComponentTransfer colorInterpolationFilters="sRGB">
            <feFuncR type="discrete" tableValues={table} />
            <feFuncG type="discrete" tableValues={table} />
            <feFuncB type="discrete" tableValues={table} />
          </feComponentTransfer>
        )}
      </filter>
    </svg>
  );
}

/** The transform that lays a picture of some size under a frame: CSS's matrix of the projective map. */
export function layingOf(
  pairs: Reference["pairs"],
  frame: { readonly width: number; readonly height: number },
  picture: { readonly width: number; readonly height: number },
): string {
  const place = aligned(pairs, frame, picture);
  const from = WHOLE_PICTURE.map(([x, y]) => {
    const [u, v] = place(x, y);
    return [u * picture.width, v * picture.height] as const;
  });
  const to = WHOLE_PICTURE.map(([x, y]) => [x * frame.width, y * frame.height] as const);
  const h = homographyBetween(from, to);
  return `matrix3d(${[h[0], h[3], 0, h[6], h[1], h[4], 0, h[7], 0, 0, 1, 0, h[2], h[5], 0, 1].join()})`;
}

/** A reference laid under the drawing, as far as it is aligned. */
export function ReferenceLayer({
  reference,
  picture,
  frame,
  filter,
  opacity,
  wipe,
}: {
  readonly reference: Reference;
  readonly picture: PictureFacts;
  /** Size of the drawing on the screen. */
  readonly frame: { readonly width: number; readonly height: number };
  readonly filter: string;
  readonly opacity: number;
  /** Share of the width, from the left, in which it is seen. */
  readonly wipe: number;
}) {
  return (
    <div
      className="absolute inset-0 overflow-hidden"
      style={{ opacity, clipPath: `inset(0 ${100 * (1 - wipe)}% 0 0)` }}
    >
      <img
        src={`/api/pictures/${picture.id}`}
        alt={`Reference ${picture.name}`}
        draggable={false}
        className="absolute top-0 left-0 max-w-none origin-top-left"
        style={{
          width: picture.width,
          height: picture.height,
          transform: layingOf(reference.pairs, frame, picture),
          filter: `url(#${filter})`,
        }}
      />
    </div>
  );
}
