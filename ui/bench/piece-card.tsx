import { Ramp } from "@/ui/ink/ramp";
import { Link } from "@/ui/kit/link";
import { Picture } from "@/ui/kit/picture";
import { counted } from "@/words/numbers";
import { PieceMenu } from "./piece-menu";

/** A picture of a piece, with its address and size. */
export interface CardPicture {
  readonly src: string;
  readonly width: number;
  readonly height: number;
}

export interface PieceCardProps {
  readonly id: string;
  readonly name: string;
  /** As it will look, or what it is coloured after, or its drawing. */
  readonly picture: CardPicture | undefined;
  readonly paper: string;
  readonly changed: string;
  readonly areas: number;
  readonly planned: number;
  readonly done: boolean;
  readonly archived: boolean;
  readonly shared: boolean;
  /** Colours of its planned areas. */
  readonly ramps: readonly {
    readonly id: string;
    readonly name: string;
    readonly colours: readonly string[];
  }[];
  /** The first on the bench. */
  readonly first?: boolean;
}

const SIZES = "(min-width: 1218px) 460px, (min-width: 760px) 38vw, calc(100vw - 66px)";
/** Ramps that are shown of a piece; the others are counted. */
const MOST_RAMPS = 10;

/** A piece on the bench: its picture, what is known of it, and the colours of its areas. It needs no script to be seen. */
export function PieceCard({
  id,
  name,
  picture,
  paper,
  changed,
  areas,
  planned,
  ramps,
  first = false,
  ...marks
}: PieceCardProps) {
  const { done, archived, shared } = marks;
  const more = ramps.length - MOST_RAMPS;
  const says = [
    paper,
    `${counted(areas, "area")}, ${planned} planned`,
    ...(done ? ["done"] : []),
    ...(archived ? ["archived"] : []),
    ...(shared ? ["shared by a link"] : []),
    `changed ${changed}`,
  ];
  return (
    <article className="relative border border-line bg-panel" aria-label={name}>
      <div className="grid gap-x-6 p-4 min-[760px]:grid-cols-[minmax(0,38vw)_minmax(0,1fr)] min-[1218px]:grid-cols-[460px_minmax(0,1fr)]">
        {picture ? (
          <Picture
            {...picture}
            sizes={SIZES}
            first={first}
            className="block h-auto max-h-[380px] w-full object-contain object-left-top"
          />
        ) : (
          <p className="m-0 flex min-h-40 items-center justify-center border border-dashed border-strong text-[15px] text-soft">
            no picture yet
          </p>
        )}
        <div className="min-w-0 pt-3 min-[760px]:pt-0">
          <div className="flex items-start justify-between gap-3">
            <h2 className="m-0 text-[24px] leading-tight">
              <Link href={`/pieces/${id}/colour`} className="after:absolute after:inset-0">
                <span className="sr-only">Open </span>
                {name}
              </Link>
            </h2>
            <PieceMenu id={id} name={name} done={done} archived={archived} />
          </div>
          <p className="mt-0.5 mb-3 text-[15px] text-soft">{says.join("; ")}</p>
          <ul className="m-0 grid list-none gap-x-5 gap-y-2.5 p-0 min-[1100px]:grid-cols-2">
            {ramps.slice(0, MOST_RAMPS).map((r) => (
              <li key={r.id} className="min-w-0">
                <span className="block truncate text-[14px] font-medium">{r.name}</span>
                <Ramp colours={r.colours} height={26} label={`${name}, ${r.name}`} />
              </li>
            ))}
          </ul>
          {more > 0 && <p className="mt-2 mb-0 text-[15px] text-soft">and {counted(more, "more area")}</p>}
        </div>
      </div>
    </article>
  );
}
