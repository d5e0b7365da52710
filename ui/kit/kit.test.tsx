import { isAccepted } from "./file-drop";
import { renderToStaticMarkup } from "react-dom/server";
import { DataTable, type DataColumn } from "./data-table";
import { Empty, Notice } from "./notice";
import { NumberField, typedNumber } from "./number-field";
import { Slider } from "./slider";
import { Tabs } from "./tabs";

describe("a number as it is typed", () => {
  it.each([
    ["12", 12],
    [" 0,5 ", 0.5],
    ["−3", -3],
    ["1e3", 1000],
  ])("%j is %d", (text, value) => expect(typedNumber(text)).toBe(value));
  it.each(["", " ", "twelve", "1,2,3", "Infinity", "NaN"])("%j is none", (text) =>
    expect(typedNumber(text)).toBeUndefined(),
  );
});

describe("fields", () => {
  it("say their name and their limits", () => {
    const field = renderToStaticMarkup(
      <NumberField
        label="Contrast"
        value={null}
        least={4}
        most={90}
        empty="auto"
        onChange={() => undefined}
      />,
    );
    expect(field).toContain('aria-label="Contrast"');
    expect(field).toContain('placeholder="auto"');
    expect(field).toContain('title="from 4 to 90"');
    const slider = renderToStaticMarkup(
      <Slider label="Depth" value={16} least={6} most={40} onChange={() => undefined} />,
    );
    expect(slider).toContain('min="6"');
    expect(slider).toContain('value="16"');
  });
});

describe("tabs", () => {
  const items = [
    { id: "group", name: "Group", key: "g", marked: true, content: () => <p>groups</p> },
    { id: "school", name: "School", note: "6", content: () => <p>schools</p> },
  ] as const;
  const drawn = (open: "group" | "school") =>
    renderToStaticMarkup(<Tabs label="Parts" items={items} open={open} onOpen={() => undefined} />);
  it("draw the open one only, and say which are marked", () => {
    expect(drawn("group")).toContain("groups");
    expect(drawn("group")).not.toContain("schools");
    expect(drawn("school")).toContain("schools");
    expect(drawn("school")).toMatch(/Group<svg.*<span class="sr-only"> kept</);
    expect(drawn("group")).toContain('role="tablist"');
  });
});

describe("notices", () => {
  it("are read out at once only when something is wrong", () => {
    expect(renderToStaticMarkup(<Notice alert>broken</Notice>)).toContain('role="alert"');
    expect(renderToStaticMarkup(<Notice action={<button>Mend</button>}>fine</Notice>)).not.toContain("role=");
    expect(renderToStaticMarkup(<Empty>nothing yet</Empty>)).toContain("nothing yet");
  });
});

describe("a table", () => {
  interface Row {
    readonly id: string;
    readonly size: number;
  }
  const columns: readonly DataColumn<Row>[] = [
    { id: "id", title: "Code", width: 100, by: (r) => r.id, cell: (r) => r.id },
    { id: "size", title: "Size", width: 50, cell: (r) => r.size },
  ];
  const rows = [
    { id: "a", size: 1 },
    { id: "b", size: 2 },
  ];
  it("says how many rows it has, what may be sorted, and whether rows may be chosen", () => {
    const table = (picking: boolean) =>
      renderToStaticMarkup(
        <DataTable
          label="Rack"
          rows={rows}
          columns={columns}
          idOf={(r) => r.id}
          className="h-10"
          {...(picking && { picking: { picked: new Set(["a"]), onPick: () => undefined } })}
        />,
      );
    expect(table(false)).toContain('aria-rowcount="3"');
    expect(table(false)).toMatch(/disabled=""[^>]*>Size/);
    expect(table(false)).not.toContain("Choose all rows");
    expect(table(true)).toContain("Choose all rows");
  });
});

describe("files that are dropped or pasted", () => {
  const file = (name: string, type: string) => ({ name, type });
  it("are taken by kind or by ending, whichever the browser knows", () => {
    expect(isAccepted(file("a.png", "image/png"), "image/png,.svg")).toBe(true);
    expect(isAccepted(file("A.SVG", ""), "image/png,.svg")).toBe(true);
    expect(isAccepted(file("a.gif", "image/gif"), "image/*")).toBe(true);
    expect(isAccepted(file("a.txt", "text/plain"), "image/png,.svg")).toBe(false);
    expect(isAccepted(file("png", ""), ".png")).toBe(false);
  });
});
