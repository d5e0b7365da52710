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

  it("has a size, whatever its head says", () => {
    expect(
      safeSvg(`<svg xmlns="http://www.w3.org/2000/svg" width="30mm" height="20mm">${shape}</svg>`),
    ).toMatchObject({ width: 30, height: 20 });
    expect(
      safeSvg(
        `<svg xmlns="http://www.w3.org/2000/svg" width="1e308" height="-3" viewBox="0 0 0 0">${shape}</svg>`,
      ),
    ).toMatchObject({ width: 300, height: 300 });
  });
});
