"use client";
import { homographyBetween } from "@/core/algebra/homography";
import { aligned } from "@/core/picture/align";
import { WHOLE_PICTURE } from "@/core/picture/rectify";
import type { Reference } from "@/core/piece/set-up";
import type { PictureFacts } from "@/store/pictures";

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
