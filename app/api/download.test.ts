import { csvOf, download } from "./download";

describe("a file for the visitor", () => {
  it("says what it is and how it is called, whatever letters its name has", () => {
    const answer = download("x", "text/csv", 'süße "Töne"; rm -rf.csv');
    expect(answer.headers.get("content-type")).toBe("text/csv; charset=utf-8");
    expect(answer.headers.get("content-disposition")).toBe(
      `attachment; filename*=UTF-8''${encodeURIComponent('süße "Töne"; rm -rf.csv')}`,
    );
    expect(answer.headers.get("x-content-type-options")).toBe("nosniff");
    expect(download("x", "application/pdf", "a.pdf").headers.get("content-type")).toBe("application/pdf");
  });
});

describe("rows as CSV", () => {
  const cells = (...values: string[]) =>
    csvOf(
      ["v"],
      values.map((v) => ({ v })),
    );
  it("stay what they are", () =>
    expect(cells("clay3m", 'a "b", c', "-")).toBe('v\r\nclay3m\r\n"a ""b"", c"\r\n"\'-"\r\n'));
  it.each(["=1+1", "+1", "-1", "@x", "\t=1", "  =1", "=1\n=2", "\n=1", "|x", "＝1+1", " ＠x"])(
    "%j is no formula any more",
    (text) => {
      const [, cell] = cells(text).split(/\r\n/);
      expect(cell!.replace(/^"/, "")).toMatch(/^'/);
    },
  );
  it("has only the fields that were asked for", () =>
    expect(csvOf(["a"], [{ a: 1, secret: 2 }])).toBe("a\r\n1\r\n"));
});
