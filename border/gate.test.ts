import { isKnownHost, refusedAtGate, type BodyKind } from "./gate";

const request = (method: string, headers: Record<string, string>) => ({
  method,
  headers: new Headers(headers),
});
const status = (method: string, headers: Record<string, string>, body: BodyKind = "json") =>
  refusedAtGate(request(method, headers), body)?.status;
const json = { "content-type": "application/json" };

describe("the gate", () => {
  afterEach(() => {
    delete process.env.BLENDT_HOSTS;
  });

  it.each(["localhost", "localhost:3000", "LOCALHOST:80", "127.0.0.1:3111", "[::1]:3000", "[::1]"])(
    "knows %s",
    (host) => expect(isKnownHost(new Headers({ host }))).toBe(true),
  );
  it.each([
    "",
    "studio",
    "localhost.elsewhere.example",
    "127.0.0.1.nip.example",
    "127.0.0.2",
    "[::2]:3000",
    "localhost:3000:80",
  ])("does not know %j", (host) => expect(isKnownHost(new Headers(host ? { host } : {}))).toBe(false));
  it("knows further names when it is told them", () => {
    process.env.BLENDT_HOSTS = "studio.example, Atelier.example ,";
    for (const host of ["studio.example", "atelier.example:8443"])
      expect(isKnownHost(new Headers({ host }))).toBe(true);
    expect(isKnownHost(new Headers({ host: "elsewhere.example" }))).toBe(false);
    expect(isKnownHost(new Headers({ host: "" }))).toBe(false);
  });

  const host = "localhost:3000";
  it("lets in what comes from its own pages, and from no page at all", () => {
    expect(status("POST", { host, ...json })).toBeUndefined();
    expect(status("POST", { host, ...json, origin: "http://localhost:3000" })).toBeUndefined();
    expect(
      status("PUT", { host, ...json, origin: "http://localhost:3000", "sec-fetch-site": "same-origin" }),
    ).toBeUndefined();
    expect(status("DELETE", { host, "sec-fetch-site": "none" }, "none")).toBeUndefined();
  });
  it.each([
    { origin: "http://elsewhere.example" },
    { origin: "http://localhost:3001" },
    { origin: "null" },
    { origin: "not an origin" },
    { "sec-fetch-site": "cross-site" },
    { "sec-fetch-site": "same-site" },
  ])("keeps out writes with %j", (headers) =>
    expect(status("POST", { host, ...json, ...(headers as unknown as Record<string, string>) })).toBe(403),
  );
  it("lets anybody on the machine read, but not under another name", () => {
    expect(status("GET", { host, origin: "http://elsewhere.example" }, "none")).toBeUndefined();
    expect(status("GET", { host: "elsewhere.example" }, "none")).toBe(421);
  });
  it("takes a body of the declared type only", () => {
    expect(status("POST", { host, "content-type": "application/json; charset=utf-8" })).toBeUndefined();
    expect(status("POST", { host, "content-type": "APPLICATION/JSON" })).toBeUndefined();
    for (const type of ["text/plain", "application/x-www-form-urlencoded", "application/json+x", ""])
      expect(status("POST", { host, "content-type": type })).toBe(415);
    expect(
      status("POST", { host, "content-type": "multipart/form-data; boundary=x" }, "form"),
    ).toBeUndefined();
    expect(status("POST", { host, ...json }, "form")).toBe(415);
  });
});
