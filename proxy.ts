import { NextResponse, type NextRequest } from "next/server";
import { isKnownHost } from "./border/gate";

/** What a page may load: itself only. Styles may stand in attributes, since colours are computed; scripts carry this answer's nonce. */
const policyFor = (nonce: string, isDev: boolean): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDev ? " 'unsafe-eval'" : ""}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");

/** Every page: known hosts only, and what browsers should not do with it. */
export function proxy(request: NextRequest): NextResponse {
  if (!isKnownHost(request.headers))
    return new NextResponse("This server does not know the host by which it was called.", { status: 421 });
  const policy = policyFor(btoa(crypto.randomUUID()), process.env.NODE_ENV === "development");
  const headers = new Headers(request.headers);
  // Next puts the nonce of this header onto its own scripts.
  headers.set("content-security-policy", policy);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set("content-security-policy", policy);
  answer.headers.set("x-content-type-options", "nosniff");
  answer.headers.set("referrer-policy", "same-origin");
  answer.headers.set("x-frame-options", "DENY");
  answer.headers.set("cross-origin-opener-policy", "same-origin");
  answer.headers.set("cross-origin-resource-policy", "same-origin");
  return answer;
}

// Handlers under /api have the gate of border/route.ts; going through here too, their bodies would be kept in memory first.
export const config = { matcher: ["/((?!api/|_next/static|_next/image).*)"] };
