import type { FormKind } from "@/core/light/form";

/**
 * A small picture of a form under light from the upper left.
 * @param of tells icons of one kind apart on a page
 */
export function FormIcon({ kind, of = "" }: { readonly kind: FormKind; readonly of?: string }) {
  const id = `form-${kind}${of}`;
  return (
    <svg viewBox="0 0 44 32" width="44" height="32" aria-hidden>
      <defs>
        {kind === "ball" ? (
          <radialGradient id={id} cx="0.35" cy="0.3" r="0.75">
            <stop offset="0" stopColor="#fff" />
            <stop offset="1" stopColor="#555" />
          </radialGradient>
        ) : (
          <linearGradient
            id={id}
            x1="0"
            x2={kind === "folded" ? "0.34" : "0"}
            y2={kind === "folded" ? "0" : "1"}
            spreadMethod={kind === "folded" ? "repeat" : "pad"}
          >
            <stop offset="0" stopColor={kind === "flat" ? "#ccc" : "#eee"} />
            <stop offset="0.3" stopColor={kind === "flat" ? "#ccc" : "#fff"} />
            <stop offset="1" stopColor={kind === "flat" ? "#ccc" : "#666"} />
          </linearGradient>
        )}
      </defs>
      {kind === "ball" && <circle cx="22" cy="16" r="13" fill={`url(#${id})`} stroke="#000" />}
      {(kind === "tube" || kind === "flat" || kind === "folded") && (
        <rect x="4" y="5" width="36" height="22" fill={`url(#${id})`} stroke="#000" />
      )}
      {kind === "like" && (
        <>
          <path d="M4 27V5h18v22z" fill="#eee" stroke="#000" />
          <path d="M22 27V5h18v22z" fill="#bbb" stroke="#000" strokeDasharray="2 2" />
        </>
      )}
    </svg>
  );
}
