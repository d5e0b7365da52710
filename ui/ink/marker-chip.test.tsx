import { drawn } from "@/fixtures/drawn";
import { clay, jar } from "@/fixtures/studio";
import { MarkerChip } from "./marker-chip";

const chip = (marker: (typeof clay)[number]) => drawn(<MarkerChip marker={marker} width={60} height={24} />);

describe("a marker as the stroke it leaves", () => {
  it("has a stroke for each coat that was read", () =>
    expect(chip(clay[0]!).match(/<path/g)).toHaveLength(clay[0]!.swatches.length));
  it("is hollow when it is not owned, and notched when it runs low", () => {
    expect(chip(clay[1]!)).toContain('data-owned="false"');
    expect(chip(clay[2]!).match(/<path/g)).toHaveLength(clay[2]!.swatches.length + 1);
  });
  it("is a pencil's drawdown over white", () => expect(chip(jar[0]!).match(/<path/g)).toHaveLength(1));
});
