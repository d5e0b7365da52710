import type { Piece } from "@/core/piece/piece";
import { notOwn } from "@/store/own-things";
import type { WorkEvent } from "@/core/work/record";
import type { Studio } from "@/store/studio";
import { BadInput, type Problem } from "@/border/problem";

/** Something that a document names, and where. */
interface Named {
  readonly path: string;
  readonly id: string;
}

async function refuse(
  studio: Studio,
  kind: "paper" | "picture",
  named: readonly Named[],
): Promise<Problem[]> {
  const strange = await notOwn(
    studio,
    kind,
    named.map((n) => n.id),
  );
  return named
    .filter((n) => strange.has(n.id))
    .map(({ path }) => ({ path, expected: `expected the id of a ${kind} of this studio` }));
}

/**
 * A piece may name papers and pictures of its own studio only.
 * @throws BadInput
 */
export async function checkPiece(studio: Studio, piece: Piece, at = ""): Promise<void> {
  const line = piece.setUp.line;
  const pictures: Named[] = [
    ...(piece.pictureId ? [{ path: `${at}pictureId`, id: piece.pictureId }] : []),
    ...piece.references.map((r, i) => ({ path: `${at}references[${i}].pictureId`, id: r.pictureId })),
    ...(line ? [{ path: `${at}setUp.line.pictureId`, id: line.pictureId }] : []),
  ];
  const papers: Named[] = piece.paperId ? [{ path: `${at}paperId`, id: piece.paperId }] : [];
  const problems = [
    ...(await refuse(studio, "paper", papers)),
    ...(await refuse(studio, "picture", pictures)),
  ];
  if (problems.length) throw new BadInput(problems);
}

/**
 * Results of kept groups may name papers of their own studio only.
 * @throws BadInput
 */
export async function checkResults(
  studio: Studio,
  groups: readonly { readonly results?: readonly { readonly paperId: string }[] }[],
  at: (group: number) => string,
): Promise<void> {
  const named = groups.flatMap((g, i) =>
    (g.results ?? []).map((r, j) => ({ path: `${at(i)}results[${j}].paperId`, id: r.paperId })),
  );
  const problems = await refuse(studio, "paper", named);
  if (problems.length) throw new BadInput(problems);
}

/**
 * Photos of work may be pictures of its own studio only.
 * @throws BadInput
 */
export async function checkPhotos(studio: Studio, events: readonly WorkEvent[]): Promise<void> {
  const named = events.flatMap((e, i) =>
    e.kind === "photographed" ? [{ path: `events[${i}].pictureId`, id: e.pictureId }] : [],
  );
  const problems = await refuse(studio, "picture", named);
  if (problems.length) throw new BadInput(problems);
}
