import { markdownOf, pdfOf } from "@/app/shared-file";
import { loadShared } from "@/app/shared-piece";
import { SharedFileInput } from "@/border/share";
import { openRoute } from "@/door/route";
import { download } from "../../../download";

/** What a link shows, to take along: as PDF or as Markdown. */
export const GET = openRoute(
  { query: SharedFileInput },
  async ({ format }, { code }) => {
    const shared = await loadShared(code!);
    if (!shared) return undefined;
    const { name } = shared.piece;
    return format === "pdf"
      ? download(new Uint8Array(await pdfOf(shared)), "application/pdf", `${name}.pdf`)
      : download(markdownOf(shared), "text/markdown", `${name}.md`);
  },
  "piece",
);
