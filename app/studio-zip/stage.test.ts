import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import type { PgTable } from "drizzle-orm/pg-core";
import { papers, ranges, readings } from "@/store/schema";
import { pictures } from "@/store/piece-schema";
import { members } from "@/store/schema";
import { Stage } from "./stage";

describe("rows of a studio that comes in", () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(path.join(tmpdir(), "blendt-stage-"))));
  afterEach(() => rmSync(folder, { recursive: true }));

  it("are given as they were put down, in their order, with their dates and bytes", async () => {
    const stage = await Stage.at(path.join(folder, "rows"));
    const put: [PgTable, readonly object[]][] = [
      [papers, [{ name: "Card", lab: [96, 0, 2] }]],
      [pictures, [{ name: "p", original: Buffer.from([1, 2, 3]), working: Buffer.alloc(70_000, 7) }]],
      [ranges, []],
      [readings, [{ stack: ["a"], readAt: new Date(5), measured: null }]],
    ];
    for (const [table, rows] of put) await stage.put(table, rows as never);
    const given: [PgTable, readonly object[]][] = [];
    await stage.takeInto((table, rows) => Promise.resolve(void given.push([table, rows])));
    expect(given).toEqual(put.filter(([, rows]) => rows.length));
    expect(given[2]![0]).toBe(readings);
    await stage.close();
  });
  it("are no more than may lie there, and only what a studio holds", async () => {
    const stage = await Stage.at(path.join(folder, "rows"), 1000);
    await expect(stage.put(pictures, [{ original: Buffer.alloc(2000) }] as never)).rejects.toThrow(
      "once it is unpacked",
    );
    await expect(stage.put(members, [{ role: "owner" }] as never)).rejects.toThrow("no content");
    await stage.close();
  });
});
