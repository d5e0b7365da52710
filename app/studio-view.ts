import { chosenOf, SignInNeeded, StudioNeeded, visitorOf } from "@/door/guard";
import type { Metadata } from "next";
import { headers } from "next/headers";
import { notFound, redirect } from "next/navigation";
import { cache } from "react";
import { nameHere } from "@/app/kept-colouring";
import { isId } from "@/border/fields";
import { rackKey } from "@/compute/from-rack";
import { findFit } from "@/store/desk-fits";
import { rackAt } from "@/store/rack-cache";
import { findPicture, type PictureFacts } from "@/store/pictures";
import { findPiece, type StoredPiece } from "@/store/pieces";
import { listPapers, type PaperSheet } from "@/store/papers";
import type { Visitor } from "@/store/people";
import { studiosOf, type Entered } from "@/store/studio";
import { rackName, racksAtHand, type RackAt } from "@/ui/racks-at-hand";

/** Sends whoever may not see a page to where they can sign in, and who has no studio to where one begins. */
async function orElsewhere<T>(work: Promise<T>): Promise<T> {
  let to: string;
  try {
    return await work;
  } catch (error) {
    if (error instanceof SignInNeeded) to = "/sign-in";
    else if (error instanceof StudioNeeded) to = "/start";
    else throw error;
  }
  redirect(to);
}

/** Who looks at a page; a stranger is sent to sign in. */
export const currentVisitor = cache(async (): Promise<Visitor> => orElsewhere(visitorOf(await headers())));

/** Studios that whoever looks may enter. */
export const currentStudios = cache(async (): Promise<Entered[]> => studiosOf(await currentVisitor()));

/** The studio in which a page is looked at: pages have no other way to one. */
export const currentStudio = cache(async (): Promise<Entered> =>
  orElsewhere(Promise.all([currentStudios(), headers()]).then(([all, asked]) => chosenOf(all, asked))),
);

/** Which rack a page shows: that of the wanted paper, or of the studio's first. The page is drawn with it, and names it: the browser fetches it once. */
export interface RackShown {
  readonly papers: readonly PaperSheet[];
  readonly paper: PaperSheet;
  readonly at: RackAt;
}

/** Has the rack of a paper at hand for what is drawn of it. */
export async function rackToDraw(paperId: string): Promise<RackAt> {
  const studio = await currentStudio();
  const at = { paperId, version: studio.rackVersion };
  const there = await rackAt(studio, paperId);
  if (!there) return at;
  racksAtHand().keep(rackName(at), there.rack);
  const key = rackKey(there.rack);
  const fit = await findFit(studio, await nameHere(key));
  return { ...at, ...(fit && { fitted: { key, fit } }) };
}

/** A studio without paper begins with one. */
export const loadRack = cache(async (paperId: string | null | undefined): Promise<RackShown> => {
  const studio = await currentStudio();
  const papers = await listPapers(studio);
  const paper = papers.find((p) => p.id === paperId) ?? papers[0];
  if (!paper) redirect("/begin");
  return { papers, paper, at: await rackToDraw(paper.id) };
});

/** All that the views of a piece start from. Shows "not found" for an id that is nobody's. */
export const loadPiece = cache(
  async (
    id: string,
  ): Promise<RackShown & { readonly piece: StoredPiece; readonly picture: PictureFacts | undefined }> => {
    const studio = await currentStudio();
    const piece = isId(id) ? await findPiece(studio, id) : undefined;
    if (!piece) notFound();
    const picture = piece.document.pictureId
      ? await findPicture(studio, piece.document.pictureId)
      : undefined;
    return { piece, picture, ...(await loadRack(piece.document.paperId)) };
  },
);

/** Props of the pages of a piece. */
export interface PieceParams {
  readonly params: Promise<{ readonly id: string }>;
}

/** The title of a stage's page: the piece's name, then the stage. */
export const titleOf =
  (stage: string) =>
  async ({ params }: PieceParams): Promise<Metadata> => ({
    title: `${(await loadPiece((await params).id)).piece.document.name}: ${stage}`,
  });
