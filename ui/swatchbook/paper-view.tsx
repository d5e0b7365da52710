"use client";
import { withRack } from "@/ui/rack-here";
import { Link } from "@/ui/kit/link";
import { labToHex } from "@/core/colour/display";
import type { StoredBlend } from "@/store/blends";
import type { StoredChart, StoredScan } from "@/store/charts";
import type { PictureFacts } from "@/store/pictures";
import type { Learnt } from "@/core/work/pace";
import type { Rack } from "@/store/rack";
import type { StoredReading } from "@/store/readings";
import type { Trial } from "@/store/trials";
import { Tabs, type TabItem } from "@/ui/kit/tabs";
import { ask, useQuery } from "@/ui/use-query";
import { counted } from "@/words/numbers";
import { ChartTab } from "./chart-tab";
import { PaperTab } from "./paper-tab";
import { ReadTab } from "./read-tab";
import { ReadingsTab } from "./readings-tab";
import { TrialsTab } from "./trials-tab";

export type ListedScan = Omit<StoredScan, "result"> & { readonly pages: number };

export interface PaperData {
  readonly rack: Rack;
  readonly readings: readonly StoredReading[];
  readonly charts: readonly StoredChart[];
  readonly blends: readonly StoredBlend[];
  readonly scans: readonly ListedScan[];
  readonly trials: readonly Trial[];
  readonly pictures: readonly PictureFacts[];
  readonly pieces: readonly { readonly id: string; readonly name: string }[];
  /** How long ink stays open on it by the work at the desk; undefined where that says nothing. */
  readonly openTime?: Learnt | undefined;
}

/** One paper of the swatchbook: what it is, its readings, charts, trials. */
export function PaperView(data: PaperData) {
  const params = useQuery();
  const { rack, readings, blends, charts, scans, trials, pictures } = data;
  const { paper } = rack;
  const own = charts.filter((c) => c.paperId === paper.id);
  const open = scans
    .filter((s) => own.some((c) => c.id === s.chartId))
    .reduce((sum, s) => sum + s.decisions.filter((d) => d === "open").length, 0);
  const tabs = [
    {
      id: "paper",
      name: "Paper and curves",
      note: "",
      content: () => <PaperTab rack={rack} readings={readings} blends={blends} openTime={data.openTime} />,
    },
    {
      id: "readings",
      name: "Readings",
      note: String(readings.length),
      content: () => <ReadingsTab rack={rack} readings={readings} charts={own} />,
    },
    { id: "chart", name: "Charts", note: String(own.length), content: () => <ChartTab {...data} /> },
    {
      id: "read",
      name: "Read a chart",
      note: open
        ? `${counted(open, "cell")} in doubt`
        : own.length && pictures.length
          ? counted(pictures.length, "picture")
          : "",
      content: () => <ReadTab {...data} />,
    },
    { id: "trials", name: "Trials", note: String(trials.length), content: () => <TrialsTab {...data} /> },
  ] satisfies TabItem<string>[];
  const tab = tabs.find((t) => t.id === params.get("tab"))?.id ?? "paper";
  return (
    <main id="main" className="mx-auto max-w-[1400px] px-4 py-3">
      <div className="flex flex-wrap items-center gap-3">
        <span
          className="size-9 border border-strong"
          style={{ background: labToHex(paper.lab) }}
          aria-hidden
        />
        <h1 className="m-0 text-[24px]">{paper.name}</h1>
        <Link href="/swatchbook" className="ml-auto text-[15px] underline">
          All papers
        </Link>
      </div>
      <div className="mt-1">
        <Tabs
          label="About this paper"
          open={tab}
          onOpen={(id) => ask(`/swatchbook/${paper.id}?tab=${id}`)}
          items={tabs}
        />
      </div>
    </main>
  );
}

/** The same where the rack comes with the page. */
export const PaperPlace = withRack(PaperView);
