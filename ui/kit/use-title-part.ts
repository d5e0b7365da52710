import { useEffect } from "react";

/** What stands before the page's own title just now. */
let before = "";

const bare = () =>
  before && document.title.startsWith(before) ? document.title.slice(before.length) : document.title;

/** Puts the open part of a page before the page's title, so that tabs of the browser and its history can be told apart. */
export function useTitlePart(part: string | undefined): void {
  useEffect(() => {
    const title = bare();
    before = part ? `${part} · ` : "";
    document.title = before + title;
    // The page's own title may come, or come again, after this.
    const seen = new MutationObserver(() => {
      if (before && !document.title.startsWith(before)) document.title = before + document.title;
    });
    seen.observe(document.head, { childList: true, subtree: true, characterData: true });
    return () => {
      seen.disconnect();
      document.title = bare();
      before = "";
    };
  }, [part]);
}
