"use client";
import { WHOLE_PICTURE } from "@/core/picture/rectify";
import { Tabs, type TabItem } from "@/ui/kit/tabs";
import { ask, useQuery } from "@/ui/use-query";
import { AreasTab } from "./areas-tab";
import { LineTab } from "./line-tab";
import { OrderTab } from "./order-tab";
import { ReferenceTab } from "./reference-tab";
import { SheetTab } from "./sheet-tab";
import type { SetUp } from "./use-set-up";

/** The tab that is open: what the address says, else the areas once there are some. */
export function useSetUpTab(piece: SetUp["piece"]): string {
  const wanted = useQuery().get("tab");
  return wanted ?? (piece.areas.some((a) => a.place) ? "areas" : "line");
}

/** What is decided of the line, the sheet, the areas, their order, and the references. */
export function SetUpTabs({ own, open }: { readonly own: SetUp; readonly open: string }) {
  const { piece, run, line, chosen, setChosen, tool, start, picture, reference } = own;
  const { output } = own.state;
  const items = [
    {
      id: "line",
      name: "Line",
      content: () =>
        line && (
          <LineTab
            line={line}
            output={output}
            sheetSaid={own.sheetSaid}
            searching={own.searching}
            onTake={(f) => void own.takeLine(f)}
            onFindSheet={() => void own.findSheet()}
            onCorners={() => {
              if (!line.corners) run({ type: "change line", set: { corners: WHOLE_PICTURE } });
              own.setTool("corners");
            }}
          />
        ),
    },
    {
      id: "sheet",
      name: "Sheet",
      content: () =>
        output && (
          <SheetTab piece={piece} output={output} onMeasure={() => start("length")} drawing={own.drawing} />
        ),
    },
    {
      id: "areas",
      name: "Areas",
      note: piece.areas.length ? String(piece.areas.length) : "",
      content: () =>
        output && (
          <AreasTab
            piece={piece}
            output={output}
            bleed={own.bleed}
            chosen={chosen}
            onChoose={setChosen}
            several={own.several}
            onSeveral={own.setSeveral}
            tool={tool}
            onTool={start}
            onPassing={own.drag}
            gatherings={own.gatherings}
            onGrow={own.grow}
            onPropose={picture && reference ? () => void own.propose() : undefined}
            readSaid={own.readSaid}
            onPlaceByPicks={picture && piece.areas.some((a) => !a.place) ? own.placeByPicks : undefined}
          />
        ),
    },
    {
      id: "order",
      name: "Order",
      content: () =>
        output && (
          <OrderTab
            piece={piece}
            output={output}
            chosen={chosen}
            onChoose={setChosen}
            pointing={tool === "before"}
            onPoint={() => start(tool === "before" ? "pick" : "before")}
          />
        ),
    },
    {
      id: "reference",
      name: "Reference",
      content: () => (
        <ReferenceTab
          piece={piece}
          pictures={own.pictures.known}
          look={own.look}
          onLook={own.setLook}
          onTake={(f) =>
            void own.pictures.take(f).then((facts) => {
              if (facts) run({ type: "add reference", pictureId: facts.id });
            })
          }
          doubts={own.doubts}
          tool={tool}
          onTool={start}
          alignPoints={own.pairs.length}
        />
      ),
    },
  ] satisfies TabItem<string>[];
  return <Tabs label="Set up" items={items} open={open} onOpen={(id) => ask(`?tab=${id}`)} />;
}
