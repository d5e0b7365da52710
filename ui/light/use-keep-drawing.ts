"use client";
import { useEffect } from "react";
import type { DrawingFacts } from "@/store/pictures";
import { drawingOfQuestion, givenDrawing } from "@/ui/jobs/client";
import { send } from "@/ui/send";
import { isKept } from "@/ui/set-up/use-drawing";
import { useMayChange } from "@/ui/studio/studio-context";

/** How long a drawing must stay as it is before it is kept, ms. */
const STAYS = 2500;

/** What this page has sent: nothing is sent twice. */
const sent = new Set<string>();

/**
 * Keeps a drawing as it was looked at in the studio, so that whoever comes next need not look for its line and areas; nobody waits for it.
 * @param drawing once it has been looked at
 * @param question how
 */
export function useKeepDrawing(drawing: DrawingFacts | undefined, question: object | undefined): void {
  const may = useMayChange();
  const wish = drawing && question && may ? drawingOfQuestion(drawing.id, question) : undefined;
  const name = wish && !isKept(drawing!, question!) ? wish.name : undefined;
  useEffect(() => {
    if (!name) return;
    const { id } = drawing!;
    const key = `${id} ${name}`;
    const timer = setTimeout(() => {
      if (sent.has(key)) return;
      sent.add(key);
      givenDrawing(wish!)
        .then(async (packed) => {
          if (!packed) return;
          const form = new FormData();
          form.append("name", name);
          form.append("drawing", packed, "drawing");
          await send("PUT", `/api/pictures/${id}/drawing`, form);
        })
        // The next who looks at it sends it again.
        .catch(() => sent.delete(key));
    }, STAYS);
    return () => clearTimeout(timer);
    // What is kept follows from its name.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [name, drawing?.id]);
}
