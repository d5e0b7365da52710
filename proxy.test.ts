import { NextRequest } from "next/server";
import { config, proxy } from "./proxy";

const page = (host: string) => proxy(new NextRequest("http://localhost:3000/rack", { headers: { host } }));

describe("every page", () => {
  it("is made for known hosts only", () => {
    expect(page("localhost:3000").status).toBe(200);
    for (const host of ["elsewhere.example", "127.0.0.1.nip.example"]) expect(page(host).status).toBe(421);
  });
  it("has a nonce of its own, which Next is told too", () => {
    const policies = [page("localhost"), page("localhost")].map((a) =>
      a.headers.get("content-security-policy")!,
    );
    const nonces = policies.map((p) => /'nonce-([^']+)'/.exec(p)![1]!);
    expect(nonces[0]).not.toBe(nonces[1]);
    expect(nonces[0]!.length).toBeGreaterThan(20);
    expect(page("localhost").headers.get("x-middleware-request-content-security-policy")).toContain("nonce-");
  });
  it("may load nothing from elsewhere, run nothing inline, and stand in nobody's frame", () => {
    const policy = page("localhost").headers.get("content-security-policy")!;
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("object-src 'none'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(/script-src ([^;]*)/.exec(policy)![1]).not.toMatch(/unsafe/);
  });
  it("leaves handlers to their own gate", () => {
    const matcher = new RegExp(`^${config.matcher[0]}$`);
    expect(matcher.test("/rack")).toBe(true);
    expect(matcher.test("/api/rack")).toBe(false);
    expect(matcher.test("/_next/static/x.js")).toBe(false);
  });
});
