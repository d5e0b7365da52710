"use client";
import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState } from "react";
import { readTypedThings } from "@/core/codes/typed-things";
import { KINDS, MOST_ON_RACK, type Kind } from "@/core/stock/kinds";
import type { ImportOutcome } from "@/store/rack";
import { Choice, FormError, Line } from "@/ui/studio/fields";
import { useSubmit } from "@/ui/studio/use-submit";
import { useTyped } from "@/ui/kit/use-typed";
import { send } from "@/ui/send";
import { counted } from "@/words/numbers";
import type { BeginProps } from "./begin-view";

const AT_ONCE = 400;
const LONGEST = 40;
const OTHERS = KINDS.filter((k) => k !== "marker");
const NAMES = Object.fromEntries(OTHERS.map((k) => [k, `${k}s`.replace("gouaches", "gouache")])) as Record<
  Exclude<Kind, "marker">,
  string
>;

/** Pencils, pens and paints as they are typed: one a line, each with its colour where one is known. */
export function TypeThings({
  ranges,
  paper,
}: {
  readonly ranges: BeginProps["ranges"];
  /** On which their colours are kept. */
  readonly paper: BeginProps["papers"][number] | undefined;
}) {
  const router = useRouter();
  const { text, type, done } = useTyped("other things");
  const [kind, setKind] = useState<Exclude<Kind, "marker">>("pencil");
  const [name, setName] = useState("My other things");
  const typed = useDeferredValue(text);
  const { things, problems, isCut } = useMemo(() => readTypedThings(typed, MOST_ON_RACK, LONGEST), [typed]);
  const { busy, error, submit } = useSubmit(async () => {
    const range = { name: name.trim(), families: [], key: null, homes: {} };
    const there = ranges.find((r) => r.name === range.name);
    const { id } = there ?? (await send<{ id: string }>("POST", "/api/ranges", range));
    const rows = things.map((t) => ({ ...t, kind, owned: true }));
    for (let at = 0; at < rows.length; at += AT_ONCE)
      await send<ImportOutcome>("POST", "/api/rack", {
        rangeId: id,
        ...(paper && { paperId: paper.id }),
        rows: rows.slice(at, at + AT_ONCE),
      });
    done();
    router.refresh();
  });
  return (
    <details className="mt-4">
      <summary className="text-[15px] font-semibold">Pencils, pens and other things beside them</summary>
      <form onSubmit={submit} className="mt-2 grid gap-3">
        <Choice says="They are" value={kind} options={NAMES} onChange={setKind} />
        <label className="grid gap-1 text-[15px]">
          One a line, by name or code; a colour behind it where you know one
          <textarea
            className="field min-h-24 font-mono"
            value={text}
            spellCheck={false}
            onChange={(e) => type(e.target.value)}
            placeholder={"chalk #f4f0e0\nsloe violet"}
          />
        </label>
        {things.length > 0 && (
          <p className="m-0 text-[15px]" aria-live="polite">
            <strong>{counted(things.length, kind)}</strong>, {things.filter((t) => t.colour).length} with a
            colour
            {!paper && things.some((t) => t.colour) && " (kept once there is a paper: add it first)"}
            {kind === "pencil" &&
              ". A pencil of which only a colour is known is planned with as a guess; drawdowns over white and over black, or strips, tell what it covers."}
          </p>
        )}
        {(problems.length > 0 || isCut) && (
          <p role="alert" className="m-0 text-[15px]">
            {isCut
              ? `Only the first ${MOST_ON_RACK} were taken.`
              : `Not understood: ${problems
                  .slice(0, 3)
                  .map((p) => `“${p.text}” in line ${p.line}`)
                  .join(", ")}.`}
          </p>
        )}
        <Line
          says="What you call them"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <FormError error={error} />
        <button className="button justify-self-start" disabled={busy || !things.length || !name.trim()}>
          Put them beside the markers
        </button>
      </form>
    </details>
  );
}
