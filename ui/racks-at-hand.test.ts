import type { Rack } from "@/store/rack";
import { rackName, racksAtHand } from "./racks-at-hand";

const rack = (id: string) => ({ paper: { id } }) as unknown as Rack;

describe("racks for what the server draws", () => {
  it("are the process's, by paper and version", () => {
    const at = { paperId: "smooth", version: "1-2" };
    racksAtHand().keep(rackName(at), rack("smooth"));
    expect(racksAtHand().recall(rackName(at))?.paper.id).toBe("smooth");
    expect(racksAtHand().recall(rackName({ ...at, version: "1-3" }))).toBeUndefined();
    expect(racksAtHand().recall(rackName({ ...at, paperId: "rough" }))).toBeUndefined();
    expect((globalThis as { blendtRacks?: unknown }).blendtRacks).toBe(racksAtHand());
  });
  it("are a few: those of long ago go", () => {
    for (let i = 0; i < 100; i++)
      racksAtHand().keep(rackName({ paperId: `${i}`, version: "" }), rack(`${i}`));
    expect(racksAtHand().recall(rackName({ paperId: "0", version: "" }))).toBeUndefined();
    expect(racksAtHand().recall(rackName({ paperId: "99", version: "" }))).toBeDefined();
  });
});
