import { renderToStaticMarkup } from "react-dom/server";
import { newArea } from "@/core/piece/piece";
import { ValueLanes } from "@/ui/whole/value-lanes";
import type { GroupOutput } from "@/compute/group-output";
import { wordsOf } from "@/fixtures/drawn";
import { LaidStrip } from "./laid-strip";
import { Ramp } from "./ramp";
import { coatsInHex, StrokeChip } from "./stroke-chip";
import { ValueRuler } from "./value-ruler";

const count = (markup: string, what: string) => markup.split(what).length - 1;

describe("a stroke chip", () => {
  const coats = ["#ddccbb", "#ccbbaa", "#bbaa99"];

  it("shows one overlap a coat, in the ink's own colours", () => {
    for (let n = 1; n <= 3; n++) {
      const markup = renderToStaticMarkup(<StrokeChip coats={coats.slice(0, n)} />);
      expect(count(markup, "<path")).toBe(n);
      for (const hex of coats.slice(0, n)) expect(markup).toContain(`fill="${hex}"`);
    }
  });

  it("is hollow when it is not owned", () => {
    const markup = renderToStaticMarkup(<StrokeChip coats={coats} owned={false} />);
    expect(markup).toContain('data-owned="false"');
    expect(count(markup, 'fill="none"')).toBe(3);
    for (const hex of coats) expect(markup).toContain(`stroke="${hex}"`);
  });

  it("has a broken outline when it is predicted, and a notch when it runs low", () => {
    const plain = renderToStaticMarkup(<StrokeChip coats={coats} />);
    expect(plain).not.toContain("stroke-dasharray");
    expect(renderToStaticMarkup(<StrokeChip coats={coats} measured={false} />)).toContain("stroke-dasharray");
    expect(count(renderToStaticMarkup(<StrokeChip coats={coats} low />), "<path")).toBe(
      count(plain, "<path") + 1,
    );
  });

  it("takes the reading's own hex where there is one, else its Lab", () => {
    expect(coatsInHex([{ lab: [50, 0, 0], hex: "#123456" }])).toEqual(["#123456"]);
    expect(coatsInHex([{ lab: [100, 0, 0] }])).toEqual(["#ffffff"]);
  });
});

describe("a ramp", () => {
  it("paints every colour once, evenly, and says what it is", () => {
    const markup = renderToStaticMarkup(
      <Ramp colours={["#111111", "#222222", "#333333", "#444444"]} label="Ramp of Skin" />,
    );
    expect(markup).toContain(
      "linear-gradient(90deg, #111111 0 25.00%, #222222 0 50.00%, #333333 0 75.00%, #444444 0 100.00%)",
    );
    expect(markup).toContain('aria-label="Ramp of Skin: black to dark grey"');
  });
});

describe("an area as it will lie on the paper", () => {
  const group = { strip: Array.from({ length: 48 }, () => "#aa8877") } as unknown as GroupOutput;
  const mark = (name: string, t: number, deltaE00: number) => ({ name, hex: "#c08060", t, deltaE00 });
  const lefts = (markup: string) => [...markup.matchAll(/left:([\d.]+)%/g)].map((m) => Number(m[1]));
  it("has the picked colours set in where they belong, words first", () => {
    const markup = renderToStaticMarkup(
      <LaidStrip
        group={group}
        marks={[mark("Light", 0.02, 0.6), mark("Local colour", 0.5, 2.5), mark("Shadow", 0.98, 9)]}
        label="Skin"
      />,
    );
    expect(wordsOf(markup)).toMatch(
      /Light: the same to the eye 0.6 ΔE00 Local colour: close 2.5 ΔE00 Shadow: a different colour 9.0 ΔE00/,
    );
    const [light, local, shadow] = lefts(markup);
    expect(light).toBeGreaterThanOrEqual(0);
    expect(local).toBeCloseTo(45.5, 1);
    expect(shadow! + 9).toBeLessThanOrEqual(100);
  });
  it("keeps marks apart that belong to nearly the same place", () => {
    const left = lefts(
      renderToStaticMarkup(
        <LaidStrip
          group={group}
          marks={[mark("a", 0.97, 1), mark("b", 0.98, 1), mark("c", 0.99, 1)]}
          label="x"
        />,
      ),
    );
    expect(left[1]! - left[0]!).toBeGreaterThanOrEqual(9);
    expect(left[2]! - left[1]!).toBeGreaterThanOrEqual(9);
    expect(left[2]! + 9).toBeLessThanOrEqual(100);
  });
  it("is a strip alone where nothing was picked", () =>
    expect(renderToStaticMarkup(<LaidStrip group={group} marks={[]} label="x" />)).not.toContain("<li"));
});

describe("the value ruler", () => {
  const tones = [
    { code: "clay1c", lightness: 90, hex: "#eeddcc" },
    { code: "clay5m", lightness: 60, hex: "#aa8877" },
    { code: "clay9m", lightness: 57, hex: "#998877" },
  ];
  const steps = [
    { deltaL: 30, verdict: "too wide" as const },
    { deltaL: 3, verdict: "too narrow" as const },
  ];

  it("labels tones, readings and steps with their verdicts, in words as well as places", () => {
    const markup = renderToStaticMarkup(
      <ValueRuler tones={tones} steps={steps} marks={[{ name: "local", lightness: 66 }]} />,
    );
    for (const t of tones) expect(markup).toContain(t.code);
    expect(markup).toContain("too wide");
    expect(markup).toContain("too narrow");
    expect(markup).toContain("local");
    expect(markup).toContain(
      "Lightness of the layers: clay1c 90, a step of 30, too wide, clay5m 60, a step of 3, too narrow, clay9m 57",
    );
  });

  it("puts light above dark", () => {
    const markup = renderToStaticMarkup(
      <ValueRuler tones={tones.slice(0, 2)} steps={steps.slice(0, 1)} marks={[]} />,
    );
    const heights = [...markup.matchAll(/d="M64 ([\d.]+)/g)].map((m) => Number(m[1]));
    expect(heights).toHaveLength(2);
    expect(heights[0]!).toBeLessThan(heights[1]!);
  });
});

describe("all groups on one ruler", () => {
  const seen = (id: string, ...lightness: number[]) => ({
    area: newArea(id, id),
    local: undefined,
    shade: [],
    strip: undefined,
    tones: lightness.map((L, i) => ({ code: `${id}${i}`, coats: 1, lab: [L, 0, 0] as const })),
  });

  it("has a lane an area and a stroke a tone, and says them", () => {
    const markup = renderToStaticMarkup(
      <ValueLanes areas={[seen("Skin", 90, 70, 50), seen("Hat", 40, 20)]} />,
    );
    expect(count(markup, "<path")).toBe(5);
    expect(markup).toContain("Skin 90, 70, 50; Hat 40, 20");
  });

  it("shortens long names, and takes an area without tones", () => {
    const markup = renderToStaticMarkup(
      <ValueLanes areas={[seen("An area with a long name"), seen("B", 50)]} />,
    );
    expect(markup).toContain("An area wit…");
    expect(count(markup, "<path")).toBe(1);
  });
});
