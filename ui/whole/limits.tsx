"use client";
import { Figure } from "@/ui/kit/figure";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import {
  neighboursOf,
  SCENES,
  tonesOf,
  type Area,
  type Piece,
  type Scene,
  type Whole,
} from "@/core/piece/piece";
import { NumberField } from "@/ui/kit/number-field";
import { useRun } from "@/ui/piece/piece-context";

/** What may be asked of a joint plan beside its figures. */
const KINDS = {
  stays: "… stays as it is",
  "stands out": "… stands out",
  apart: "… and … stand apart",
} as const;
type Kind = keyof typeof KINDS;

/** A limit in a sentence, with what takes it back. */
interface Sentence {
  readonly key: string;
  readonly says: string;
  readonly undo: () => void;
}

const staysAsItIs = (area: Area) => tonesOf(area).length > 0 && tonesOf(area).every((t) => t.locked);

/** What a joint plan must keep to, in sentences that are added and taken back. */
export function Limits({ piece }: { readonly piece: Piece }) {
  const run = useRun();
  const set = (wish: Partial<Whole>) => run({ type: "wish of the whole", set: wish });
  const nameOf = (id: string) => piece.areas.find((a) => a.id === id)?.name ?? "";
  const pairs = neighboursOf(piece);
  const touch = ([a, b]: readonly [string, string]) =>
    piece.setUp.touches.some(([x, y]) => (x === a && y === b) || (x === b && y === a));
  const sentences: Sentence[] = [
    ...piece.areas.filter(staysAsItIs).map(({ id, name }) => ({
      key: `stays ${id}`,
      says: `${name} stays as it is`,
      undo: () => run({ type: "lock group", id, locked: false }),
    })),
    ...piece.areas
      .filter((a) => a.emphasis)
      .map(({ id, name }) => ({
        key: `out ${id}`,
        says: `${name} stands out`,
        undo: () => run({ type: "set emphasis", id, emphasis: false }),
      })),
    // Areas that touch stand apart anyway; a piece without a drawing knows only what was said.
    ...pairs
      .filter((p) => piece.setUp.touches.length > 0 && !touch(p))
      .map((p) => ({
        key: `apart ${p.join(" ")}`,
        says: `${nameOf(p[0])} and ${nameOf(p[1])} stand apart`,
        undo: () => set({ neighbours: pairs.filter((q) => q !== p) }),
      })),
  ];
  return (
    <section aria-label="Limits" className="grid gap-1.5 text-[14px]">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
        <label className="flex items-center gap-1.5">
          The scene is{" "}
          <select
            className="field"
            aria-label="Scene"
            value={piece.whole.scene}
            onChange={(e) => set({ scene: e.target.value as Scene })}
          >
            {SCENES.map((s) => (
              <option key={s}>{s}</option>
            ))}
          </select>
        </label>
        <span className="flex items-center gap-1.5">
          neighbours differ by at least{" "}
          <NumberField
            label="Least difference between neighbours"
            value={piece.whole.apart}
            least={0}
            most={60}
            width="w-14"
            onChange={(apart) => set({ apart: apart! })}
          />{" "}
          <Figure unit="ΔE00">ΔE00</Figure>
        </span>
        <span className="flex items-center gap-1.5">
          at most{" "}
          <NumberField
            label="At most so many markers"
            value={piece.whole.markerLimit}
            least={2}
            most={400}
            whole
            empty="any"
            width="w-14"
            onChange={(markerLimit) => set({ markerLimit })}
          />{" "}
          markers
        </span>
      </div>
      <ul aria-label="Sentences" className="m-0 flex list-none flex-wrap items-center gap-1.5 p-0">
        {sentences.map(({ key, says, undo }) => (
          <li key={key}>
            <button
              className="button min-h-8 gap-1 px-2 py-0"
              aria-label={`No longer: ${says}`}
              onClick={undo}
            >
              {says}
              <X size={14} aria-hidden />
            </button>
          </li>
        ))}
        <li>
          <NewLimit
            areas={piece.areas}
            onAdd={(kind, a, b) => {
              if (kind === "stays") run({ type: "lock group", id: a, locked: true });
              else if (kind === "stands out") run({ type: "set emphasis", id: a, emphasis: true });
              else if (!pairs.some((p) => p.includes(a) && p.includes(b)))
                set({ neighbours: [...pairs, [a, b]] });
            }}
          />
        </li>
      </ul>
    </section>
  );
}

/** A sentence that is put together: what, and of which areas. */
function NewLimit({
  areas,
  onAdd,
}: {
  readonly areas: readonly Area[];
  readonly onAdd: (kind: Kind, area: string, other: string) => void;
}) {
  const [kind, setKind] = useState<Kind>();
  const [area, setArea] = useState<string>();
  const [other, setOther] = useState<string>();
  if (!kind)
    return (
      <button
        className="button-bare min-h-8 gap-1 px-1"
        disabled={!areas.length}
        onClick={() => {
          setKind("stays");
          setArea(areas[0]!.id);
          setOther(areas[1]?.id ?? areas[0]!.id);
        }}
      >
        <Plus size={14} aria-hidden /> Add a sentence
      </button>
    );
  const of = (label: string, value: string, onChange: (id: string) => void) => (
    <select
      className="field min-h-8 py-0"
      aria-label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    >
      {areas.map((a, i) => (
        <option key={a.id} value={a.id}>
          {i + 1} {a.name}
        </option>
      ))}
    </select>
  );
  return (
    <form
      className="flex flex-wrap items-center gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (kind !== "apart" || area !== other) onAdd(kind, area!, other!);
        setKind(undefined);
      }}
    >
      {of("Area of the sentence", area!, setArea)}
      {kind === "apart" && <>and {of("Other area of the sentence", other!, setOther)}</>}
      <select
        className="field min-h-8 py-0"
        aria-label="What the sentence says"
        value={kind}
        onChange={(e) => setKind(e.target.value as Kind)}
      >
        {Object.entries(KINDS).map(([k, says]) => (
          <option key={k} value={k}>
            {says}
          </option>
        ))}
      </select>
      <button className="button min-h-8 py-0" disabled={kind === "apart" && area === other}>
        Add
      </button>
      <button type="button" className="button-bare min-h-8" onClick={() => setKind(undefined)}>
        Cancel
      </button>
    </form>
  );
}
