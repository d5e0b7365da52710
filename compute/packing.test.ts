import { deflated, inflated } from "./packing";

describe("packing", () => {
  const bytes = Uint8Array.from({ length: 100_000 }, (_, i) => (i * i) >> 3);
  it("gives the bytes again", async () => {
    expect(await inflated(await deflated(bytes), 100_000)).toEqual(bytes);
    expect(await inflated(await deflated(new Uint8Array(0)), 0)).toEqual(new Uint8Array(0));
  });
  it("unpacks no more than is expected", async () => {
    const small = await deflated(new Uint8Array(30_000_000));
    expect(small.size).toBeLessThan(100_000);
    expect(await inflated(small, 1_000_000)).toBeUndefined();
  });
  it("gives nothing for what was never packed, or was cut off", async () => {
    expect(await inflated(new Blob(["neither this"]), 1000)).toBeUndefined();
    const small = await deflated(bytes);
    expect(await inflated(small.slice(0, small.size >> 1), 1_000_000)).toBeUndefined();
  });
});
