"use client";
import { useEffect } from "react";

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled):not([type="hidden"]), select:not(:disabled), textarea:not(:disabled), summary, [tabindex]:not([tabindex="-1"])';

/** How long something that cannot be used just now may take until it can again, ms. */
const PATIENCE = 1500;

interface Held {
  readonly element: HTMLElement;
  /** What it stood in, the nearest first. */
  readonly around: readonly HTMLElement[];
  readonly name: string;
  /** Which one it was of what can be focused in each of those. */
  readonly places: readonly number[];
}

const inSight = (e: HTMLElement) =>
  e.getClientRects().length > 0 && !e.closest("[aria-hidden='true'], [inert]");
const focusablesIn = (e: HTMLElement) => [...e.querySelectorAll<HTMLElement>(FOCUSABLE)];
const nameOf = (e: HTMLElement) => e.getAttribute("aria-label") ?? e.textContent ?? "";

function hold(element: HTMLElement): Held {
  const around: HTMLElement[] = [];
  for (let e = element.parentElement; e && e !== document.body; e = e.parentElement) around.push(e);
  return {
    element,
    around,
    name: nameOf(element),
    places: around.slice(0, NEAR).map((a) => focusablesIn(a).indexOf(element)),
  };
}

/** Ancestors in which the next best thing is looked for. */
const NEAR = 6;

/** Where work goes on when what had the focus is gone: the same by name, or what has come to its place, or the heading above. */
export function nextTo({ around, name, places }: Held): HTMLElement | undefined {
  for (const [i, place] of places.entries()) {
    const here = around[i]!;
    if (!here.isConnected) continue;
    const all = focusablesIn(here);
    const same = name ? all.find((e) => nameOf(e) === name && inSight(e)) : undefined;
    if (same) return same;
    // What has come to its place, else the nearest before it, else after it.
    const at = Math.min(Math.max(0, place), all.length - 1);
    const near = [...all.slice(0, at + 1).reverse(), ...all.slice(at + 1)].find(inSight);
    if (near) return near;
  }
  for (const here of around) {
    if (!here.isConnected) continue;
    const heading = here.querySelector<HTMLElement>("h1, h2, h3");
    if (heading) {
      heading.tabIndex = -1;
      return heading;
    }
  }
  return document.querySelector<HTMLElement>("main h1, main") ?? undefined;
}

/**
 * Keeps the focus where the work goes on: when what had it is taken away or cannot be used any more, it goes to what is there instead,
 * never to the page.
 */
export function useKeptFocus(): void {
  useEffect(() => {
    let held: Held | undefined;
    /** What had the focus before a dialog came. */
    let outside: Held | undefined;
    let since = 0;
    let frame = 0;
    const onFocus = (e: FocusEvent) => {
      if (!(e.target instanceof HTMLElement) || e.target === document.body) return;
      if (held && !held.element.closest('[role="dialog"]')) outside = held;
      held = hold(e.target);
      since = 0;
    };
    // Who clicks beside everything wants no focus.
    const onPointer = (e: PointerEvent) => {
      if (e.target instanceof Element && !e.target.closest(FOCUSABLE)) held = undefined;
    };
    const look = () => {
      frame = 0;
      if (!held || document.activeElement !== document.body) return;
      const { element } = held;
      if (element.isConnected && inSight(element)) {
        if (!element.matches(":disabled")) return;
        since ||= performance.now();
        if (performance.now() - since < PATIENCE) {
          frame = requestAnimationFrame(() => setTimeout(look, 50));
          return;
        }
      }
      const from = held.around.some((a) => a.isConnected) ? held : (outside ?? held);
      const to = nextTo(from);
      if (!to) return;
      if (to.matches("main")) to.tabIndex = -1;
      to.focus({ preventScroll: true });
    };
    const soon = () => {
      if (held && document.activeElement === document.body && !frame)
        // Dialogs give the focus back themselves, a moment later.
        frame = requestAnimationFrame(() => requestAnimationFrame(look));
    };
    const wake = () => {
      if (
        held?.element.isConnected &&
        document.activeElement === document.body &&
        !held.element.matches(":disabled")
      )
        held.element.focus({ preventScroll: true });
      else soon();
    };
    const seen = new MutationObserver(() => (since ? wake() : soon()));
    seen.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ["disabled"],
    });
    document.addEventListener("focusin", onFocus);
    document.addEventListener("focusout", soon);
    document.addEventListener("pointerdown", onPointer, true);
    return () => {
      seen.disconnect();
      cancelAnimationFrame(frame);
      document.removeEventListener("focusin", onFocus);
      document.removeEventListener("focusout", soon);
      document.removeEventListener("pointerdown", onPointer, true);
    };
  }, []);
}
