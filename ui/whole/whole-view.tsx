"use client";
import { chroma, hue } from "@/core/colour/lab";
import { colourInWords } from "@/words/colour";
import { withRack } from "@/ui/rack-here";
import { Link } from "@/ui/kit/link";
import { useMemo, useState } from "react";
import { judgeAgain, merging, seenAreas, sharedCodes } from "@/core/piece/overview";
import { neighboursOf, tonesOf, type Whole } from "@/core/piece/piece";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { useTones } from "@/ui/jobs/use-tones";
import { laidColours, useJudged } from "@/ui/piece/group/use-groups";
import { PieceHeader } from "@/ui/piece/piece-header";
import { usePiece, usePieceHandles, useRun } from "@/ui/piece/piece-context";
import { useRack } from "@/ui/piece/use-rack";
import { counted, signed } from "@/words/numbers";
import { AreaRows } from "./area-rows";
import { HueChroma } from "./charts";
import { Limits } from "./limits";
import { Monochrome } from "./monochrome";
import type { AcceptGroups } from "./changes";
import { NearPairs } from "./near-pairs";
import { PieceThen } from "./piece-then";
import { Together } from "./together";
import { ValueLanes } from "./value-lanes";

/** The whole piece: every group side by side, what they share, whether neighbours can be told apart, and all planned together. */
export function WholeView({
  papers,
  rack: first,
}: {
  readonly papers: readonly PaperSheet[];
  readonly rack: Rack;
}) {
  const piece = usePiece();
  const run = useRun();
  const { id } = usePieceHandles();
  const { rack } = useRack(piece.paperId ?? first.paper.id, first);
  const colourOf = useTones(rack, piece.areas.flatMap(tonesOf));
  const { groupOf } = useJudged(rack, piece);
  const seen = useMemo(
    () =>
      seenAreas(
        piece.areas,
        (area) => laidColours(groupOf(area.id)),
        (code, coats) => colourOf({ code, coats })?.lab,
      ),
    [piece.areas, colourOf, groupOf],
  );
  const planned = useMemo(() => seen.filter((s) => s.tones.length), [seen]);
  const markers = sharedCodes(piece.areas);
  const shared = markers.filter((m) => m.areas.length > 1);
  const near = merging(piece, seen);
  const again = judgeAgain(piece, seen);
  const [proposal, setProposal] = useState<AcceptGroups>();
  const [pointed, setPointed] = useState<readonly string[]>([]);
  const set = (wish: Partial<Whole>) => run({ type: "wish of the whole", set: wish });
  return (
    <>
      <PieceHeader stage="colour" papers={papers} />
      <main
        id="main"
        className="mx-auto grid max-w-[1500px] gap-x-7 gap-y-5 px-4 py-3 min-[1000px]:grid-cols-[minmax(0,1fr)_420px]"
      >
        <div className="grid min-w-0 content-start gap-4">
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <h1 className="m-0 text-[22px]">All areas</h1>
            <span className="text-[15px] text-soft">
              {counted(markers.length, "marker and pencil", "markers and pencils")}, {shared.length} used more
              than once; {counted(planned.length, "group")} of {counted(piece.areas.length, "area")}
            </span>
            <Link className="ml-auto text-[15px] underline" href={`/pieces/${id}/variants`}>
              Variants
            </Link>
            <Link className="text-[15px] underline" href={`/pieces/${id}/colour`}>
              One area at a time
            </Link>
          </div>
          <Limits piece={piece} />
          {piece.areas.length === 0 ? (
            <p className="m-0 max-w-[46ch] border border-dashed border-strong p-4 text-[16px]">
              There is nothing to plan together yet.{" "}
              <Link className="button button-main mt-2" href={`/pieces/${id}/colour`}>
                Add the first area
              </Link>
            </p>
          ) : (
            <>
              <Together piece={piece} rack={rack} seen={seen} onProposal={setProposal} />
              <AreaRows
                seen={seen}
                offOf={(id) => groupOf(id)?.localColourDeltaE00}
                pieceId={id}
                neighbours={neighboursOf(piece)}
                onNeighbours={(neighbours) => set({ neighbours })}
                onPoint={setPointed}
              />
              <Monochrome
                piece={piece}
                rack={rack}
                seen={planned}
                onChange={(underlay) => set({ underlay })}
              />
            </>
          )}
        </div>
        <div className="grid min-w-0 content-start gap-4">
          <PieceThen piece={piece} rack={rack} proposal={proposal} pointed={pointed} />
          <NearPairs piece={piece} rack={rack} seen={seen} pairs={near} onPoint={setPointed} />
          {planned.length > 0 && <ValueLanes areas={planned} />}
          {planned.length > 0 && (
            <section aria-label="Hue and colour strength">
              <h2 className="small-title m-0">Hue and colour strength</h2>
              <HueChroma areas={planned} />
              <details className="text-[13px]">
                <summary>The same as a table</summary>
                <table className="w-full border-collapse">
                  <thead>
                    <tr>
                      {["area", "layer", "colour", "hue", "strength"].map((h) => (
                        <th key={h} className="pr-3 text-left font-normal text-soft">
                          {h}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {planned.flatMap((s) =>
                      s.tones.map((t) => (
                        <tr key={s.area.id + t.code} className="border-t border-line">
                          <td className="pr-3">{s.area.name}</td>
                          <td className="code pr-3">{t.code}</td>
                          <td className="pr-3">{colourInWords(t.lab)}</td>
                          <td className="pr-3">{hue(t.lab).toFixed(0)}°</td>
                          <td>{chroma(t.lab).toFixed(0)}</td>
                        </tr>
                      )),
                    )}
                  </tbody>
                </table>
              </details>
            </section>
          )}
          {shared.length > 0 && (
            <section aria-label="Shared markers" className="text-[14px]">
              <h2 className="small-title m-0">Shared markers</h2>
              <ul className="m-0 list-none p-0">
                {shared.map((m) => (
                  <li key={m.code} className="flex gap-3 border-t border-line py-0.5">
                    <span className="code w-20">{m.code}</span>
                    <span>{m.areas.map((a) => a.name).join(", ")}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {again.length > 0 && (
            <section aria-label="Reminders" className="grid gap-1 text-[14px]">
              <h2 className="small-title m-0">To watch</h2>
              {again.map((c) => (
                <p key={c.early.id + c.late.id} className="m-0 border-l-4 border-strong bg-panel py-1 pl-3">
                  <strong>Judge {c.early.name} again at the end:</strong> {c.late.name} comes later and is{" "}
                  {signed(Math.abs(c.darker))} {c.darker > 0 ? "darker" : "lighter"}, so {c.early.name} will
                  look {c.darker > 0 ? "paler" : "darker"} than it did alone.
                </p>
              ))}
            </section>
          )}
        </div>
      </main>
    </>
  );
}

/** The same where the rack comes with the page. */
export const WholePlace = withRack(WholeView);
