import type { StaticImageData } from "next/image";
import colouring from "./start-pictures/colouring.webp";
import light from "./start-pictures/light.webp";
import line from "./start-pictures/line.webp";
import { area, rows } from "./start-pictures/steps.json";

const PICTURES: readonly (readonly [title: string, says: string, picture: StaticImageData])[] = [
  ["Line", "A stamp, a drawing or a photo of it, and the areas between its lines", line],
  ["Light", "Where each area is light and where it is dark", light],
  ["Colouring", "As your own markers will lie on your own paper", colouring],
];

/** What Blendt does, on a piece of the demo: line, light, colouring, and how it is laid. */
export function WhatItDoes() {
  return (
    <section aria-label="What it does" className="mt-8">
      <ol className="m-0 grid list-none gap-4 p-0 min-[560px]:grid-cols-2 min-[900px]:grid-cols-4">
        {PICTURES.map(([title, says, { src, width, height }]) => (
          <li key={title}>
            <img
              src={src}
              width={width}
              height={height}
              alt=""
              className="block h-auto w-full border border-line"
            />
            <strong className="mt-2 block text-[16px]">{title}</strong>
            <span className="block text-[14px] text-soft">{says}.</span>
          </li>
        ))}
        <li className="flex flex-col">
          <ol
            className="m-0 flex-1 list-none border border-line bg-panel p-0 px-2"
            aria-label={`First steps of ${area}`}
          >
            {rows.map(([number, code, amount, , where]) => (
              <li key={number} className="border-b border-line py-1 text-[13px] leading-snug last:border-b-0">
                <span className="code">{code}</span> {amount}
                <span className="block truncate text-soft">{where}</span>
              </li>
            ))}
          </ol>
          <strong className="mt-2 block text-[16px]">Steps</strong>
          <span className="block text-[14px] text-soft">Marker by marker, to work from or to print.</span>
        </li>
      </ol>
    </section>
  );
}
