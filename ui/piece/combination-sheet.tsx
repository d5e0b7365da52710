import { chaptersOf } from "@/core/piece/chapters";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { Ramp } from "@/ui/ink/ramp";
import { passAmount, passWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";

/** Which combination it was: each area with what is laid on it, first pass first, and how that comes out from light to dark. */
export function CombinationSheet({
  piece,
  rack,
  ramps,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly ramps: Readonly<Record<string, readonly string[]>>;
}) {
  const markers = new Map([...rack.markers, ...rack.others].map((m) => [m.code, m]));
  const chapters = chaptersOf(piece, rack.paper);
  if (!chapters.length) return null;
  return (
    <section aria-label="Combinations">
      <h2 className="mt-0 mb-2 text-[22px]">Combinations</h2>
      <ul className="m-0 grid list-none gap-x-8 p-0 min-[900px]:grid-cols-2 print:grid-cols-2">
        {chapters.map(({ area, passes }) => (
          <li key={area.id} className="break-inside-avoid border-t border-strong pt-2 pb-4">
            <div className="mb-1.5 grid grid-cols-[minmax(0,1fr)_minmax(90px,45%)] items-center gap-3">
              <h3 className="m-0 text-[17px]">
                {area.name}
                {area.note && <span className="block text-[14px] font-normal text-soft">{area.note}</span>}
              </h3>
              {(ramps[area.id]?.length ?? 0) > 0 && (
                <Ramp colours={ramps[area.id]!} height={26} label={area.name} />
              )}
            </div>
            <ol className="m-0 list-none p-0">
              {passes.map((p, i) => {
                const marker = markers.get(p.code);
                return (
                  <li
                    key={i}
                    className="grid grid-cols-[56px_84px_minmax(0,1fr)] items-center gap-x-3 py-0.5"
                  >
                    {marker ? <MarkerChip marker={marker} width={56} height={20} /> : <span />}
                    <span className="code text-[15px]">{pencilName(p.code)}</span>
                    <span className="text-[14px] leading-tight">
                      {passAmount(p)}, <span className="text-soft">{passWhere(p)}</span>
                    </span>
                  </li>
                );
              })}
            </ol>
          </li>
        ))}
      </ul>
    </section>
  );
}
