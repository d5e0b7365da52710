import { eq } from "drizzle-orm";
import { cache } from "react";
import { withStore } from "./database";
import { studios } from "./schema";

/** Names the studio whose things a query may touch; every query asks for one. */
export interface Studio {
  readonly id: string;
  readonly name: string;
}

export const DEMO_STUDIO = "demo";

/** The studio that this server shows. There is one until studios can sign in. */
export const currentStudio = cache(async (): Promise<Studio> => {
  const slug = process.env.BLENDT_STUDIO ?? DEMO_STUDIO;
  const [found] = await withStore((db) =>
    db.select({ id: studios.id, name: studios.name }).from(studios).where(eq(studios.slug, slug)),
  );
  if (!found)
    throw new Error(`there is no studio "${slug}" in the store; ./blendt start seeds the demo studio`);
  return found;
});
