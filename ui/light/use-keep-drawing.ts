"use client";
import { useEffect, useRef } from "react";
import type { DrawingFacts } from "@/store/pictures";
import { drawingOfQuestion, lightName } from "@/compute/looks";
import { givenDrawing, givenValues } from "@/ui/jobs/client";
import { send } from "@/ui/send";
import { isKept } from "@/ui/set-up/use-drawing";
import { useMayChange } from "@/ui/studio/studio-context";

/** How long a drawing must stay as it is before it is kept, ms. */
const STAYS = 2500;

/** What this page has sent: nothing is sent twice. */
const sent = new Set<string>();

/** Sends what was worked out of a picture under its name, once it has stayed for a while; nobody waits for it. */
function useKept(
  pictureId: string | undefined,
  name: string | undefined,
  give: () => Promise<Blob | undefined>,
) {
  const giving = useRef(give);
  useEffect(() => {
    giving.current = give;
  });
  useEffect(() => {
    if (!name || !pictureId) return;
    const key = `${pictureId} ${name}`;
    const timer = setTimeout(() => {
      if (sent.has(key)) return;
      sent.add(key);
      giving
        .current()
        .then(async (packed) => {
          if (!packed) return;
          const form = new FormData();
          form.append("name", name);
          form.append("drawing", packed, "drawing");
          await send("PUT", `/api/pictures/${pictureId}/drawing`, form);
        })
        // The next who looks at it sends it again.
        .catch(() => sent.delete(key));
    }, STAYS);
    return () => clearTimeout(timer);
  }, [name, pictureId]);
}

/**
 * Keeps a drawing as it was looked at in the studio, so that whoever comes next need not look for its line and areas.
 * @param drawing once it has been looked at
 * @param question how
 */
export function useKeepDrawing(drawing: DrawingFacts | undefined, question: object | undefined): void {
  const may = useMayChange();
  const wish = drawing && question && may ? drawingOfQuestion(drawing.id, question) : undefined;
  const name = wish && !isKept(drawing!, question!) ? wish.name : undefined;
  useKept(drawing?.id, name, () => givenDrawing(wish!));
}

/**
 * Keeps the values of a light as they were worked out, so that whoever comes next need not work out the forms.
 * @param lit once it is exact: how it was asked, and the name of its values
 */
export function useKeepLight(
  drawing: DrawingFacts | undefined,
  lit: { readonly question: object; readonly field: string } | undefined,
): void {
  const may = useMayChange();
  const name = drawing && lit && may ? lightName(lit.question) : undefined;
  const missing = name !== undefined && !drawing?.drawings?.includes(name);
  useKept(drawing?.id, missing ? name : undefined, () => givenValues(drawing!.id, lit!.question, lit!.field));
}
