import { TermPicture } from "@/ui/glossary/term-picture";
import { Link } from "@/ui/kit/link";
import { anchorOf } from "@/words/glossary";
import { termsAt } from "@/words/stage-terms";
import type { Stage } from "@/words/stages";

/** What is said of a stage: what it is for, what comes first, what one does there, and its words. */
export function StageHelpBody({ of: own }: { readonly of: Stage }) {
  return (
    <>
      <p className="mt-0 mb-2 max-w-[64ch] text-[16px]">{own.says}</p>
      <ol className="mt-0 mb-4 max-w-[64ch] list-decimal pl-5 text-[15px]">
        <li className="font-semibold">{own.first}</li>
        {own.does.map((d) => (
          <li key={d} className="mt-1">
            {d}
          </li>
        ))}
      </ol>
      <h2 className="m-0 border-b border-strong pb-1 text-[16px]">Words that are used here</h2>
      <dl className="m-0 grid max-h-[38vh] gap-x-8 overflow-y-auto min-[760px]:grid-cols-2" tabIndex={0}>
        {termsAt(own).map((t) => (
          <div
            key={t.term}
            className="grid grid-cols-[100px_minmax(0,1fr)] content-start gap-x-3 border-b border-line py-2 text-[14px]"
          >
            <dt className="col-start-2 font-semibold">{t.term}</dt>
            <dd className="col-start-1 row-span-2 row-start-1 m-0 pt-1">
              {t.picture && <TermPicture name={t.picture} />}
            </dd>
            <dd className="col-start-2 m-0">
              {t.says} <span className="text-soft">{t.matters}</span>{" "}
              <Link
                className="underline"
                href={`/glossary#${anchorOf(t)}`}
                aria-label={`${t.term} among all words`}
              >
                More
              </Link>
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 mb-0 text-[14px]">
        <Link className="underline" href="/glossary">
          All words of the craft
        </Link>
      </p>
    </>
  );
}
