import { formOf } from "./form";
import { BadInput } from "./problem";

const asked = (body: string | Buffer, type: string) =>
  new Request("http://a.example/", {
    method: "POST",
    body: new Uint8Array(Buffer.from(body)),
    headers: { "content-type": type },
  });
const part = (name: string, value: string) =>
  `--x\r\ncontent-disposition: form-data; name="${name}"\r\n\r\n${value}\r\n`;

describe("a form that comes in", () => {
  it("is its fields and its file", async () => {
    const form = new FormData();
    form.set("name", "clay");
    form.set("picture", new File(["abc"], "a.png"));
    const read = await formOf(new Request("http://a.example/", { method: "POST", body: form }), 1000);
    expect(read!.get("name")).toBe("clay");
    expect(await (read!.get("picture") as File).text()).toBe("abc");
  });
  it.each([
    ["no form", "a=1", "application/x-www-form-urlencoded"],
    ["nothing", "", "multipart/form-data; boundary=x"],
    ["no boundary", part("a", "b"), "multipart/form-data"],
    ["another boundary", part("a", "b"), "multipart/form-data; boundary=y"],
    ["a broken form", "--x\r\ncontent-dis", "multipart/form-data; boundary=x"],
  ])("is none when it is %s", async (_, body, type) =>
    expect(await formOf(asked(body, type), 1000)).toBeUndefined(),
  );
  it("with hundreds of thousands of parts is refused before one of them is taken apart", async () => {
    const body = `${part("", "").repeat(446_000)}--x--`;
    const before = process.memoryUsage().heapUsed;
    await expect(formOf(asked(body, "multipart/form-data; boundary=x"), body.length)).rejects.toThrow(
      BadInput,
    );
    expect(process.memoryUsage().heapUsed - before).toBeLessThan(200 * 1024 * 1024);
  });
  it("may have as many parts as forms have, and its boundary in quotation marks", async () => {
    const body = `${Array.from({ length: 32 }, (_, i) => part(`f${i}`, "v")).join("")}--x--`;
    const read = await formOf(asked(body, 'multipart/form-data; boundary="x"'), body.length);
    expect(read!.get("f31")).toBe("v");
  });
});
