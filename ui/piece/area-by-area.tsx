import type { Pass } from "@/core/media/medium";
import type { Chapter } from "@/core/piece/chapters";
import { schoolOf, type Area, type Piece } from "@/core/piece/piece";
import type { Rack, RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { passAmount, passStroke, passWhere, underlayWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { edgesInWords } from "@/words/place";

/** Every area's passes, one area after the other, the underlay of the whole first. */
export function AreaByArea({
  piece,
  rack,
  chapters,
  markers,
  groundOf,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly chapters: readonly Chapter[];
  readonly markers: ReadonlyMap<string, RackMarker>;
  readonly groundOf: (p: Pass, area: Area) => number | undefined;
}) {
  return (
    <>
      {piece.whole.underlay.length > 0 && chapters.length > 0 && (
        <section className="mb-5 break-inside-avoid" aria-label="Underlay of the whole piece">
          <h2 className="m-0 border-b-2 border-text pb-0.5 text-[19px]">
            Underlay of the whole piece{" "}
            <span className="ml-1 text-[15px] font-normal">
              all shadows first, light to dark; let it dry before any local colour
            </span>
          </h2>
          <ol className="m-0 list-none p-0">
            {piece.whole.underlay.map((code, i) => {
              const marker = markers.get(code);
              return (
                <li key={code} className="flex items-center gap-x-3 border-b border-line py-1.5 text-[15px]">
                  <span className="flex w-[44px] items-center justify-end gap-1.5 text-[17px] font-semibold">
                    <TickBox />
                    {String.fromCharCode(97 + i)}
                  </span>
                  {marker && <MarkerChip marker={marker} width={84} height={30} />}
                  <span className="code w-[92px] text-[17px]">{code}</span>
                  <span>{underlayWhere(i, piece.whole.underlay.length)}</span>
                </li>
              );
            })}
          </ol>
        </section>
      )}
      {chapters.map(({ area, passes, before }) => {
        return (
          <section key={area.id} className="mb-5" aria-label={area.name}>
            <h2 className="m-0 break-after-avoid border-b-2 border-text pb-0.5 text-[19px]">
              {area.name} <span className="ml-1 text-[15px] font-normal">{schoolOf(area)}</span>{" "}
              {[area.note, ...edgesInWords(area, rack.paper.bleed)].filter(Boolean).map((says) => (
                <span key={says} className="ml-2 text-[15px] font-normal text-soft">
                  {says}
                </span>
              ))}
            </h2>
            <ol className="m-0 list-none p-0">
              {passes.map((p, i) => {
                const marker = markers.get(p.code);
                return (
                  <li
                    key={i}
                    className="grid break-inside-avoid grid-cols-[34px_84px_82px_minmax(0,1fr)] items-center gap-x-3 border-b border-line py-1.5 min-[640px]:grid-cols-[34px_96px_92px_120px_minmax(0,1fr)]"
                  >
                    <span className="flex items-center justify-end gap-1.5 text-right text-[17px] font-semibold">
                      <TickBox />
                      {before + i + 1}
                    </span>
                    {marker ? (
                      <MarkerChip marker={marker} width={84} height={30} />
                    ) : (
                      <span className="text-[13px]">not in the rack</span>
                    )}
                    <span className="code text-[17px]">{pencilName(p.code)}</span>
                    <span className="text-[15px] max-[640px]:col-start-4 max-[640px]:row-start-1">
                      {p.dry && <strong>when dry: </strong>}
                      {passAmount(p)}
                      <Covers mm2={groundOf(p, area)} />
                    </span>
                    <span className="text-[15px] max-[640px]:col-span-2 max-[640px]:col-start-3">
                      {passWhere(p)}; <span className="text-soft">{passStroke(p)}</span>
                    </span>
                  </li>
                );
              })}
            </ol>
          </section>
        );
      })}
    </>
  );
}

/** On paper a step is ticked with the pen. */
const TickBox = () => <span className="hidden size-4 shrink-0 border border-text print:block" aria-hidden />;

/** How large the place of a pass is. */
function Covers({ mm2 }: { readonly mm2: number | undefined }) {
  if (mm2 === undefined || mm2 < 0.5) return null;
  return (
    <span className="block text-[13px] text-soft">{mm2 < 10 ? mm2.toFixed(1) : Math.round(mm2)} mm²</span>
  );
}
