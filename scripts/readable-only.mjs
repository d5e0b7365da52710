// Loaded first by each process that answers: what its router would fail at is refused here, in our words. node --import ./scripts/readable-only.mjs
import { Server } from "node:http";

/** Longest state of the router that a page sends. */
const LONGEST_STATE = 64 * 1024;

/** Whether an address and what the router reads beside it can be read at all. */
function isReadable({ url = "", headers }) {
  try {
    for (const part of url.split("?")[0].split("/")) decodeURIComponent(part);
    const state = headers["next-router-state-tree"];
    if (state === undefined) return true;
    if (state.length > LONGEST_STATE) return false;
    const tree = JSON.parse(decodeURIComponent(state));
    return Array.isArray(tree) && typeof tree[1] === "object" && tree[1] !== null;
  } catch {
    return false;
  }
}

const WORDS = "This address cannot be read. Go back to where the link was, or to the first page.";

function refuse(request, response) {
  const isApi = (request.url ?? "").startsWith("/api/");
  const body = isApi ? JSON.stringify({ message: WORDS }) : WORDS;
  response.writeHead(400, {
    "content-type": isApi ? "application/json" : "text/plain; charset=utf-8",
    "content-length": Buffer.byteLength(body),
    "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
    "x-content-type-options": "nosniff",
    "x-frame-options": "DENY",
    "referrer-policy": "same-origin",
    connection: "close",
  });
  response.end(body);
}

const { emit } = Server.prototype;
Server.prototype.emit = function (event, ...args) {
  if (event === "request" && !isReadable(args[0])) {
    refuse(args[0], args[1]);
    return true;
  }
  return emit.call(this, event, ...args);
};
