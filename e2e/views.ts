import { expect, type Page } from "@playwright/test";
import { hrefOf, linkIn } from "./studio";

/** A view as somebody meets it: its address, and what brings it into the state that is looked at. */
export interface View {
  readonly name: string;
  readonly path: string;
  readonly then?: (page: Page) => Promise<void>;
}

/** What one finds in a demo studio: ids of things that views show. */
export interface Things {
  readonly kite: string;
  readonly paper: string;
}

export async function thingsOf(page: Page): Promise<Things> {
  const idIn = (href: string) => href.split("/")[2]!;
  const kite = idIn(await hrefOf(page, "The Kite Mender"));
  return { kite, paper: idIn(await linkIn(page, "/swatchbook", "Smooth white card")) };
}

const press = (name: string) => (page: Page) =>
  page.getByRole("button", { name, exact: true }).first().click();
const dialog = (page: Page) => expect(page.getByRole("dialog").getByRole("heading").first()).toBeVisible();
/** Presses a button and waits for the dialog that it opens. */
const opens = (name: string) => async (page: Page) => {
  await press(name)(page);
  await dialog(page);
};
const planned = async (page: Page) => {
  await expect(page.getByRole("region", { name: "Alternatives" }).getByRole("button").first()).toBeVisible({
    timeout: 45_000,
  });
};

/** Looked at once all that it works out is there. */
const settling = (view: View): View => ({
  ...view,
  then: (page) => expect(page.getByRole("progressbar")).toHaveCount(0, { timeout: 45_000 }),
});

/** Every view, tab, dialog and kind of result. */
export const viewsOf = ({ kite, paper }: Things): readonly View[] => {
  const piece = `/pieces/${kite}`;
  const tabs = (path: string, name: string, ids: readonly string[]): View[] =>
    ids.map((id) => ({ name: `${name}: ${id}`, path: `${path}?tab=${id}` }));
  return [
    { name: "Bench", path: "/" },
    {
      name: "Bench: new piece",
      path: "/",
      then: opens("New piece"),
    },
    {
      name: "Bench: shortcuts",
      path: "/",
      then: opens("Shortcuts"),
    },
    { name: "Rack: tracks", path: "/rack" },
    {
      name: "Rack: finder",
      path: "/rack",
      then: async (p) => {
        await press("Find a marker")(p);
        await dialog(p);
        await p.keyboard.type("clay");
      },
    },
    { name: "Rack: a marker", path: "/rack?marker=clay3m" },
    { name: "Rack: table", path: "/rack?view=table" },
    { name: "Rack: findings", path: "/rack?view=findings" },
    { name: "Rack: ranges", path: "/rack?view=ranges" },
    { name: "Rack: bring in", path: "/rack?view=import" },
    { name: "Log", path: "/log" },
    { name: "Log: found", path: "/log?words=rust" },
    { name: "Log: in figures", path: "/log/figures" },
    settling({ name: "Supplies", path: "/supplies" }),
    { name: "Swatchbook", path: "/swatchbook" },
    {
      name: "Swatchbook: new paper",
      path: "/swatchbook",
      then: opens("New paper"),
    },
    ...tabs(`/swatchbook/${paper}`, "Paper", ["paper", "readings", "chart", "read", "trials"]),
    { name: "Words of the craft", path: "/glossary" },
    {
      name: "Do I have this?",
      path: "/have",
      then: async (p) => {
        await p.getByLabel("The code on its cap, or its family").fill("clay");
      },
    },
    { name: "Practice", path: "/practice" },
    { name: "Practice: sheets", path: "/practice?tab=sheets" },
    {
      name: "Practice: a question",
      path: "/practice",
      then: async (p) => {
        await p.getByRole("button", { name: "Begin" }).click();
        await p.getByRole("button", { name: "Choice 1" }).waitFor();
      },
    },
    { name: "Groups", path: "/groups" },
    { name: "Studio", path: "/studio" },
    { name: "Begin", path: "/begin" },
    { name: "Start", path: "/start" },
    { name: "Recover", path: "/recover" },
    { name: "Join", path: "/join/nobody" },
    ...tabs(`${piece}/set-up`, "Set up", ["line", "sheet", "areas", "order", "reference"]).map(settling),
    settling({ name: "Light", path: `${piece}/light` }),
    ...tabs(`${piece}/light`, "Light", ["marks"]).map(settling),
    {
      name: "Colour: a menu",
      path: `${piece}/colour`,
      then: async (p) => {
        await p
          .getByRole("button", { name: /^More on / })
          .first()
          .click();
        await expect(p.getByRole("menuitem", { name: "Never use it in this area" })).toBeVisible();
      },
    },
    {
      name: "Colour: what a figure means",
      path: `${piece}/colour`,
      then: async (p) => {
        await p.getByRole("button", { name: /ΔE00$/ }).first().click();
        await expect(p.getByText(/^How different two colours look/)).toBeVisible();
      },
    },
    { name: "Colour: group", path: `${piece}/colour?tab=group`, then: planned },
    ...tabs(`${piece}/colour`, "Colour", ["school", "shadow", "pencil", "finish"]).map(settling),
    { name: "Colour: match", path: `${piece}/colour`, then: opens("Match exactly") },
    { name: "Colour: about it", path: `${piece}/colour`, then: opens("About Colour") },
    { name: "Colour: groups", path: `${piece}/colour`, then: opens("Take a group from Groups") },
    { name: "All areas", path: `${piece}/whole` },
    { name: "Variants", path: `${piece}/variants` },
    { name: "Steps", path: `${piece}/steps` },
    settling({ name: "Steps: order of work", path: `${piece}/steps?order=changes` }),
    settling({ name: "Desk", path: `/desk/${kite}` }),
    { name: "Desk: repair", path: `/desk/${kite}`, then: opens("Repair") },
    { name: "Steps: shown to others", path: `${piece}/steps`, then: opens("Show to others") },
    settling({ name: "Check", path: `${piece}/check` }),
  ];
};
