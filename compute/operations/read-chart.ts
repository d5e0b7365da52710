import { KnownChartInput, Serial } from "@/border/chart";
import { colourOf } from "@/border/colour";
import { List, One, Optional } from "@/border/fields";
import { IMAGE, ImageInput } from "@/border/image";
import { wrong } from "@/border/problem";
import { readChart as readPage, type KnownChart, type ReadPage } from "@/core/chart/read-chart";
import { ChartRefused } from "@/core/chart/refusal";
import type { Work } from "@/core/progress";
import { refusalInWords } from "@/words/chart";
import { operation } from "../operation";
import { rasterOf } from "../pictures";

export class ReadChartQuestion {
  @One(() => ImageInput, IMAGE) image!: ImageInput;
  @List(() => KnownChartInput, 0, 500, '{"serial","sheet","lines","paper"}') charts!: KnownChartInput[];
  /** Serial of the chart that the page must belong to. */
  @Optional() @Serial() asked?: number;
}

/** Reads a page of a chart from a picture. A picture that cannot be trusted is refused with the reason. */
export const readChart = operation(ReadChartQuestion, function* ({ image, charts, asked }): Work<ReadPage> {
  const known = charts.map(({ paper, known: colours, serial, sheet, lines }): KnownChart => ({
    serial,
    sheet,
    lines,
    paper: colourOf(paper).lab,
    known: colours.map((k) => ({ stack: k.stack, lab: colourOf(k.color).lab })),
  }));
  try {
    return yield* readPage(rasterOf(image, "image"), known, asked);
  } catch (e) {
    throw e instanceof ChartRefused ? wrong("", refusalInWords(e)) : e;
  }
});
