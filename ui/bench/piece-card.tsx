"use client";
import { Link } from "@/ui/kit/link";
import type { ReactNode } from "react";
import { tonesOf, type Area, type Piece } from "@/core/piece/piece";
import type { PictureFacts } from "@/store/pictures";
import type { Rack } from "@/store/rack";
import { useTones } from "@/ui/compute/use-tones";
import { Ramp } from "@/ui/ink/ramp";
import { Picture } from "@/ui/kit/picture";
import { PiecePicture } from "@/ui/light/piece-picture";
import { useJudged } from "@/ui/piece/group/use-groups";
import { useRackDrawn } from "@/ui/rack-here";
import type { RackAt } from "@/ui/racks-at-hand";
import { counted } from "@/words/numbers";

interface PieceCardProps {
  readonly id: string;
  readonly piece: Piece;
  /** What it is coloured after, or its drawing. */
  readonly picture: PictureFacts | undefined;
  readonly paper: string;
  readonly changed: string;
  /** Undefined until it has come: the picture and the words are there before. */
  readonly rack: Rack | undefined;
  /** The first on the bench. */
  readonly first?: boolean;
  /** Colours of its groups as they will lie, by area, as far as the server knows them. */
  readonly strips?: Readonly<Record<string, readonly string[]>> | undefined;
}

/** A piece on the bench, with the rack of its paper. */
export function PieceCard({ at, ...card }: Omit<PieceCardProps, "rack"> & { readonly at: RackAt }) {
  return <Card {...card} rack={useRackDrawn(at)} />;
}

const SHOWN = "w-full min-[760px]:w-[46vw] min-[760px]:max-w-[560px]";
const SIZES = "(min-width: 1218px) 560px, (min-width: 760px) 46vw, calc(100vw - 66px)";

/** Its picture, and the groups that have been kept for it. */
export function Card({
  id,
  piece,
  picture,
  paper,
  changed,
  rack,
  first = false,
  strips = {},
}: PieceCardProps) {
  const kept = piece.areas.filter((a) => tonesOf(a).length);
  const still = picture ? (
    <Picture
      {...picture}
      sizes={SIZES}
      first={first}
      className="block h-full w-full object-contain object-left-top"
    />
  ) : (
    <p className="m-0 flex h-full min-h-40 items-center justify-center border border-dashed border-strong text-[15px] text-soft">
      no picture yet
    </p>
  );
  return (
    <article className="relative border border-line bg-panel">
      <div className="grid gap-x-6 p-4 min-[760px]:grid-cols-[auto_minmax(0,1fr)]">
        <div className={SHOWN} style={picture && { aspectRatio: `${picture.width} / ${picture.height}` }}>
          {rack ? (
            <PiecePicture piece={piece} rack={rack} className="max-h-full max-w-full" instead={still} />
          ) : (
            still
          )}
        </div>
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
          {kept.every((a) => strips[a.id]) ? (
            <RampList
              kept={kept}
              ramp={(a) => <Ramp colours={strips[a.id]!} height={30} label={`${piece.name}, ${a.name}`} />}
            />
          ) : rack ? (
            <Ramps piece={piece} kept={kept} rack={rack} />
          ) : (
            <RampList kept={kept} ramp={() => <span className="block h-[30px]" />} />
          )}
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

const RampList = ({
  kept,
  ramp,
}: {
  readonly kept: readonly Area[];
  readonly ramp: (area: Area) => ReactNode;
}) => (
  <ul className="m-0 grid list-none gap-x-5 gap-y-2.5 p-0 min-[1100px]:grid-cols-2">
    {kept.map((a) => (
      <li key={a.id} className="min-w-0">
        <span className="block truncate text-[14px] font-medium">{a.name}</span>
        {ramp(a)}
      </li>
    ))}
  </ul>
);

/** Kept groups as they will lie; the tones alone until that is known. */
function Ramps({
  piece,
  kept,
  rack,
}: {
  readonly piece: Piece;
  readonly kept: readonly Area[];
  readonly rack: Rack;
}) {
  const { groupOf } = useJudged(rack, piece);
  const colourOf = useTones(rack, kept.flatMap(tonesOf));
  return (
    <RampList
      kept={kept}
      ramp={(a) => {
        const alone = tonesOf(a)
          .map(colourOf)
          .filter((c) => c !== undefined)
          .sort((x, y) => y.lab[0] - x.lab[0]);
        return (
          <Ramp
            colours={groupOf(a.id)?.strip ?? alone.map((c) => c.hex)}
            height={30}
            label={`${piece.name}, ${a.name}`}
          />
        );
      }}
    />
  );
}
