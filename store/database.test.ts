import { inspect } from "node:util";
import { DrizzleQueryError } from "drizzle-orm/errors";
import { DiskFull, inPieces, ROWS_AT_ONCE, StoreUnavailable, unlessTaken, withStore } from "./database";

describe("a list in pieces", () => {
  it("is whole, in order, and no piece is longer than it may be", () => {
    const list = Array.from({ length: 2501 }, (_, i) => i);
    const pieces = [...inPieces(list)];
    expect(pieces.map((p) => p.length)).toEqual([ROWS_AT_ONCE, ROWS_AT_ONCE, 501]);
    expect(pieces.flat()).toEqual(list);
    expect([...inPieces([])]).toEqual([]);
    expect([...inPieces([1, 2, 3], 2)]).toEqual([[1, 2], [3]]);
  });
});

describe("what the store throws", () => {
  const thrown = (error: unknown) => () => Promise.reject(error as Error);
  it("is a taken name when a value would be there twice, however deep that stands", async () => {
    expect(await unlessTaken(thrown({ code: "23505" }))).toBe("taken");
    expect(await unlessTaken(thrown(new Error("failed", { cause: { code: "23505" } })))).toBe("taken");
    await expect(unlessTaken(thrown(new Error("other")))).rejects.toThrow("other");
    expect(await unlessTaken(() => Promise.resolve(7))).toBe(7);
  });
  it("keeps to itself what was in a query that failed", async () => {
    process.env.DATABASE_URL = "postgresql://nobody@127.0.0.1:1/none";
    const cause = Object.assign(new Error("value too long"), { code: "22001" });
    const failed = new DrizzleQueryError("insert into papers values ($1)", ["a secret name"], cause);
    const told = await withStore(thrown(failed)).catch((e: unknown) => e as Error);
    expect(String((told as Error).message)).toContain("insert into papers");
    expect(inspect(told, { depth: 5 })).not.toContain("a secret name");
  });
  it("is a lost store when the connection is gone, and itself otherwise", async () => {
    process.env.DATABASE_URL = "postgresql://nobody@127.0.0.1:1/none";
    for (const lost of [
      { code: "ECONNREFUSED" },
      { code: "57P01" },
      { code: "08006" },
      { message: "Connection terminated" },
      // A backup is being put in its place.
      { code: "3D000" },
      { code: "55000" },
    ])
      await expect(withStore(thrown(new Error("query", { cause: lost })))).rejects.toBeInstanceOf(
        StoreUnavailable,
      );
    await expect(withStore(thrown(new Error("syntax")))).rejects.toThrow("syntax");
  });
  it("is a full disk when there is no room, or only reading is allowed until there is", async () => {
    for (const code of ["53100", "25006", "ENOSPC"])
      await expect(
        withStore(thrown(new Error("query", { cause: Object.assign(new Error("full"), { code }) }))),
      ).rejects.toBeInstanceOf(DiskFull);
  });
});
