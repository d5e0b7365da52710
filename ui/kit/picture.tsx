"use client";
import Image from "next/image";
import type { CSSProperties } from "react";
import { PICTURE_WIDTHS } from "@/core/picture/widths";

/** Where a picture of the studio is, in the nearest of the widths in which it is sent. */
const sized = ({ src, width }: { readonly src: string; readonly width: number }) =>
  `${src}${src.includes("?") ? "&" : "?"}width=${PICTURE_WIDTHS.find((w) => w >= width) ?? PICTURE_WIDTHS.at(-1)}`;

/** A picture of the studio to be looked at: its place is kept from the start, and it comes in the size in which it is seen. */
export const Picture = ({
  id,
  src,
  width,
  height,
  sizes,
  alt = "",
  className = "",
  style,
  first = false,
}: {
  /** Of a picture of the studio; or the address of another that the server has in these widths. */
  readonly id?: string;
  readonly src?: string;
  /** Of the working copy, pixels. */
  readonly width: number;
  readonly height: number;
  readonly sizes: string;
  readonly alt?: string;
  readonly className?: string;
  readonly style?: CSSProperties;
  /** The first thing that one sees. */
  readonly first?: boolean;
}) => (
  <Image
    loader={sized}
    src={src ?? `/api/pictures/${id}`}
    width={width}
    height={height}
    sizes={sizes}
    alt={alt}
    className={className}
    {...(style && { style })}
    draggable={false}
    {...(first ? { loading: "eager" as const, fetchPriority: "high" as const } : {})}
  />
);
