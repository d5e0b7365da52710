import { createHmac, timingSafeEqual } from "node:crypto";
import { secret } from "./auth";

const COOKIE = "blendt.browser";
/** How long a browser is known after somebody has signed in with it. */
const DAYS = 180;

const markOf = (email: string): string =>
  createHmac("sha256", secret()).update(`browser of ${email}`).digest("hex").slice(0, 40);

/** Set when somebody has signed in: this browser is no stranger to that name. It opens nothing. */
export const knownBrowserCookie = (email: string): string =>
  `${COOKIE}=${markOf(email)}; Path=/; Max-Age=${DAYS * 86_400}; HttpOnly; SameSite=Lax`;

/** Whether somebody has signed in by this name with the browser that asks. */
export function isKnownBrowser(headers: Headers, email: string): boolean {
  const said = new RegExp(`(?:^|;\\s*)${COOKIE}=([0-9a-f]{40})(?:;|$)`).exec(
    headers.get("cookie") ?? "",
  )?.[1];
  return said !== undefined && timingSafeEqual(Buffer.from(said), Buffer.from(markOf(email)));
}
