import { bytesOf, jsonOf, queryOf, TooLong } from "./body";
import { BadInput } from "./problem";

const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request("http://localhost/api", { method: "POST", body, headers, duplex: "half" } as RequestInit);

/** A body that goes on and on, and says how much of it was taken. */
function endless() {
  let taken = 0;
  const body = new ReadableStream<Uint8Array>({
    pull(controller) {
      taken += 1000;
      controller.enqueue(new Uint8Array(1000));
    },
  });
  return { body, taken: () => taken };
}

describe("a body", () => {
  it("comes whole when it is short enough", async () => {
    expect((await bytesOf(post("abc"), 3)).toString()).toBe("abc");
    expect((await bytesOf(new Request("http://localhost"), 3)).length).toBe(0);
  });
  it("is not read further than it may go", async () => {
    const { body, taken } = endless();
    await expect(bytesOf(post(body), 5000)).rejects.toThrow(TooLong);
    expect(taken()).toBeLessThan(20_000);
  });
  it("is not read at all when it says itself that it is too long", async () => {
    const { body, taken } = endless();
    await expect(bytesOf(post(body, { "content-length": "9999999" }), 5000)).rejects.toThrow(TooLong);
    expect(taken()).toBeLessThanOrEqual(1000);
  });
});

describe("JSON", () => {
  it("is read, whatever it is", async () => {
    expect(await jsonOf(post('{"a":[1,null,"ä"]}'))).toEqual({ a: [1, null, "ä"] });
    expect(await jsonOf(post("7"))).toBe(7);
  });
  it.each(["", "{", '{"a":}', "[1,]", "nope", "\u0000"])("%j is refused in our words", async (text) => {
    const refused = await jsonOf(post(text)).then(
      () => undefined,
      (e: unknown) => e,
    );
    expect(refused).toBeInstanceOf(BadInput);
    expect((refused as BadInput).problems[0]!.expected).toMatch(
      /^expected JSON; (it breaks off, or is none|something else stands at character \d+)$/,
    );
  });
  it("that is no UTF-8 is refused", async () => {
    await expect(jsonOf(post(new Uint8Array([0x22, 0xff, 0xfe, 0x22])))).rejects.toThrow(BadInput);
  });
});

describe("a query", () => {
  const query = (text: string) => queryOf(new Request(`http://localhost/api${text}`));
  it("is a document of texts", () => {
    expect(query("?format=csv&paper=a%20b")).toEqual({ format: "csv", paper: "a b" });
    expect(query("")).toEqual({});
  });
  it("has each field once", () => expect(() => query("?a=1&a=2")).toThrow(/a: expected once/));
});
