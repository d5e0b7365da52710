"use client";
import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState } from "react";
import { familyOf, guessKey, readTypedCodes } from "@/core/codes/typed";
import { isRead, parseCode } from "@/core/codes/key";
import { MOST_ON_RACK } from "@/core/stock/kinds";
import type { ImportOutcome } from "@/store/rack";
import { Choice, FormError, Line } from "@/ui/studio/fields";
import { useSubmit } from "@/ui/studio/use-submit";
import { useTyped } from "@/ui/kit/use-typed";
import { send } from "@/ui/send";
import { counted } from "@/words/numbers";
import type { BeginProps } from "./begin-view";

const AT_ONCE = 400;
const LONGEST_CODE = 40;
const DEPTHS = {
  deeper: "a deeper colour",
  paler: "a paler colour",
  nothing: "nothing about depth",
} as const;

/** Markers as they are typed from their caps: a family at a time, ranges of digits, or one code after another. */
export function TypeCodes({
  ranges,
  known,
}: {
  readonly ranges: BeginProps["ranges"];
  readonly known: readonly string[];
}) {
  const router = useRouter();
  const { text, type, done } = useTyped("codes of markers");
  const [name, setName] = useState(ranges[0]?.name ?? "My markers");
  const [depth, setDepth] = useState<keyof typeof DEPTHS>("deeper");
  const typed = useDeferredValue(text);
  const { codes, problems, isCut } = useMemo(
    () => readTypedCodes(typed, MOST_ON_RACK, LONGEST_CODE),
    [typed],
  );
  const key = useMemo(
    () => (depth === "nothing" ? undefined : guessKey(codes, depth === "deeper")),
    [codes, depth],
  );
  const families = useMemo(() => {
    const out = new Map<string, string[]>();
    for (const code of codes) {
      const parsed = key && parseCode(key, code);
      const family = (parsed && isRead(parsed) && parsed.family) || familyOf(code);
      const own = out.get(family);
      if (own) own.push(code);
      else out.set(family, [code]);
    }
    return out;
  }, [codes, key]);
  const fresh = codes.filter((c) => !known.includes(c)).length;
  const { busy, error, submit } = useSubmit(async () => {
    const range = { name: name.trim(), families: [...families.keys()], key: key ?? null, homes: {} };
    const there = ranges.find((r) => r.name === range.name);
    // Codes of a range that is there join it; its key stays as it was described.
    const { id } = there ?? (await send<{ id: string }>("POST", "/api/ranges", range));
    const rows = [...families].flatMap(([family, own]) =>
      own.map((code) => ({ code, family: family.slice(0, 60), kind: "marker", owned: true })),
    );
    for (let at = 0; at < rows.length; at += AT_ONCE)
      await send<ImportOutcome>("POST", "/api/rack", { rangeId: id, rows: rows.slice(at, at + AT_ONCE) });
    done();
    router.refresh();
  });
  return (
    <form onSubmit={submit} className="grid gap-3">
      <label className="grid gap-1 text-[15px]">
        Type the codes from their caps: one after another, or a family a line with its numbers and endings
        <textarea
          className="field min-h-28 font-mono"
          value={text}
          spellCheck={false}
          onChange={(e) => type(e.target.value)}
          placeholder={"reed 1-9 c m\nclay 2-6 c\nsoot3m soot5m"}
        />
      </label>
      {codes.length > 0 && (
        <div className="grid gap-1 text-[15px]" aria-live="polite">
          <strong>
            {counted(codes.length, "marker")} in{" "}
            {families.size === 1 ? "one family" : `${families.size} families`}
            {fresh < codes.length && `; ${codes.length - fresh} are on the rack already`}
          </strong>
          <ul className="m-0 grid max-h-40 list-none gap-0.5 overflow-y-auto p-0">
            {[...families].slice(0, 60).map(([family, own]) => (
              <li key={family} className="flex gap-3">
                <span className="w-24 shrink-0 truncate font-semibold">{family}</span>
                <span className="code min-w-0 truncate font-normal">{own.slice(0, 30).join(" ")}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {(problems.length > 0 || isCut) && (
        <p role="alert" className="m-0 text-[15px]">
          {isCut
            ? `Only the first ${MOST_ON_RACK} were taken.`
            : `Too long for a code: ${problems
                .slice(0, 3)
                .map((p) => `“${p.text}” in line ${p.line}`)
                .join(", ")}.`}
        </p>
      )}
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
        <Line
          says="What you call this range"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <Choice says="A higher number means" value={depth} options={DEPTHS} onChange={setDepth} />
      </div>
      <FormError error={error} />
      <div className="flex flex-wrap items-center gap-4">
        <button className="button button-main" disabled={busy || !codes.length || !name.trim()}>
          Put them on the rack
        </button>
        <a href="/rack?view=import" className="text-[15px] underline">
          Or bring in a file
        </a>
      </div>
    </form>
  );
}
