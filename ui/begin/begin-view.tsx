"use client";
import { Check } from "lucide-react";
import type { ReactNode } from "react";
import type { Lab } from "@/core/colour/lab";
import type { PaperSheet } from "@/store/papers";
import { NewPiece } from "@/ui/bench/new-piece";
import { counted } from "@/words/numbers";
import { KnownHow } from "./known-how";
import { TypeCodes } from "./type-codes";
import { TypeThings } from "./type-things";
import { TypePaper } from "./type-paper";

export interface BeginProps {
  readonly papers: readonly PaperSheet[];
  readonly ranges: readonly { readonly id: string; readonly name: string }[];
  /** Codes of all markers on the rack, in its order. */
  readonly markers: readonly string[];
  /** Those whose colour is known on the first paper, one coat. */
  readonly read: readonly { readonly code: string; readonly lab: Lab }[];
  readonly pieces: number;
}

/** Three things to a first plan: the markers, a paper, and how well their colours are known. */
export function BeginView({ papers, ranges, markers, read, pieces }: BeginProps) {
  const paper = papers[0];
  const isReady = markers.length > 0 && paper !== undefined && read.length > 0;
  return (
    <main id="main" className="mx-auto max-w-[980px] px-4 py-5">
      <h1 className="mt-0 mb-1 text-[26px]">From your markers to a first plan</h1>
      <p className="mt-0 mb-5 max-w-[65ch] text-[16px]">
        Plans begin as soon as a few colours are known, and get surer with each one that is measured.
        Everything here can be changed or added to later, in Rack and Swatchbook.
      </p>
      <div className="grid gap-5">
        <Step
          number={1}
          title="The markers you have"
          done={markers.length > 0 && `${counted(markers.length, "marker")} on the rack`}
        >
          <TypeCodes ranges={ranges} known={markers} />
          <TypeThings ranges={ranges} paper={paper} />
        </Step>
        <Step number={2} title="The paper you colour on" done={paper && paper.name}>
          <TypePaper papers={papers} />
        </Step>
        <Step
          number={3}
          title="Their colours: known how?"
          done={read.length > 0 && `${read.length} of ${markers.length} known on ${paper!.name}`}
        >
          {paper && markers.length > 0 ? (
            <KnownHow paper={paper} markers={markers} read={read} />
          ) : (
            <p className="m-0 text-[15px] text-soft">First the markers and a paper.</p>
          )}
        </Step>
        <Step number={4} title="A first piece" done={pieces > 0 && counted(pieces, "piece")}>
          {isReady ? (
            <div className="grid gap-3">
              <p className="m-0 max-w-[65ch] text-[15px]">
                Bring the drawing and the picture whose colours you want. Markers that are not known yet are
                left out of plans; once colours have been picked, the Swatchbook prints a chart of those that
                matter for the piece first.
              </p>
              <span>
                <NewPiece papers={papers} />
              </span>
            </div>
          ) : (
            <p className="m-0 text-[15px] text-soft">As soon as one colour is known.</p>
          )}
        </Step>
      </div>
    </main>
  );
}

function Step({
  number,
  title,
  done,
  children,
}: {
  readonly number: number;
  readonly title: string;
  /** What there is already. */
  readonly done: string | false | undefined;
  readonly children: ReactNode;
}) {
  return (
    <section aria-label={title} className="grid gap-3 border border-line bg-panel p-4">
      <h2 className="m-0 flex flex-wrap items-baseline gap-x-3 text-[19px]">
        <span className="font-mono text-[17px] text-soft">{number}</span>
        {title}
        {done && (
          <span className="ml-auto flex items-center gap-1.5 text-[15px] font-normal">
            <Check size={17} aria-hidden /> {done}
          </span>
        )}
      </h2>
      {children}
    </section>
  );
}
