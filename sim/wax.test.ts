import { xyzToLab } from "@/core/colour/lab";
import { look } from "./observer";
import { warmToned, whiteCard } from "./paper-stock";
import { colourSheet } from "./sheet";
import { contrastCard, drawdownOn, drawOver, teeth, waxPencils, type WaxPass } from "./wax";

const seen = (r: Float64Array) => xyzToLab(look(r));
const pencil = (name: string) => waxPencils.find((p) => p.code === `pencil ${name}`)!;
const sheet = colourSheet(whiteCard, []);
const on = (passes: readonly WaxPass[], tooth = teeth[whiteCard.name]!) =>
  seen(drawOver(sheet, tooth, passes));

describe("simulated wax on tooth", () => {
  it("leaves the sheet alone without a stroke, and covers more with each", () => {
    on([]).forEach((v, c) => expect(v).toBeCloseTo(seen(sheet)[c]!, 9));
    const L = [1, 2, 4, 8].map((layers) => on([{ pencil: pencil("ink"), layers, pressure: 0.4 }])[0]);
    expect(L).toEqual([...L].sort((a, b) => b - a));
  });
  it("reaches further into rough paper when pressed harder", () => {
    const rough = teeth[warmToned.name]!;
    expect(on([{ pencil: pencil("ink"), layers: 3, pressure: 0.8 }], rough)[0]).toBeLessThan(
      on([{ pencil: pencil("ink"), layers: 3, pressure: 0.2 }], rough)[0] - 10,
    );
  });
  it("shows what lies on top more than what lies beneath", () => {
    const [ochre, ink] = [
      { pencil: pencil("ochre"), layers: 4, pressure: 0.7 },
      { pencil: pencil("ink"), layers: 4, pressure: 0.7 },
    ];
    expect(on([ochre, ink])[2]).toBeLessThan(on([ink, ochre])[2]);
  });
  it("has white that lightens toned paper and hides a black field", () => {
    const toned = colourSheet(warmToned, []);
    expect(
      seen(
        drawOver(toned, teeth[warmToned.name]!, [{ pencil: pencil("chalk"), layers: 4, pressure: 0.6 }]),
      )[0],
    ).toBeGreaterThan(seen(toned)[0]);
    expect(seen(drawdownOn(pencil("chalk"), "black"))[0]).toBeGreaterThan(
      seen(Float64Array.from(contrastCard.black))[0] + 40,
    );
  });
  it("lies between its two drawdowns and the card they were made on", () => {
    for (const p of waxPencils)
      expect(seen(drawdownOn(p, "white"))[0]).toBeGreaterThanOrEqual(seen(drawdownOn(p, "black"))[0] - 0.5);
  });
});
