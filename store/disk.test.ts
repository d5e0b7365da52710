import type { statfsSync } from "node:fs";
import { isDiskFull, LEAST_FREE } from "./disk";

const withFree = (bytes: number) => jest.fn(() => ({ bavail: bytes / 4096, bsize: 4096 }));
const asked = (at: number, statfs: () => unknown) => isDiskFull(at, statfs as unknown as typeof statfsSync);

describe("a full disk", () => {
  afterEach(() => delete process.env.BLENDT_DISK);
  it("is full below what the database needs for itself, is looked at every two seconds, and is not full again by itself", () => {
    process.env.BLENDT_DISK = "/somewhere";
    const [little, enough] = [withFree(LEAST_FREE - 4096), withFree(LEAST_FREE)];
    expect(asked(10_000, little)).toBe(true);
    expect(asked(11_000, enough)).toBe(true);
    expect(enough).not.toHaveBeenCalled();
    expect(asked(12_500, enough)).toBe(false);
    expect(enough).toHaveBeenCalledWith("/somewhere");
  });
  it("is not full where nobody can tell", () => {
    const gone = () => {
      throw new Error("gone");
    };
    process.env.BLENDT_DISK = "/nowhere";
    expect(asked(20_000, gone)).toBe(false);
    delete process.env.BLENDT_DISK;
    expect(asked(30_000, withFree(0))).toBe(false);
  });
});
