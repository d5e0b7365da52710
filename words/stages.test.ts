import { termsAt } from "./stage-terms";
import { STAGES } from "./stages";

describe("help beside a stage", () => {
  it.each(STAGES)(
    "$name says what it is for, what comes first and what one does, in whole sentences",
    (stage) => {
      for (const text of [stage.says, stage.first, ...stage.does]) {
        expect(text).toMatch(/^[A-Z].*\.$/);
        expect(text.length).toBeLessThan(160);
        // A colourist reads no statistics (docs/words.md).
        expect(text).not.toMatch(/ΔE|L\*|chroma|residual|target|recipe/);
      }
      expect(termsAt(stage).length).toBeGreaterThan(0);
    },
  );
});
