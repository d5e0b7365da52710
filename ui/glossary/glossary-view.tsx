"use client";
import { Printer } from "lucide-react";
import { useState } from "react";
import { anchorOf, termsFor } from "@/words/glossary";
import { GLOSSARY } from "@/words/glossary-terms";
import { counted } from "@/words/numbers";
import { TermPicture } from "./term-picture";

const ALL = GLOSSARY.reduce((sum, g) => sum + g.terms.length, 0);

/** The craft's words: what each is, when it matters, where Blendt has it. */
export function GlossaryView() {
  const [words, setWords] = useState("");
  const found = termsFor(words);
  const n = found.reduce((sum, g) => sum + g.terms.length, 0);
  return (
    <main id="main" className="mx-auto max-w-[1320px] px-4 py-4">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="m-0 text-[24px]">Words of the craft</h1>
        <label className="screen-only ml-auto flex items-center gap-2 text-[15px]">
          Find
          <input
            type="search"
            className="field w-56"
            value={words}
            onChange={(e) => setWords(e.target.value)}
            placeholder="underlay, wet on dry"
            maxLength={80}
          />
        </label>
        <span className="screen-only text-[14px] text-soft" role="status">
          {words.trim() ? `${n} of ${counted(ALL, "word")}` : counted(ALL, "word")}
        </span>
        <button className="button screen-only" onClick={() => window.print()}>
          <Printer size={17} aria-hidden /> Print
        </button>
      </div>
      {n === 0 && <p className="text-[16px] text-soft">No word of the craft holds that.</p>}
      {found.map(({ about, terms }) => (
        <section key={about} aria-label={about} className="mb-6">
          <h2 className="m-0 mb-2 border-b border-strong pb-1 text-[17px]">{about}</h2>
          <dl className="m-0 grid gap-x-8 gap-y-4 min-[900px]:grid-cols-2 print:grid-cols-2">
            {terms.map((t) => (
              <div
                key={t.term}
                id={anchorOf(t)}
                className="grid scroll-mt-4 grid-cols-[96px_minmax(0,1fr)] grid-rows-[auto_auto_1fr] gap-x-4 break-inside-avoid max-[420px]:grid-cols-1"
              >
                <dt className="col-start-2 text-[16px] font-semibold max-[420px]:col-start-1">
                  {t.term}
                  {t.at && <span className="ml-2 text-[13px] font-normal text-soft">{t.at}</span>}
                </dt>
                <dd className="col-start-1 row-span-3 row-start-1 m-0 pt-1 max-[420px]:row-auto max-[420px]:pb-1">
                  {t.picture && <TermPicture name={t.picture} />}
                </dd>
                <dd className="col-start-2 m-0 max-w-[60ch] text-[15px] max-[420px]:col-start-1">{t.says}</dd>
                <dd className="col-start-2 m-0 max-w-[60ch] text-[14px] text-soft max-[420px]:col-start-1">
                  {t.matters}
                </dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </main>
  );
}
