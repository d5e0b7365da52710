"use client";
import { X } from "lucide-react";
import { chroma, hue } from "@/core/colour/lab";
import type { SeenArea } from "@/core/piece/overview";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { CoverageTable } from "./coverage-table";

const MOST = 4;

/** Three owned violets of falling lightness, to begin with. */
function usualViolets(rack: Rack): string[] {
  const violets = rack.markers
    .filter(
      (m) =>
        m.owned &&
        m.state !== "dry" &&
        m.swatches[0] &&
        chroma(m.swatches[0].lab) > 10 &&
        hue(m.swatches[0].lab) > 285 &&
        hue(m.swatches[0].lab) < 335,
    )
    .sort((a, b) => b.swatches[0]!.lab[0] - a.swatches[0]!.lab[0]);
  const near = (L: number) =>
    violets.reduce<(typeof violets)[number] | undefined>(
      (best, m) =>
        !best || Math.abs(m.swatches[0]!.lab[0] - L) < Math.abs(best.swatches[0]!.lab[0] - L) ? m : best,
      undefined,
    );
  return [...new Set([84, 72, 58].flatMap((L) => near(L)?.code ?? []))];
}

/** A whole-piece underlay of one family, and whether every local colour covers it. */
export function Monochrome({
  piece,
  rack,
  seen,
  onChange,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly seen: readonly SeenArea[];
  readonly onChange: (underlay: readonly string[]) => void;
}) {
  const under = piece.whole.underlay.filter((c) =>
    rack.markers.some((m) => m.code === c && m.swatches.length),
  );
  const covers = seen.map((s) => {
    const mids = s.tones.length > 2 ? s.tones.slice(1, -1) : s.tones.slice(0, 1);
    return mids.flatMap((t) => Array<string>(t.coats).fill(t.code));
  });
  const work = useAsk(
    "shadow",
    rack,
    under.length && covers.length
      ? {
          cover: [{ code: covers[0]![0]!, coats: 1 }],
          kinds: [],
          ownedOnly: true,
          monochrome: { under, covers },
        }
      : null,
  );
  const choices = rack.markers.filter((m) => m.owned && m.swatches.length && !under.includes(m.code));
  return (
    <section aria-label="Whole-piece underlay" className="grid gap-2 border-t-2 border-text pt-2 text-[14px]">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="m-0 text-[17px]">Underlay of the whole piece</h2>
        {under.map((c) => (
          <button
            key={c}
            className="button min-h-7 px-1.5 py-0"
            onClick={() => onChange(under.filter((u) => u !== c))}
            aria-label={`Do without ${c}`}
          >
            <span className="code text-[13px]">{c}</span>
            <X size={13} aria-hidden />
          </button>
        ))}
        {under.length > 0 && under.length < MOST && (
          <select
            className="field"
            aria-label="Another marker for the underlay"
            value=""
            onChange={(e) => onChange([...under, e.target.value])}
          >
            <option value="">add…</option>
            {choices.map((m) => (
              <option key={m.code}>{m.code}</option>
            ))}
          </select>
        )}
        {under.length === 0 && (
          <button className="button" onClick={() => onChange(usualViolets(rack))}>
            Try three violets
          </button>
        )}
      </div>
      <p className="m-0 text-soft">
        All shadows first in one family, local colour over everything. Where the local colour is too pale to
        cover it, a deeper one is needed there.
      </p>
      <Progress work={work} doing="Covering the underlay" />
      {work.output?.monochrome && (
        <div className="overflow-x-auto">
          <CoverageTable
            under={under}
            rows={work.output.monochrome.map((m, i) => ({ ...m, name: seen[i]!.area.name }))}
          />
        </div>
      )}
    </section>
  );
}
