"use client";
import type { Material } from "@/core/group/material";
import type { Rack } from "@/store/rack";

interface Advice {
  readonly kind: string;
  readonly what: string;
}

const WHERE: readonly Advice[] = [
  {
    kind: "gel pen",
    what: "sparks in eyes, lips, nose tip, metal and glass; last, on dry ink and dry pencil",
  },
  { kind: "gouache", what: "larger opaque lights; last, on dry ink; not over wax, which it slides off" },
  { kind: "paint marker", what: "single hairs and glints; last, on dry ink" },
  { kind: "liner", what: "selected dark lines for contrast, where shapes need them" },
  {
    kind: "blender",
    what: "lifts a lost highlight, cleans an edge: on dry ink, about five minutes after; a poor tool for making blends",
  },
];

const NOT: Readonly<Partial<Record<Material, string>>> = {
  hair: "Do not paint the highlight band of hair white: leave it as paper, or lift it with the blender.",
  black: "Do not paint lights into black hair or cloth: leave them as paper.",
  fur: "Single pale hairs may be drawn with a paint marker; do not outline the fur.",
  skin: "White sparks on the nose tip and the lips only; softer lights with white pencil.",
};

/** Finishers on the rack: where each is for, when, and what not to use it for. */
export function Finishers({
  rack,
  material,
  toned,
}: {
  readonly rack: Rack;
  readonly material: Material;
  readonly toned: boolean;
}) {
  const owned = rack.others.filter((o) => o.owned);
  const rows = WHERE.map((a) => ({ ...a, items: owned.filter((o) => o.kind === a.kind) })).filter(
    (a) => a.items.length,
  );
  if (!rows.length) return null;
  const smears = owned.filter((o) => o.kind === "liner" && o.proof === false);
  return (
    <section aria-label="Finish" className="border-t border-line pt-2 text-[14px]">
      <h3 className="m-0 text-[15px]">Finish</h3>
      <ul className="m-0 list-none p-0">
        {rows.map((r) => (
          <li key={r.kind} className="grid grid-cols-[170px_minmax(0,1fr)] gap-x-3 border-t border-line py-1">
            <span className="code text-[13px]">{r.items.map((i) => i.code).join(", ")}</span>
            <span>{r.what}</span>
          </li>
        ))}
      </ul>
      {NOT[material] && (
        <p className="mt-1 mb-0 border-l-4 border-strong bg-panel py-1 pl-3">{NOT[material]}</p>
      )}
      {smears.length > 0 && (
        <p className="mt-1 mb-0 border-l-4 border-strong bg-panel py-1 pl-3">
          <span className="code">{smears.map((s) => s.code).join(", ")}</span> is not alcohol-proof: draw with
          it only when no marker will go over it.
        </p>
      )}
      {toned && (
        <p className="mt-1 mb-0 border-l-4 border-strong bg-panel py-1 pl-3">
          On toned paper the sheet itself is a middle value: leave it bare where it serves, and put the lights
          on with white and pale pencil.
        </p>
      )}
    </section>
  );
}
