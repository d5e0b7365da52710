"use client";
import Link from "next/link";
import { tonesOf, type Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useTones } from "@/ui/compute/use-tones";
import { Ramp } from "@/ui/ink/ramp";
import { PiecePicture } from "@/ui/light/piece-picture";
import { useRackAt, type RackAt } from "@/ui/rack-here";
import { counted } from "@/words/numbers";

interface PieceCardProps {
  readonly id: string;
  readonly piece: Piece;
  readonly paper: string;
  readonly changed: string;
  readonly rack: Rack;
}

/** A piece on the bench, with the rack of its paper. */
export function PieceCard({ at, ...card }: Omit<PieceCardProps, "rack"> & { readonly at: RackAt }) {
  const { rack } = useRackAt(at);
  if (rack) return <Card {...card} rack={rack} />;
  return (
    <article className="min-h-[440px] border border-line bg-panel p-4" aria-busy>
      <h2 className="m-0 text-[24px] leading-tight">{card.piece.name}</h2>
    </article>
  );
}

/** Its picture, and the groups that have been kept for it. */
export function Card({ id, piece, paper, changed, rack }: PieceCardProps) {
  const pictureId = piece.pictureId ?? piece.setUp.line?.pictureId;
  const kept = piece.areas.filter((a) => tonesOf(a).length);
  const colourOf = useTones(rack, kept.flatMap(tonesOf));
  return (
    <article className="relative border border-line bg-panel">
      <div className="grid gap-x-6 p-4 min-[760px]:grid-cols-[auto_minmax(0,1fr)]">
        <PiecePicture
          piece={piece}
          rack={rack}
          className="w-full min-[760px]:w-[46vw] min-[760px]:max-w-[560px]"
          instead={
            pictureId ? (
              <img
                src={`/api/pictures/${pictureId}`}
                alt=""
                className="block max-h-[440px] w-full object-contain object-left-top min-[760px]:w-[46vw] min-[760px]:max-w-[560px]"
              />
            ) : (
              <p className="m-0 flex min-h-40 min-w-60 items-center justify-center border border-dashed border-strong text-[15px] text-soft">
                no picture yet
              </p>
            )
          }
        />
        <div className="min-w-0 pt-3 min-[760px]:pt-0">
          <h2 className="m-0 text-[24px] leading-tight">
            <Link href={`/pieces/${id}/colour`} className="after:absolute after:inset-0">
              <span className="sr-only">Open </span>
              {piece.name}
            </Link>
          </h2>
          <p className="mt-0.5 mb-3 text-[15px] text-soft">
            {paper}; {counted(piece.areas.length, "area")}, {kept.length} planned; changed {changed}
          </p>
          <ul className="m-0 grid list-none gap-x-5 gap-y-2.5 p-0 min-[1100px]:grid-cols-2">
            {kept.map((a) => {
              const colours = tonesOf(a)
                .map(colourOf)
                .filter((c) => c !== undefined)
                .sort((x, y) => y.lab[0] - x.lab[0]);
              return (
                <li key={a.id} className="min-w-0">
                  <span className="block truncate text-[14px] font-medium">{a.name}</span>
                  <Ramp colours={colours.map((c) => c.hex)} height={30} label={`${piece.name}, ${a.name}`} />
                </li>
              );
            })}
          </ul>
          {kept.length < piece.areas.length && (
            <p className="mt-4 mb-0 text-[15px] text-soft">
              Still to plan:{" "}
              {piece.areas
                .filter((a) => !tonesOf(a).length)
                .map((a) => a.name)
                .join(", ")}
              .
            </p>
          )}
        </div>
      </div>
    </article>
  );
}
