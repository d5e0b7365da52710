import type { EyeAnswer } from "@/core/practice/schedule";
import { createAnswerBox } from "./answer-box";

const answer = { kind: "twin", family: "rust", right: true, seconds: 3, level: 0.2 } as const;
/** What this device keeps. */
const kept = new Map<string, string>();
const localStorage = {
  getItem: (k: string) => kept.get(k) ?? null,
  setItem: (k: string, v: string) => void kept.set(k, v),
  clear: () => kept.clear(),
};
Object.assign(globalThis, { localStorage, document: { querySelector: () => null } });

let replies: (() => Promise<Response>)[] = [];
const sent: EyeAnswer[][] = [];
const reply =
  (status: number, body: unknown = null) =>
  () =>
    Promise.resolve(
      new Response(status === 204 ? null : JSON.stringify(body), {
        status,
        headers: { "content-type": "application/json" },
      }),
    );
const settle = async () => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
  await new Promise((done) => setTimeout(done, 5));
};

beforeEach(() => {
  localStorage.clear();
  sent.length = 0;
  replies = [];
  globalThis.fetch = ((_: string, init: RequestInit) => {
    sent.push((JSON.parse(init.body as string) as { answers: EyeAnswer[] }).answers);
    return (replies.shift() ?? reply(204))();
  }) as typeof fetch;
});

describe("answers on their way", () => {
  it("are kept on the device until the studio has them, and go when the page comes back", async () => {
    replies = [() => Promise.reject(new TypeError("gone"))];
    const first = createAnswerBox("k", true);
    const end = first.start();
    first.add(answer);
    await settle();
    expect(first.box.getState()).toMatchObject({ own: [answer] });
    expect(first.box.getState().trouble).toBeTruthy();
    expect(JSON.parse(localStorage.getItem("k")!)).toHaveLength(1);
    end();
    const later = createAnswerBox("k", true);
    const stop = later.start();
    await settle();
    expect(later.box.getState().own).toHaveLength(1);
    expect(sent.map((s) => s.map((a) => a.id))).toEqual([
      sent[0]!.map((a) => a.id),
      sent[0]!.map((a) => a.id),
    ]);
    expect(JSON.parse(localStorage.getItem("k")!)).toEqual([]);
    stop();
  });
  it("of another tab are left alone, and what is no list is none", async () => {
    localStorage.setItem("k", "{torn");
    const one = createAnswerBox("k", true);
    const end = one.start();
    one.add(answer);
    const other = { ...answer, id: "other", at: 1 };
    localStorage.setItem(
      "k",
      JSON.stringify([other, ...(JSON.parse(localStorage.getItem("k")!) as object[])]),
    );
    await settle();
    expect(JSON.parse(localStorage.getItem("k")!)).toEqual([other]);
    end();
  });
  it("of a guest are kept nowhere; what is refused is not sent again", async () => {
    const guest = createAnswerBox("k", false);
    guest.start()();
    guest.add(answer);
    await settle();
    expect([sent.length, localStorage.getItem("k"), guest.box.getState().own.length]).toEqual([0, null, 1]);
    replies = [reply(422, { message: "answers[0].level: expected 0 to 1" })];
    const refused = createAnswerBox("k", true);
    refused.add(answer);
    await settle();
    expect(refused.box.getState().trouble).toContain("expected 0 to 1");
    expect(sent).toHaveLength(1);
  });
});
