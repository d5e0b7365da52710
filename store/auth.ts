import { createHash, randomBytes, randomUUID } from "node:crypto";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { LONGEST_PASSWORD, sameName, SHORTEST_PASSWORD } from "@/border/person";
import { database } from "./database";
import { credentials, people, sessions, verifications } from "./people-schema";

const DAY = 86_400;
/** A session ends when it has not been used for so long. */
const SESSION_DAYS = 30;
const LEAST_SECRET = 32;

/** Signs cookies; the same in every process of a server. */
export function secret(): string {
  const given = process.env.BLENDT_SECRET ?? "";
  if (given.length < LEAST_SECRET)
    throw new Error(`BLENDT_SECRET must have at least ${LEAST_SECRET} characters; ./blendt start sets it`);
  return given;
}

const make = () =>
  betterAuth({
    appName: "Blendt",
    baseURL: "http://localhost",
    secret: secret(),
    telemetry: { enabled: false },
    logger: { disabled: true },
    database: drizzleAdapter(database(), {
      provider: "pg",
      schema: { people, sessions, credentials, verifications },
    }),
    user: { modelName: "people" },
    session: {
      modelName: "sessions",
      fields: { userId: "personId" },
      expiresIn: SESSION_DAYS * DAY,
      updateAge: DAY,
    },
    account: { modelName: "credentials", fields: { userId: "personId" } },
    verification: { modelName: "verifications" },
    // Passwords are hashed by the library's scrypt (N 16384, r 16: 32 MiB each).
    emailAndPassword: {
      enabled: true,
      minPasswordLength: SHORTEST_PASSWORD,
      maxPasswordLength: LONGEST_PASSWORD,
    },
    // Its own limits know only its own handler, which nobody reaches: guessing is slowed in tries.ts.
    rateLimit: { enabled: false },
    advanced: {
      cookiePrefix: "blendt",
      defaultCookieAttributes: { httpOnly: true, sameSite: "lax", path: "/" },
      database: { generateId: () => randomUUID() },
    },
  });

const shared = globalThis as typeof globalThis & { blendtAuth?: ReturnType<typeof make> };

/** The sign-in library over our store. Only this server's own code calls it; none of its routes is served. */
export const auth = () => (shared.blendtAuth ??= make());

const sha256 = (text: string): string => createHash("sha256").update(text).digest("hex");

/** The address that stands for a name; it leads nowhere. */
export const addressOf = (name: string): string => `${sha256(sameName(name)).slice(0, 40)}@blendt.invalid`;

/** Letters and digits that are not taken for one another. */
const ALPHABET = "23456789abcdefghjkmnpqrstuvwxyz";

/** A random code of so many characters, five bits less than each; in groups of four when it is to be typed. */
export function newCode(length: number, grouped = false): string {
  const most = 256 - (256 % ALPHABET.length);
  let out = "";
  while (out.length < length)
    for (const byte of randomBytes(length))
      if (byte < most && out.length < length) out += ALPHABET[byte % ALPHABET.length];
  return grouped ? out.match(/.{1,4}/g)!.join("-") : out;
}

/** What is kept of a code; spaces, hyphens and capitals make no difference. A code is random, so a plain hash tells nothing of it. */
export const codeHash = (code: string): string => sha256(code.toLowerCase().replace(/[^0-9a-z]/g, ""));
