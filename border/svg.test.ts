import { BadInput } from "./problem";
import { nameOf, numberOf, safeSvg } from "./svg";

const wrap = (inside: string, more = "") =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 10 10" ${more}>${inside}</svg>`;
const shape = '<path id="kite" d="M0 0H5V5Z"/>';

describe("SVG that comes in", () => {
  it("keeps shapes and their paint", () => {
    const { svg, width, height } = safeSvg(
      wrap(
        '<g transform="scale(2)"><path d="M0 0H5V5Z" fill="#123456" class="a"/></g><style>.a{stroke:red}</style>',
      ),
    );
    expect(svg).toContain('d="M0 0H5V5Z"');
    expect(svg).toContain('fill="#123456"');
    expect(svg).toContain(".a{stroke:red}");
    expect([width, height]).toEqual([10, 10]);
  });

  it.each([
    ["scripts", "<script>alert(1)</script>"],
    ["events", '<rect width="3" height="3" onload="alert(1)" onclick="x()"/>'],
    ["pages within", '<foreignObject><iframe src="https://e.example"/></foreignObject>'],
    ["pictures from elsewhere", '<image href="https://e.example/x.png" xlink:href="file:///etc/passwd"/>'],
    ["shapes from elsewhere", '<use xlink:href="https://e.example/x.svg#a"/>'],
    [
      "styles that fetch",
      "<style>@import url(https://e.example/x.css); rect{fill:url(https://e.example)}</style>",
    ],
    [
      "paint that fetches",
      '<rect width="3" height="3" fill="url(https://e.example#a)" style="fill:url( \'https://e.example\')"/>',
    ],
    ["animation", '<rect width="3" height="3"><animate attributeName="x" to="9"/></rect>'],
    ["links", '<a href="javascript:alert(1)"><rect width="3" height="3"/></a>'],
    ["filters", '<filter id="f"><feImage href="https://e.example"/></filter>'],
  ])("has no %s in it afterwards", (_, inside) => {
    const { svg, named } = safeSvg(wrap(shape + inside));
    for (const text of [svg, named ?? ""]) {
      expect(text).not.toMatch(
        /example|alert|passwd|javascript|onload|onclick|foreignObject|animate|<image|<a |feImage/,
      );
      expect(text).toContain("<svg");
    }
  });

  it("is not made larger by entities, nor drawn for ever by uses of uses", () => {
    const bomb = `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>${wrap(`${shape}<text>&b;</text>`)}`;
    expect(() => safeSvg(bomb)).toThrow(BadInput);
    const uses = Array.from(
      { length: 12 },
      (_, i) => `<g id="u${i + 1}">${`<use href="#u${i}"/>`.repeat(10)}</g>`,
    ).join("");
    expect(() =>
      safeSvg(wrap(`<defs><path id="u0" d="M0 0H1V1Z"/>${uses}</defs><use href="#u12"/>`)),
    ).toThrow(/more than/);
    expect(() => safeSvg(wrap('<g id="a"><use href="#a"/></g>'))).toThrow(/within itself/);
    expect(() => safeSvg(wrap(`<path d="${"M".repeat(9)}"/>`.repeat(60_001)))).toThrow(/more than 60000/);
    const chain = Array.from(
      { length: 2000 },
      (_, i) => `<g id="c${2000 - i}"><use href="#c${1999 - i}"/></g>`,
    ).join("");
    expect(() => safeSvg(wrap(`<path id="c0" d="M0 0H1V1Z"/>${chain}<use href="#c2000"/>`))).toThrow(/deep/);
  });

  it.each(["", "not xml", "<html></html>", "<svg", wrap(""), wrap("<text>words only</text>")])(
    "%j is refused",
    (source) => expect(() => safeSvg(source)).toThrow(BadInput),
  );

  it("names shapes by their own label, id or title, or their group's; a use by what it shows", () => {
    const { names, named } = safeSvg(
      wrap(
        `<defs><path id="far-hand" d="M0 0H1V1Z"/></defs><use href="#far-hand"/>
         <g id="lantern"><circle id="circle12" r="2"/><rect width="2" height="2"/></g>
         <path id="path1" d="M0 0H3V3Z"><title>Brass lamp</title></path><path id="loose" d="M0 0L9 9"/>`,
      ),
    );
    expect(names).toEqual(["Far hand", "Lantern", "Brass lamp"]);
    expect(named).toContain('fill="rgb(0,1,128)"');
    expect(named).toContain('shape-rendering="crispEdges"');
    expect(numberOf(1, 4, 128)).toBe(260);
    expect(numberOf(1, 4, 127)).toBe(0);
  });

  it.each([
    ["leftPetal", "Left petal"],
    ["far_hand.2", "Far hand 2"],
    ["path3471", undefined],
    ["Layer 1", undefined],
    ["--", undefined],
    ["", undefined],
  ])("%j is called %j", (written, name) => expect(nameOf(written)).toBe(name));

  it.each([
    ['width="210mm" height="297mm"', 793.7, 1122.5, 210],
    ['width="10cm" height="5cm"', 377.95, 188.98, 100],
    ['width="2in" height="1in"', 192, 96, 50.8],
    ['width="72pt" height="36pt"', 96, 48, 25.4],
    ['width="300" height="200"', 300, 200, undefined],
    ['width="300px" height="200px" viewBox="0 0 30 10"', 300, 200, undefined],
    ['width="90mm" viewBox="0 0 30 10"', 340.16, 113.39, 90],
    ['height="100" viewBox="0 0 30 10"', 300, 100, undefined],
    ['width="100%" height="100%" viewBox="0 0 30 10"', 30, 10, undefined],
    ['width="1e308" height="-3" viewBox="0 0 0 0"', 300, 300, undefined],
    ['width="1e999mm" height="NaN"', 300, 300, undefined],
    ["", 300, 300, undefined],
  ])("has the canvas that %j means", (head, width, height, mm) => {
    const safe = safeSvg(`<svg xmlns="http://www.w3.org/2000/svg" ${head}>${shape}</svg>`);
    expect(safe.width).toBeCloseTo(width, 1);
    expect(safe.height).toBeCloseTo(height, 1);
    if (mm === undefined) expect(safe.mm).toBeUndefined();
    else expect(safe.mm).toBeCloseTo(mm, 1);
    const [root] = /^<svg[^>]*>/.exec(safe.svg)!;
    expect(/viewBox="([^"]*)"/.exec(root)![1]!.split(" ").map(Number).every(Number.isFinite)).toBe(true);
  });

  it("keeps what paints: inherited gradients, patterns, masks, markers, clips, groups that were links, soft edges", () => {
    const { svg, leftOut } = safeSvg(
      wrap(
        `<defs><linearGradient id="g"><stop offset="0"/></linearGradient><linearGradient id="h" xlink:href="#g" x2="3"/>
        <pattern id="p" width="2" height="2" patternUnits="userSpaceOnUse"><path d="M0 0H1"/></pattern>
        <mask id="m"><rect width="3" height="3"/></mask><marker id="k" markerWidth="3"><path d="M0 0H1"/></marker>
        <filter id="f"><feGaussianBlur stdDeviation="2"/></filter></defs>
        <a xlink:href="https://e.example" transform="scale(2)"><path d="M0 0H5V5Z" fill="url(#h)" mask="url(#m)" marker-end="url(#k)" style="filter:url(#f);fill:url(#p)"/></a>`,
      ),
    );
    for (const part of [
      'href="#g"',
      'patternUnits="userSpaceOnUse"',
      "<mask",
      "<marker",
      'mask="url(#m)"',
      'marker-end="url(#k)"',
      "feGaussianBlur",
      '<g transform="scale(2)">',
    ])
      expect(svg).toContain(part);
    expect(svg).not.toContain("example");
    expect(leftOut).toEqual([]);
  });

  it("tells what it leaves out", () => {
    const { leftOut } = safeSvg(
      wrap(
        `${shape}<text>Hello</text><image href="https://e.example/a.png"/><filter id="f"><feTurbulence/></filter><foreignObject/><animate/>`,
      ),
    );
    expect([...leftOut].sort()).toEqual(
      ["a page within it", "a picture that lies elsewhere", "an effect", "movement", "text"].sort(),
    );
  });

  it("takes simple entities, as some programs write styles; never more than a little of them", () => {
    const styled = `<!DOCTYPE svg [<!ENTITY st0 "fill:#ff0000;">]>${wrap('<path d="M0 0H5V5Z" style="&st0;"/>')}`;
    expect(safeSvg(styled).svg).toContain('style="fill:#ff0000;"');
    const many = `<!DOCTYPE svg [<!ENTITY a "${"a".repeat(500)}">]>${wrap(`<path d="M0 0H5V5Z" style="${"&a;".repeat(9000)}"/>`)}`;
    expect(() => safeSvg(many)).toThrow(BadInput);
  });

  it("does not draw patterns of patterns, nor a marker at each of many corners, for ever", () => {
    const patterns = Array.from(
      { length: 12 },
      (_, i) =>
        `<pattern id="p${i + 1}" width="1" height="1">${`<rect width="1" height="1" fill="url(#p${i})"/>`.repeat(10)}</pattern>`,
    ).join("");
    expect(() =>
      safeSvg(
        wrap(
          `<pattern id="p0"><path d="M0 0H1V1Z"/></pattern>${patterns}<rect width="9" height="9" fill="url(#p12)"/>`,
        ),
      ),
    ).toThrow(/more than/);
    const marker = `<marker id="m">${'<path d="M0 0H1V1Z"/>'.repeat(300)}</marker>`;
    expect(() => safeSvg(wrap(`${marker}<path d="M0 0${"H1".repeat(1000)}" marker-mid="url(#m)"/>`))).toThrow(
      /more than/,
    );
    expect(() => safeSvg(wrap('<mask id="a"><rect mask="url(#a)"/></mask><rect mask="url(#a)"/>'))).toThrow(
      /within itself/,
    );
  });
});
