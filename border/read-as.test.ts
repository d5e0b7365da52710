import {
  Code,
  Flag,
  Id,
  List,
  ListOfKinds,
  ListOrOne,
  Name,
  Nullable,
  Numbers,
  One,
  OneOf,
  Optional,
  Text,
  Whole,
  Within,
  Yes,
} from "./fields";
import { BadInput, join, within, wrong } from "./problem";
import { changeOf, plain, readAs } from "./read-as";

class Spoon {
  @OneOf(["spoon"]) kind!: "spoon";
  @Whole(1, 9) size!: number;
}
class Fork {
  @OneOf(["fork"]) kind!: "fork";
  @Within(0, 1) bend!: number;
}
class Drawer {
  @Name(10) name!: string;
  @Optional() @Text(5) note = "none";
  @Nullable() @Id("house") house: string | null = null;
  @Optional() @Flag() open?: boolean;
  @Optional() @Yes() locked?: true;
  @Optional() @One(() => Spoon) best?: Spoon;
  @Optional() @List(() => Spoon, 0, 3) spoons: Spoon[] = [];
  @Optional() @ListOrOne(() => Spoon, 2, '{"kind","size"}') some: Spoon[] = [];
  @Optional() @ListOfKinds("kind", { spoon: () => Spoon, fork: () => Fork }, 4) all: (Spoon | Fork)[] = [];
  @Optional() @Numbers(2, 0, 10) corner?: number[];
}
class Cupboard extends Drawer {
  @Code() code!: string;
}

const problems = (value: unknown, type: new () => object = Drawer): [string, string][] => {
  try {
    readAs(type, value);
  } catch (e) {
    return (e as BadInput).problems.map((p) => [p.path, p.expected]);
  }
  return [];
};
const spoon = { kind: "spoon", size: 3 };

describe("a document", () => {
  it("has its defaults where nothing was said", () => {
    expect(readAs(Drawer, { name: "top" })).toEqual({
      name: "top",
      note: "none",
      house: null,
      spoons: [],
      some: [],
      all: [],
    });
  });
  it("has the fields of what it extends, and its own", () => {
    expect(readAs(Cupboard, { name: "top", code: "c1" })).toMatchObject({ name: "top", code: "c1" });
    expect(problems({ name: "top" }, Cupboard).map(([p]) => p)).toEqual(["code"]);
  });
  it("is read to its depth", () => {
    const read = readAs(Drawer, {
      name: "top",
      best: spoon,
      spoons: [spoon, spoon],
      all: [spoon, { kind: "fork", bend: 0.5 }],
    });
    expect(read.best).toBeInstanceOf(Spoon);
    expect(read.all[1]).toBeInstanceOf(Fork);
    expect(plain(read.spoons)).toEqual([spoon, spoon]);
  });
  it("takes one for a list where that is meant", () => {
    expect(readAs(Drawer, { name: "top", some: spoon }).some).toEqual([spoon]);
    expect(readAs(Drawer, { name: "top", some: [spoon, spoon] }).some).toHaveLength(2);
    expect(problems({ name: "top", spoons: spoon })[0]![0]).toBe("spoons");
  });
  it("is told all that is wrong with it, in the order of its fields", () => {
    expect(
      problems({
        corner: [1],
        all: [{ kind: "knife" }],
        spoons: [spoon, { ...spoon, size: 0.5 }],
        house: "x",
        name: "",
      }).map(([p]) => p),
    ).toEqual(["name", "house", "spoons[1].size", "all[0].kind", "corner"]);
  });
  it("says what it expects in its own words", () => {
    expect(problems({ name: "top", open: 1, locked: false, corner: [1, 11], note: "too long" })).toEqual([
      ["note", "expected text of at most 5 characters"],
      ["open", "expected true or false"],
      ["locked", "expected true, or nothing"],
      ["corner", "expected 2 numbers from 0 to 10"],
    ]);
    expect(problems({ name: "top", spoon: 1 })[0]).toEqual([
      "spoon",
      "expected no such field; there are name, note, house, open, locked, best, spoons, some, all, corner",
    ]);
  });
  it("may have null only where it says so", () => {
    expect(problems({ name: "top", house: null })).toEqual([]);
    expect(problems({ name: "top", open: null }).map(([p]) => p)).toEqual(["open"]);
    expect(problems({ name: "top", spoons: null }).map(([p]) => p)).toEqual(["spoons"]);
    expect(problems({ name: null }).map(([p]) => p)).toEqual(["name"]);
  });
  it("is not told more than helps", () => {
    const many = Object.fromEntries(Array.from({ length: 400 }, (_, i) => [`f${i}`, i]));
    expect(problems(many).length).toBeLessThanOrEqual(40);
    const list = { name: "top", spoons: Array.from({ length: 90_000 }, () => ({})) };
    expect(problems(list)).toEqual([["spoons", "expected a list of at most 3"]]);
  });
});

describe("a change", () => {
  it("is what was said of it, and must say something", () => {
    class Change {
      @Optional() @Text(9) a?: string;
      @Optional() @Text(9) b?: string;
    }
    expect(changeOf(readAs(Change, { b: "x" }))).toEqual({ b: "x" });
    expect(() => changeOf(readAs(Change, {}))).toThrow(/something to change/);
  });
});

describe("problems", () => {
  it("have paths as one would write them", () => {
    expect([join("", "a"), join("a", "b"), join("a", "[0]")]).toEqual(["a", "a.b", "a[0]"]);
    expect(within(wrong("a", "expected b"), "document").message).toBe("document.a: expected b");
    expect(within(wrong("", "expected b"), "document").message).toBe("document: expected b");
    expect(new BadInput([{ path: "", expected: "expected c" }]).message).toBe("expected c");
  });
});
