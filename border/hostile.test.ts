import { readdirSync } from "node:fs";
import { table } from "@/compute/table";
import { fieldsOf, type Document } from "./fields";
import { BadInput } from "./problem";
import { readAs } from "./read-as";
import { ExcludeInput } from "./swatchbook";

const isDocument = (v: unknown): v is Document<object> =>
  typeof v === "function" &&
  /^class\b|^function\b/.test(String(v)) &&
  fieldsOf(v as Document<object>).size > 0;

/** Every document that the border lets out of a file, whatever it is for: nobody has to remember to list it here. */
const ofBorder = readdirSync("border")
  .filter((f) => /^[a-z-]+\.ts$/.test(f))
  .flatMap((f) => Object.entries(jest.requireActual<Record<string, unknown>>(`./${f.slice(0, -3)}`)))
  .filter((pair): pair is [string, Document<object>] => isDocument(pair[1]));

const documents: Record<string, Document<object>> = {
  ...Object.fromEntries(Object.entries(table).map(([name, o]) => [name, o.question])),
  ...Object.fromEntries(ofBorder),
};

it("walks the documents of people and studios too", () =>
  expect(Object.keys(documents)).toEqual(
    expect.arrayContaining(["SignInInput", "JoinInput", "ColouringInput", "BenchInput", "NewStudioInput"]),
  ));

const deep = (levels: number): unknown => {
  let v: unknown = [];
  for (let i = 0; i < levels; i++) v = [v];
  return v;
};

/** What nobody sends by accident. Each is refused by every field but those that may be left empty. */
const hostile: readonly (readonly [name: string, value: unknown])[] = [
  ["1e308", 1e308],
  ["not a number", NaN],
  ["beyond all bounds", -Infinity],
  ["a NUL", "a\u0000b"],
  ["half a character", "\ud800"],
  ["100,000 entries", Array.from({ length: 100_000 }, () => "x")],
  ["20,000 objects", Array.from({ length: 20_000 }, () => ({}))],
  ["a million characters", "x".repeat(1_000_000)],
  ["1,000 fields", Object.fromEntries(Array.from({ length: 1000 }, (_, i) => [`f${i}`, i]))],
  ["a prototype", JSON.parse('{"__proto__":{"polluted":true}}')],
  ["10,000 levels", deep(10_000)],
];

const refusalOf = (type: Document<object>, value: unknown): unknown => {
  try {
    readAs(type, value);
  } catch (e) {
    return e;
  }
  return undefined;
};

describe.each(Object.keys(documents))("%s", (name) => {
  const type = documents[name]!;
  const fields = [...fieldsOf(type).keys()];

  it("has fields that are known", () => expect(name === "open" || fields.length).toBeTruthy());

  it("refuses what nobody sends by accident in every field, in words that name it", () => {
    for (const [what, value] of hostile)
      for (const field of fields) {
        // The bytes of a plane are a long text; how long is checked against its size.
        if (
          what === "a million characters" &&
          /^(Image|Labels|Pixels|Plane)Input$/.test(name) &&
          /^(data|rgb)$/.test(field)
        )
          continue;
        const refused = refusalOf(type, { [field]: value });
        const problems = refused instanceof BadInput ? refused.problems : [];
        // Another field may be missing too; what is said of this one never quotes a library.
        expect([
          what,
          field,
          problems.some((p) => p.path.startsWith(field) || p.path === ""),
          problems.every((p) => p.expected.startsWith("expected ")),
        ]).toEqual([what, field, true, true]);
      }
  });

  it("keeps markup as text or refuses it, and never anything else", () => {
    for (const field of fields)
      try {
        readAs(type, { [field]: "<img src=x onerror=alert(1)>" });
      } catch (e) {
        expect(e).toBeInstanceOf(BadInput);
      }
  });

  it("refuses what is no object, and a field that is not known", () => {
    for (const odd of [null, [], "x", 7, true]) expect(() => readAs(type, odd)).toThrow(BadInput);
    expect(() => readAs(type, { spoon: 1 })).toThrow(/spoon: expected no such field/);
  });
});

it("lets nothing reach the prototype of anything", () => {
  expect(() => readAs(ExcludeInput, JSON.parse('{"excluded":true,"constructor":{}}'))).toThrow(BadInput);
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
});
