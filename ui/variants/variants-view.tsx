"use client";
import { Copy, Printer } from "lucide-react";
import { useRouter } from "next/navigation";
import { useMemo } from "react";
import { codesOf } from "@/core/media/registry";
import {
  compared,
  isBuiltAlike,
  type ComparedVariant,
  type DrawingChanges,
  type DrawnVariant,
  type Variant,
} from "@/core/piece/variants";
import type { Area } from "@/core/piece/piece";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { Ramp } from "@/ui/ink/ramp";
import { useSending } from "@/ui/jobs/use-sending";
import { Link } from "@/ui/kit/link";
import { useJudged } from "@/ui/piece/group/use-groups";
import { StillPicture, useKeptPicture, type KeptPicture } from "@/ui/piece/kept-picture";
import { usePiece, usePieceHandles, useRun } from "@/ui/piece/piece-context";
import { PieceHeader } from "@/ui/piece/piece-header";
import { useRack } from "@/ui/piece/use-rack";
import { OneDrawing } from "./one-drawing";
import { PlannedTogether } from "./planned-together";
import { withRack } from "@/ui/rack-here";
import { send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";
import { counted } from "@/words/numbers";
import { pencilName } from "@/words/pencil";

/** Another piece of the same drawing, as it stands. */
export interface OtherVariant extends Variant {
  readonly piece: DrawnVariant;
  readonly paperId: string;
  readonly paper: string;
  /** How its drawing differs from this one's as both were saved. */
  readonly drawing: DrawingChanges | undefined;
  readonly picture: KeptPicture | undefined;
  /** Colours along each planned area, by its id. */
  readonly ramps: Readonly<Record<string, readonly string[]>>;
}

/** Pieces of one drawing side by side: as each will look, what they take in hand together, and any area of one taken over into this one. */
export function VariantsView({
  papers,
  others,
  rack: first,
}: {
  readonly papers: readonly PaperSheet[];
  readonly others: readonly OtherVariant[];
  readonly rack: Rack;
}) {
  const piece = usePiece();
  const { id } = usePieceHandles();
  const kept = useKeptPicture();
  const router = useRouter();
  const sending = useSending();
  const may = useMayChange();
  const { rack } = useRack(piece.paperId ?? first.paper.id, first);
  const { groupOf } = useJudged(rack, piece);
  const { variants, all, inEvery, rows } = useMemo(
    () => compared([{ id, name: piece.name, piece }, ...others]),
    [id, piece, others],
  );
  const makeOne = async () => {
    const { id: made } = await send<{ id: string }>("POST", `/api/pieces/${id}/copy`);
    router.push(`/pieces/${made}/colour`);
  };
  const rampOf = (v: number, area: string): readonly string[] => {
    const here = groupOf(area)?.strip ?? [];
    if (!v) return here;
    const { ramps, piece: other } = others[v - 1]!;
    const [own, first] = [other, piece].map((p) => p.areas.find((a) => a.id === area));
    // What is built as here looks as here, also where nobody has looked at it yet.
    return ramps[area]?.length ? ramps[area] : own && first && isBuiltAlike(own, first) ? here : [];
  };
  return (
    <>
      <PieceHeader stage="colour" papers={papers} />
      <main id="main" className="mx-auto max-w-[1500px] px-4 py-3">
        <div className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="m-0 text-[22px]">Variants of one drawing</h1>
          <span className="text-[15px] text-soft">
            {counted(variants.length, "piece")}, {counted(all, "thing")} in hand for all of them
            {variants.length > 1 && `, ${inEvery} in every one`}
          </span>
          <span className="screen-only ml-auto flex flex-wrap items-center gap-2">
            {sending.trouble && (
              <span role="alert" className="text-[14px]">
                {sending.trouble}
              </span>
            )}
            {may && piece.setUp.line && (
              <button
                className="button button-main"
                disabled={sending.busy}
                onClick={() => void sending.run(makeOne)}
              >
                <Copy size={16} aria-hidden /> New variant
              </button>
            )}
            <button className="button" onClick={() => window.print()}>
              <Printer size={16} aria-hidden /> Print
            </button>
          </span>
        </div>
        {!piece.setUp.line && (
          <p className="max-w-[60ch] text-[16px]">
            Variants share a drawing, and this piece has none yet.{" "}
            <Link className="underline" href={`/pieces/${id}/set-up`}>
              Bring its line
            </Link>
          </p>
        )}
        {piece.setUp.line && others.length === 0 && (
          <p className="max-w-[60ch] text-[16px]">
            No other piece has this drawing. A new variant begins with all of this one: drawing, areas, light
            and plan. Give it other colours, and both stand here side by side.
          </p>
        )}
        {may && <OneDrawing others={others} />}
        <ul className="m-0 mb-6 grid list-none grid-cols-[repeat(auto-fill,minmax(min(100%,260px),1fr))] gap-5 p-0 print:grid-cols-3">
          {variants.map((v, i) => (
            <li key={v.id} className="min-w-0 break-inside-avoid">
              <Shown
                variant={v}
                picture={i ? others[i - 1]!.picture : kept}
                paper={i ? others[i - 1]!.paper : rack.paper.name}
                isThis={i === 0}
              />
            </li>
          ))}
        </ul>
        {may && others.length > 0 && (
          <PlannedTogether piece={piece} others={others} rack={rack} rampOf={rampOf} />
        )}
        {others.length > 0 && rows.length > 0 && (
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Areas of all variants">
            <table className="w-full border-collapse text-left text-[15px]">
              <thead>
                <tr>
                  <th scope="col" className="min-w-[120px] border-b-2 border-text py-1 pr-4">
                    Area
                  </th>
                  {variants.map((v, i) => (
                    <th key={v.id} scope="col" className="min-w-[180px] border-b-2 border-text py-1 pr-4">
                      {v.name}
                      {i === 0 && <span className="font-normal text-soft"> (this one)</span>}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <tr key={row.id} className="break-inside-avoid">
                    <th scope="row" className="border-b border-line py-2 pr-4 align-top font-medium">
                      {row.name}
                    </th>
                    {row.areas.map((area, i) => (
                      <td key={variants[i]!.id} className="border-b border-line py-2 pr-4 align-top">
                        <Cell
                          area={area}
                          here={row.areas[0]}
                          from={variants[i]!.name}
                          colours={rampOf(i, row.id)}
                          isThis={i === 0}
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
      </main>
    </>
  );
}

function Shown({
  variant: { id, name, codes, onlyHere },
  picture,
  paper,
  isThis,
}: {
  readonly variant: ComparedVariant;
  readonly picture: KeptPicture | undefined;
  readonly paper: string;
  readonly isThis: boolean;
}) {
  return (
    <figure className="m-0">
      {picture ? (
        <StillPicture
          kept={picture}
          label={`${name} as it will look`}
          className="h-auto w-full"
          sizes="(min-width: 1000px) 360px, 100vw"
        />
      ) : (
        <p className="m-0 flex min-h-40 items-center justify-center border border-dashed border-strong text-[15px] text-soft">
          not drawn yet
        </p>
      )}
      <figcaption className="mt-1.5 text-[15px]">
        {isThis ? (
          <strong className="text-[17px]">{name}</strong>
        ) : (
          <Link className="text-[17px] font-semibold underline" href={`/pieces/${id}/colour`}>
            {name}
          </Link>
        )}
        <span className="block text-soft">
          {paper}; {counted(codes.size, "thing")} in hand
          {onlyHere.length > 0 && `, ${onlyHere.length} for it alone`}
        </span>
      </figcaption>
    </figure>
  );
}

/** How an area is built in one of them; that of another is taken over into this one. */
function Cell({
  area,
  here,
  from,
  colours,
  isThis,
}: {
  readonly area: Area | undefined;
  readonly here: Area | undefined;
  readonly from: string;
  readonly colours: readonly string[];
  readonly isThis: boolean;
}) {
  const run = useRun();
  const may = useMayChange();
  if (!area) return <span className="text-soft">no such area</span>;
  if (area.white) return <span className="text-soft">bare paper</span>;
  if (!area.layers.length) return <span className="text-soft">no plan yet</span>;
  const isLike = !isThis && here !== undefined && isBuiltAlike(area, here);
  if (isLike) return <span className="text-[14px] text-soft">as in this one</span>;
  return (
    <div className="grid gap-1.5">
      {colours.length > 0 && <Ramp colours={colours} height={24} label={`${from}, ${area.name}`} />}
      <span className="code text-[13px] leading-snug">{codesOf(area.layers).map(pencilName).join(" ")}</span>
      {!isThis && may && here && !here.white && (
        <button
          className="button screen-only justify-self-start"
          aria-label={`Take ${area.name} from ${from}`}
          onClick={() => run({ type: "take plan", id: here.id, source: area, from })}
        >
          Take it
        </button>
      )}
    </div>
  );
}

/** The same where the rack comes with the page. */
export const VariantsPlace = withRack(VariantsView);
