import { shortName } from "./names";

describe("the name of a file", () => {
  it.each([
    ["clay.png", 20, "clay.png"],
    [" a\u0000b\nc ", 20, "a b c"],
    ["abc😀", 4, "abc"],
    ["abc😀", 5, "abc😀"],
    ["👩‍👩‍👧x", 3, ""],
    ["e\u0301e\u0301", 3, "e\u0301"],
    ["\ud83d", 4, "\ufffd"],
    ["", 4, ""],
  ])("%j of at most %d is %j", (text, most, name) => expect(shortName(text, most)).toBe(name));
  it("is cut in no time however long it is", () => expect(shortName("a".repeat(5e6), 200)).toHaveLength(200));
});
