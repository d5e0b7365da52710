import { test as base } from "@playwright/test";
import { newDemo } from "@/store/copy-studio";
import { closeDatabase } from "@/store/database";
import type { Studio } from "@/store/studio";

export { expect } from "@playwright/test";

/** Tests of a worker have a demo studio to themselves, so that workers do not meet. */
export const test = base.extend<object, { studio: Studio }>({
  studio: [
    async ({}, use) => {
      const studio = await newDemo({ kind: "local" });
      await closeDatabase();
      await use(studio!);
    },
    { scope: "worker" },
  ],
  storageState: async ({ studio, baseURL }, give) => {
    const { hostname } = new URL(baseURL!);
    await give({
      cookies: [
        {
          name: "blendt-studio",
          value: studio.id,
          domain: hostname,
          path: "/",
          expires: -1,
          httpOnly: false,
          secure: false,
          sameSite: "Lax",
        },
      ],
      origins: [],
    });
  },
});
