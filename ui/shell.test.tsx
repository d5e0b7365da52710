import { drawn, wordsOf } from "@/fixtures/drawn";
import { clay } from "@/fixtures/studio";
import { Shell } from "./shell";
import { Shortcuts } from "./shortcuts";

const nothing = () => undefined;

describe("the frame of every place", () => {
  const shell = (address: string) =>
    drawn(
      <Shell markers={clay} goTo={nothing}>
        <main id="main">content</main>
      </Shell>,
      address,
    );
  it("says where one is", () => {
    for (const [address, name] of [
      ["/", "Bench"],
      ["/pieces/x/colour", "Bench"],
      ["/rack?view=table", "Rack"],
      ["/swatchbook/x", "Swatchbook"],
      ["/groups", "Groups"],
    ] as const)
      expect(shell(address)).toMatch(new RegExp(`aria-current="page"[^>]*>${name}<`));
    expect(shell("/rack").match(/aria-current="page"/g)).toHaveLength(1);
  });
  it("lets one go past it to the content, and find a marker from anywhere", () => {
    expect(shell("/")).toContain('href="#main"');
    expect(wordsOf(shell("/"))).toContain("Find a marker /");
    expect(wordsOf(shell("/"))).toContain("content");
  });
});

describe("shortcuts", () => {
  it("are drawn only when they are asked for", () => {
    expect(wordsOf(drawn(<Shortcuts open={false} onClose={nothing} />))).toBe("");
  });
});
