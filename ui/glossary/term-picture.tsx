import type { ReactNode } from "react";
import type { TermPicture as Name } from "@/words/glossary-terms";

/** A made-up group, light to dark, in which all pictures are drawn. */
const TONES = ["#f0d9b8", "#dfb184", "#b97d52", "#7a4a33"] as const;
const [LIGHT, MID, DARK, SHADOW] = TONES;
const INK = "#222";
const VIOLET = "#8d7fae";

const bars = (colours: readonly string[], wide = 96) =>
  colours.map((c, i) => (
    <rect key={i} x={(i * wide) / colours.length} width={wide / colours.length + 0.5} height="48" fill={c} />
  ));

/** What is drawn beside each term, 96 × 48. */
const DRAWN: Readonly<Record<Name, ReactNode>> = {
  ramp: bars(TONES),
  "wet on wet": (
    <>
      <linearGradient id="g-wet">
        <stop offset="0.3" stopColor={LIGHT} />
        <stop offset="0.7" stopColor={DARK} />
      </linearGradient>
      <rect width="96" height="48" fill="url(#g-wet)" />
    </>
  ),
  "wet on dry": bars([LIGHT, DARK]),
  underlay: (
    <>
      <rect width="96" height="48" fill={MID} />
      <path d="M52 0H96V48H40Z" fill="#93614f" />
      <path d="M0 0H24V48H0Z" fill="#fff" />
      <path d="M12 0H24V48H8Z" fill={VIOLET} />
    </>
  ),
  overlay: (
    <>
      <rect width="96" height="48" fill={MID} />
      <path d="M46 0H96V48H34Z" fill="#55606e" opacity="0.5" />
    </>
  ),
  "from behind": (
    <>
      <radialGradient id="g-behind">
        <stop offset="0.35" stopColor={SHADOW} />
        <stop offset="0.82" stopColor={MID} />
        <stop offset="1" stopColor={LIGHT} />
      </radialGradient>
      <rect width="96" height="48" fill="#3c4250" />
      <circle cx="48" cy="24" r="21" fill="url(#g-behind)" />
    </>
  ),
  "passing before": (
    <>
      <linearGradient id="g-before" x2="0" y2="1">
        <stop offset="0.3" stopColor={SHADOW} />
        <stop offset="0.8" stopColor={MID} />
      </linearGradient>
      <rect width="96" height="48" fill="url(#g-before)" />
      <path d="M0 0H96V12Q48 26 0 12Z" fill="#7f93b5" stroke={INK} strokeWidth="2" />
    </>
  ),
  twins: (
    <>
      <circle cx="32" cy="24" r="17" fill={DARK} />
      <circle cx="66" cy="24" r="17" fill="#bb7f53" />
    </>
  ),
  gap: (
    <>
      <rect x="72" width="24" height="48" fill={SHADOW} />
      <rect x="24" width="24" height="48" fill={MID} />
      <rect width="24" height="48" fill={LIGHT} />
      <rect x="48" y="1" width="24" height="46" fill="#fff" stroke={INK} strokeDasharray="4 3" />
    </>
  ),
  sections: (
    <>
      <rect width="96" height="48" fill={MID} />
      <path
        d="M34 0Q28 24 36 48M66 0Q72 24 63 48"
        fill="none"
        stroke={INK}
        strokeWidth="1.5"
        strokeDasharray="3 3"
      />
    </>
  ),
  bleed: (
    <>
      <path
        d="M26 10q8 -6 18 -2q12 -6 24 2q8 8 3 16q4 10 -8 14q-14 5 -24 0q-12 2 -16 -8q-6 -10 3 -22z"
        fill={MID}
      />
      <rect x="30" y="11" width="36" height="27" fill="none" stroke={INK} strokeWidth="2.5" />
    </>
  ),
  tooth: (
    <>
      <path
        d="M0 34l6 -8l6 8l6 -9l6 9l6 -8l6 8l6 -9l6 9l6 -8l6 8l6 -9l6 9l6 -8l6 8l6 -9l6 9V48H0Z"
        fill="#cfc8ba"
      />
      <path
        d="M0 26l6 -2l6 2l6 -3l6 3l6 -2l6 2l6 -3l6 3l6 -2l6 2l6 -3l6 3l6 -2l6 2l6 -3l6 3"
        fill="none"
        stroke={DARK}
        strokeWidth="3.5"
        strokeDasharray="7 5"
      />
    </>
  ),
  coats: bars(["#e9c7a0", "#d3a376", "#bf8656"]),
  values: (
    <>
      <rect width="48" height="48" fill="#d98a5c" />
      <rect x="48" width="48" height="48" fill="#7fa08c" />
      <path d="M0 24H96V48H0Z" fill="#999" />
      <path d="M48 24V48" stroke="#909090" />
    </>
  ),
  "tone map": (
    <>
      <pattern id="g-dots" width="7" height="7" patternUnits="userSpaceOnUse">
        <circle cx="3" cy="3" r="1" fill={INK} />
      </pattern>
      <pattern id="g-hatch" width="5" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 5L5 0" stroke={INK} />
      </pattern>
      <rect width="96" height="48" fill="#fff" />
      <rect x="32" width="32" height="48" fill="url(#g-dots)" />
      <rect x="64" width="32" height="48" fill="url(#g-hatch)" />
      <path d="M32 0V48M64 0V48" stroke={INK} />
    </>
  ),
  "hair band": (
    <>
      <rect width="96" height="48" fill={SHADOW} />
      <path
        d="M0 20l8 -5l8 6l9 -6l8 5l9 -6l8 6l9 -5l8 5l9 -6l8 5l12 -4V30l-9 4l-8 -5l-9 5l-8 -5l-9 6l-8 -6l-9 5l-8 -5l-9 6l-8 -6l-9 5l-7 -4Z"
        fill={MID}
      />
      <path
        d="M0 24l8 -3l8 4l9 -4l8 3l9 -4l8 4l9 -3l8 3l9 -4l8 3l12 -2"
        fill="none"
        stroke={LIGHT}
        strokeWidth="4"
      />
    </>
  ),
  marks: (
    <>
      <rect width="96" height="48" fill="#3f6d78" />
      <circle cx="20" cy="20" r="3.5" fill="#fff" />
      <path d="M38 36Q44 20 40 10" fill="none" stroke="#fff" strokeWidth="2.5" strokeLinecap="round" />
      <path d="M56 40Q64 22 78 10L58 41Z" fill="#fff" />
      <circle cx="84" cy="34" r="7" fill="#fff" opacity="0.45" />
      <circle cx="84" cy="34" r="3.5" fill="#fff" opacity="0.7" />
    </>
  ),
  margin: (
    <>
      <path d="M22 8h52l8 16l-8 16h-52l-8 -16z" fill="#fff" stroke="#888" strokeDasharray="3 2" />
      <path d="M26 12h44l6 12l-6 12h-44l-6 -12z" fill={MID} stroke={INK} strokeWidth="2" />
    </>
  ),
};

/** What a term looks like: a sign beside words that say all of it. */
export const TermPicture = ({ name }: { readonly name: Name }) => (
  <svg
    viewBox="0 0 96 48"
    width="96"
    height="48"
    className="shrink-0 border border-line bg-white"
    aria-hidden
  >
    {DRAWN[name]}
  </svg>
);
