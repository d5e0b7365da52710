import { renderToStaticMarkup } from "react-dom/server";
import { ActionMenu } from "./action-menu";
import { Figure } from "./figure";
import { fetchLater, later } from "./later";
import { Modal } from "./modal";

describe("what is opened by hand", () => {
  it("is a button until then: of a menu, with none of what it offers", () => {
    const menu = renderToStaticMarkup(
      <ActionMenu
        label="More on clay3m"
        className="button"
        anchor="bottom end"
        entries={[{ id: "lock", content: "Lock it" }, "line"]}
      >
        …
      </ActionMenu>,
    );
    expect(menu).toContain('aria-label="More on clay3m"');
    expect(menu).toContain('aria-haspopup="menu"');
    expect(menu).toContain('aria-expanded="false"');
    expect(menu).not.toContain("Lock it");
  });
  it("is a figure that says what it means to whoever points at it", () =>
    expect(renderToStaticMarkup(<Figure unit="ΔE00">1.0 ΔE00</Figure>)).toMatch(
      /^<button[^>]* title="How different two colours look[^"]*"[^>]*>1.0 ΔE00<\/button>$/,
    ));
  it("is nothing at all of a dialog that is closed", () =>
    expect(
      renderToStaticMarkup(
        <Modal open={false} title="Rename" onClose={() => undefined}>
          <input />
        </Modal>,
      ),
    ).toBe(""));
  it("is fetched once, one after the other; what cannot be fetched keeps nothing else from coming", async () => {
    const came: string[] = [];
    const load = (name: string) => () => {
      came.push(name);
      return Promise.resolve(name);
    };
    expect(later(load("first"))).toBeInstanceOf(Function);
    later(() => {
      came.push("broken");
      return Promise.reject(new Error("no connection"));
    });
    later(load("last"));
    await fetchLater();
    expect(came).toEqual(["first", "broken", "last"]);
    await fetchLater();
    expect(came).toHaveLength(3);
  });
});
