"use client";
import { FileText, Image as ImageIcon, Printer, SunDim } from "lucide-react";
import { useEffect } from "react";
import type { ReadersRack } from "@/app/readers-rack";
import type { Piece } from "@/core/piece/piece";
import type { Shown } from "@/core/piece/shown";
import { suppliesOf } from "@/core/stock/supplies";
import type { Rack } from "@/store/rack";
import { StrokeChip } from "@/ui/ink/stroke-chip";
import { switchSurround } from "@/ui/surround";
import { labToHex } from "@/core/colour/display";
import { differenceWords } from "@/words/closeness";
import { counted } from "@/words/numbers";
import { pencilName } from "@/words/pencil";
import { CombinationSheet } from "./combination-sheet";
import { KeptPictureProvider, StillPicture, type KeptPicture } from "./kept-picture";
import { PieceProvider } from "./piece-context";
import { Steps } from "./steps-view";
import { SupplyList } from "./supply-list";

/** A piece as somebody sees it who has a link to it: what its owner has ticked, to colour from, and to change nothing. */
export function SharedView({
  code,
  studio,
  piece,
  rack,
  kept,
  shows,
  ramps,
  own,
}: {
  /** Of the link. */
  readonly code: string;
  readonly studio: string;
  readonly piece: Piece;
  readonly rack: Rack;
  /** Its picture as it was last drawn. */
  readonly kept: KeptPicture | undefined;
  readonly shows: readonly Shown[];
  /** Colours along each area's group, by its id. */
  readonly ramps: Readonly<Record<string, readonly string[]>>;
  /** What the reader has of it in a rack of their own. */
  readonly own: ReadersRack | undefined;
}) {
  useEffect(() => {
    document.documentElement.dataset.ready = "true";
  }, []);
  const has = new Set(shows);
  const listed = has.has("supplies") && !has.has("steps");
  const reference = piece.references.find((r) => r.pictureId === piece.pictureId);
  return (
    <>
      <header className="screen-only flex min-h-12 flex-wrap items-center gap-x-5 border-b border-line px-4">
        <span className="text-[22px] font-bold tracking-tight">Blendt</span>
        <span className="text-[19px] font-semibold">{piece.name}</span>
        <span className="text-[15px] text-soft">shown by {studio}, to look at</span>
        <span className="ml-auto flex flex-wrap gap-2">
          <a className="button" href={`/api/shared/${code}/card`} download={`${piece.name}.png`}>
            <ImageIcon size={16} aria-hidden /> As one picture
          </a>
          <a className="button" href={`/api/shared/${code}/file?format=pdf`} download>
            <FileText size={16} aria-hidden /> PDF
          </a>
          <a className="button" href={`/api/shared/${code}/file?format=markdown`} download>
            <FileText size={16} aria-hidden /> Markdown
          </a>
        </span>
        {!has.has("steps") && (
          <button className="button" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </button>
        )}
        <button
          className="button-bare"
          onClick={switchSurround}
          aria-label="Bright or dim surround"
          title="Bright or dim surround"
        >
          <SunDim size={20} aria-hidden />
        </button>
      </header>
      <PieceProvider id="shared" revision={1} document={piece} savedBy={null}>
        <KeptPictureProvider kept={kept}>
          <Place steps={has.has("steps")}>
            {!has.has("steps") && <h1 className="mt-0 mb-3 hidden text-[24px] print:block">{piece.name}</h1>}
            <div className="grid items-start gap-x-8 gap-y-6 min-[900px]:grid-cols-2">
              {/* Beside the steps it stands once more; beside what it is coloured after it is to be compared. */}
              {kept && (!has.has("steps") || reference) && (
                <StillPicture
                  kept={kept}
                  label={`${piece.name} as it will look`}
                  className="h-auto w-full"
                  sizes="(min-width: 900px) 640px, 100vw"
                />
              )}
              {reference && (
                <figure className="m-0">
                  <img
                    src={`/api/shared/${code}/pictures/${reference.pictureId}`}
                    alt={`What ${piece.name} is coloured after`}
                    className="h-auto w-full"
                  />
                  <figcaption className="text-[14px] text-soft">What it is coloured after</figcaption>
                </figure>
              )}
              {listed && <Supplies piece={piece} rack={rack} own={own} />}
            </div>
            {!kept && !has.has("steps") && piece.areas.every((a) => !a.layers.length) && (
              <p className="m-0 text-[16px]">
                There is nothing to see here yet: {studio} has planned nothing of it so far, or shows none of
                it.
              </p>
            )}
            {has.has("combinations") && <CombinationSheet piece={piece} rack={rack} ramps={ramps} />}
            {has.has("notes") && !has.has("combinations") && !has.has("steps") && <Notes piece={piece} />}
          </Place>
          {has.has("steps") && (
            <Steps
              piece={piece}
              rack={rack}
              {...(!has.has("supplies") && { supplies: false })}
              saysOf={(code) => <InOwnRack code={code} own={own} />}
            />
          )}
        </KeptPictureProvider>
      </PieceProvider>
    </>
  );
}

/** Where what stands above the steps stands; where there are none, it is the page's main part. */
function Place({ steps, children }: { readonly steps: boolean; readonly children: React.ReactNode }) {
  const className = "mx-auto grid max-w-[1320px] gap-y-6 px-4 py-4";
  return steps ? (
    <section aria-label="Picture and combinations" className={className}>
      {children}
    </section>
  ) : (
    <main id="main" className={className}>
      {children}
    </main>
  );
}

function Supplies({
  piece,
  rack,
  own,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly own: ReadersRack | undefined;
}) {
  const supplies = suppliesOf(piece, [...rack.markers, ...rack.others]);
  const markers = new Map([...rack.markers, ...rack.others].map((m) => [m.code, m]));
  if (!supplies.length) return null;
  return (
    <section aria-label="Supply list">
      <h2 className="mt-0 mb-2 text-[22px]">Lay ready: {counted(supplies.length, "thing")}</h2>
      <SupplyList
        supplies={supplies}
        markers={markers}
        needs={false}
        saysOf={(code) => <InOwnRack code={code} own={own} />}
      />
    </section>
  );
}

/** What the reader has for a thing of somebody else's. */
function InOwnRack({ code, own }: { readonly code: string; readonly own: ReadersRack | undefined }) {
  const found = own?.things.find((t) => t.code === code);
  if (!found) return null;
  if (found.same) return <span className="block text-[13px] text-soft">in your {own!.studio}</span>;
  if (!found.nearest)
    return <span className="block text-[13px] font-semibold">not in your {own!.studio}</span>;
  const { code: nearest, lab, deltaE00 } = found.nearest;
  return (
    <span className="flex items-center gap-2 text-[13px]">
      <span className="font-semibold">nearest of yours:</span>
      <StrokeChip coats={[labToHex(lab)]} owned low={false} width={34} height={16} />
      <span className="code">{pencilName(nearest)}</span>
      <span className="text-soft">{differenceWords(deltaE00)}</span>
    </span>
  );
}

function Notes({ piece }: { readonly piece: Piece }) {
  const noted = piece.areas.filter((a) => a.note);
  if (!noted.length) return null;
  return (
    <section aria-label="Notes">
      <h2 className="mt-0 mb-2 text-[22px]">Notes</h2>
      <dl className="m-0 grid gap-1 text-[15px]">
        {noted.map((a) => (
          <div key={a.id}>
            <dt className="inline font-semibold">{a.name}: </dt>
            <dd className="m-0 inline">{a.note}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
