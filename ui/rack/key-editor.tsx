"use client";
import { ArrowLeft, ArrowRight, Plus, X } from "lucide-react";
import { useState } from "react";
import {
  completeCode,
  isRead,
  keyProblems,
  parseCode,
  type CodeKey,
  type DigitsPart,
  type KeyPart,
  type Meaning,
  type WordsPart,
} from "@/core/codes/key";
import { expectedBy, expectedInWords, keyProblemInWords, partInWords } from "@/words/codes";

const MEANINGS: readonly { readonly means: Meaning; readonly says: string }[] = [
  { means: "family", says: "colour family" },
  { means: "depth", says: "depth, pale to deep" },
  { means: "greyness", says: "greyness, clear to grey" },
  { means: "serial", says: "serial, no meaning" },
];

const fresh: Record<KeyPart["kind"], KeyPart> = {
  words: { kind: "words", means: "family", words: [] },
  digits: { kind: "digits", means: "depth", least: 1, most: 1, rising: true },
  separator: { kind: "separator", text: "-" },
};
const kindNames: Record<KeyPart["kind"], string> = {
  words: "Words or letters",
  digits: "Digits",
  separator: "Separator",
};

const wordsAsText = (part: WordsPart) =>
  part.words.map((w) => (w.written === w.name ? w.written : `${w.written} = ${w.name}`)).join("\n");
const textAsWords = (text: string) =>
  text.split("\n").flatMap((line) => {
    const [written = "", name] = line.split("=").map((t) => t.trim());
    return written ? [{ written, name: name || written }] : [];
  });

interface Props {
  readonly value: CodeKey;
  readonly onChange: (key: CodeKey) => void;
  /** Codes of the range, to try the key on. */
  readonly codes: readonly string[];
}

/** Describes how the codes of a range are written, part after part, and reads codes with it while one types. */
export function KeyEditor({ value, onChange, codes }: Props) {
  const setPart = (i: number, part: KeyPart) =>
    onChange({ ...value, parts: value.parts.map((p, j) => (j === i ? part : p)) });
  const move = (i: number, by: number) => {
    const parts = [...value.parts];
    const [taken] = parts.splice(i, 1);
    parts.splice(i + by, 0, taken!);
    onChange({ ...value, parts });
  };
  const problems = keyProblems(value).map((p) => keyProblemInWords(value, p));
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-stretch gap-2" role="group" aria-label="Parts of a code">
        {value.parts.map((part, i) => (
          <div
            key={i}
            role="group"
            aria-label={`Part ${i + 1}`}
            className="w-56 border border-strong bg-panel p-2"
          >
            <div className="flex items-center justify-between">
              <strong className="text-[14px]">
                {i + 1}. {kindNames[part.kind]}
              </strong>
              <span className="flex">
                <button
                  className="button-bare min-h-7 min-w-7 px-0"
                  disabled={i === 0}
                  onClick={() => move(i, -1)}
                  aria-label={`Part ${i + 1} earlier`}
                >
                  <ArrowLeft size={15} aria-hidden />
                </button>
                <button
                  className="button-bare min-h-7 min-w-7 px-0"
                  disabled={i === value.parts.length - 1}
                  onClick={() => move(i, 1)}
                  aria-label={`Part ${i + 1} later`}
                >
                  <ArrowRight size={15} aria-hidden />
                </button>
                <button
                  className="button-bare min-h-7 min-w-7 px-0"
                  onClick={() => onChange({ ...value, parts: value.parts.filter((_, j) => j !== i) })}
                  aria-label={`Take part ${i + 1} away`}
                >
                  <X size={15} aria-hidden />
                </button>
              </span>
            </div>
            <PartFields part={part} place={i + 1} onChange={(p) => setPart(i, p)} />
          </div>
        ))}
        <div className="flex w-44 flex-col justify-center gap-1">
          {(Object.keys(fresh) as KeyPart["kind"][]).map((kind) => (
            <button
              key={kind}
              className="button"
              onClick={() => onChange({ ...value, parts: [...value.parts, fresh[kind]] })}
            >
              <Plus size={15} aria-hidden /> {kindNames[kind]}
            </button>
          ))}
        </div>
      </div>
      <label className="block text-[14px]">
        Examples that must read, with spaces between
        <input
          className="field mt-0.5 w-full font-mono"
          defaultValue={value.examples.join("  ")}
          onBlur={(e) => onChange({ ...value, examples: e.target.value.split(/\s+/).filter(Boolean) })}
        />
      </label>
      {problems.length > 0 && (
        <ul className="m-0 border-l-4 border-strong pl-6 text-[14px]" role="alert">
          {problems.map((p) => (
            <li key={p}>{p}</li>
          ))}
        </ul>
      )}
      <LiveReading codeKey={value} codes={codes} />
    </div>
  );
}

function PartFields({
  part,
  place,
  onChange,
}: {
  part: KeyPart;
  place: number;
  onChange: (part: KeyPart) => void;
}) {
  const optional = (
    <label className="mt-1 flex items-center gap-1.5 text-[13px]">
      <input
        type="checkbox"
        className="size-4 accent-black"
        checked={part.optional ?? false}
        onChange={(e) => onChange({ ...part, optional: e.target.checked })}
      />{" "}
      may be left out
    </label>
  );
  if (part.kind === "separator")
    return (
      <>
        <input
          className="field mt-1 w-full font-mono"
          aria-label={`Text of part ${place}`}
          value={part.text}
          maxLength={10}
          onChange={(e) => onChange({ ...part, text: e.target.value })}
        />
        {optional}
      </>
    );
  const meaning = (
    <select
      className="field mt-1 w-full"
      aria-label={`What part ${place} says`}
      value={part.means}
      onChange={(e) => onChange({ ...part, means: e.target.value } as KeyPart)}
    >
      {MEANINGS.filter((m) => part.kind === "words" || m.means !== "family").map((m) => (
        <option key={m.means} value={m.means}>
          {m.says}
        </option>
      ))}
    </select>
  );
  if (part.kind === "digits")
    return (
      <DigitFields part={part} place={place} meaning={meaning} optional={optional} onChange={onChange} />
    );
  return (
    <>
      {meaning}
      <textarea
        className="field mt-1 h-28 w-full font-mono text-[13px]"
        aria-label={`Words of part ${place}`}
        placeholder={"one a line, in order\nw = willow"}
        defaultValue={wordsAsText(part)}
        onChange={(e) => onChange({ ...part, words: textAsWords(e.target.value) })}
      />
      {optional}
    </>
  );
}

function DigitFields({
  part,
  place,
  meaning,
  optional,
  onChange,
}: {
  part: DigitsPart;
  place: number;
  meaning: React.ReactNode;
  optional: React.ReactNode;
  onChange: (part: KeyPart) => void;
}) {
  const count = (key: "least" | "most") => (
    <input
      className="field w-14"
      type="number"
      min={1}
      max={6}
      aria-label={`${key === "least" ? "Fewest" : "Most"} digits of part ${place}`}
      value={part[key]}
      onChange={(e) => onChange({ ...part, [key]: Number(e.target.value) })}
    />
  );
  return (
    <>
      {meaning}
      <p className="mt-1 mb-0 flex items-center gap-1 text-[13px]">
        {count("least")} to {count("most")} digits
      </p>
      {part.means !== "serial" && (
        <select
          className="field mt-1 w-full text-[14px]"
          aria-label={`Which way the digits of part ${place} run`}
          value={String(part.rising)}
          onChange={(e) => onChange({ ...part, rising: e.target.value === "true" })}
        >
          <option value="true">{part.means === "depth" ? "higher is deeper" : "higher is greyer"}</option>
          <option value="false">{part.means === "depth" ? "higher is paler" : "higher is clearer"}</option>
        </select>
      )}
      {optional}
    </>
  );
}

function LiveReading({ codeKey, codes }: { codeKey: CodeKey; codes: readonly string[] }) {
  const [typed, setTyped] = useState("");
  const result = typed.trim() ? parseCode(codeKey, typed) : undefined;
  const ways = typed.trim() || codeKey.parts.length ? completeCode(codeKey, typed).slice(0, 18) : [];
  const unread = codes.map((c) => parseCode(codeKey, c)).filter((r) => !isRead(r));
  return (
    <section aria-label="Try the key" className="border-t border-line pt-3">
      <div className="grid gap-4 min-[700px]:grid-cols-2">
        <div>
          <label className="text-[14px]">
            Type a code and see it read
            <input
              className="field mt-0.5 w-full font-mono text-[18px]"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
              autoComplete="off"
              spellCheck={false}
            />
          </label>
          {ways.length > 0 && (
            <p className="my-1 text-[13px] text-soft">
              goes on:{" "}
              {ways.map((w) => (
                <button key={w} className="mx-0.5 font-mono underline" onClick={() => setTyped(w)}>
                  {w}
                </button>
              ))}
            </p>
          )}
        </div>
        <div aria-live="polite">
          {result && isRead(result) && (
            <ul className="m-0 flex list-none flex-wrap gap-2 p-0 pt-4">
              {result.read.map((taken) => (
                <li key={taken.part} className="border-b-3 border-text px-1 text-center">
                  <span className="block font-mono text-[20px]">{taken.text}</span>
                  <span className="block text-[13px] text-soft">{partInWords(taken) || "separator"}</span>
                </li>
              ))}
            </ul>
          )}
          {result && !isRead(result) && (
            <p className="mt-4 text-[15px]">
              <span className="font-mono text-[18px]">
                {result.code.slice(0, result.readUpTo)}
                <u className="decoration-2">{result.code.slice(result.readUpTo) || "…"}</u>
              </span>
              <br />
              <strong>Part {result.part + 1}.</strong> {expectedInWords(codeKey, result)}
            </p>
          )}
        </div>
      </div>
      <p className="mt-2 mb-0 text-[14px]">
        {codes.length === 0
          ? "The range has no codes yet."
          : unread.length === 0
            ? `All ${codes.length} codes of the range read.`
            : `${codes.length - unread.length} of ${codes.length} codes of the range read.`}
      </p>
      {unread.length > 0 && (
        <ul className="m-0 mt-1 max-h-40 overflow-y-auto pl-5 text-[14px]">
          {unread.slice(0, 40).map(
            (u) =>
              !isRead(u) && (
                <li key={u.code}>
                  <span className="code">{u.code}</span>:{" "}
                  {codeKey.parts[u.part]
                    ? `part ${u.part + 1} expects ${expectedBy(codeKey.parts[u.part]!)}`
                    : expectedInWords(codeKey, u)}
                </li>
              ),
          )}
        </ul>
      )}
    </section>
  );
}
