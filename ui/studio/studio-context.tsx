"use client";
import { createContext, useContext, useEffect, type ReactNode } from "react";
import { suggestUnit } from "@/ui/kit/length-field";
import { enterStudio } from "@/ui/send";
import type { Entered } from "@/store/studio";

/** The studio of a page, as its visitor has entered it. */
export interface StudioHere extends Omit<Entered, "rackVersion"> {
  /** All studios that the visitor may enter. */
  readonly others: readonly Pick<Entered, "id" | "name" | "demo">[];
  /** Who is signed in; nobody on a machine without accounts. */
  readonly person: string | null;
}

const StudioContext = createContext<StudioHere | undefined>(undefined);

/** Tells the views which studio they stand in. The tab in front decides which studio plain links lead into. */
export function StudioProvider({
  value,
  children,
}: {
  readonly value: StudioHere;
  readonly children: ReactNode;
}) {
  const { id, units } = value;
  useEffect(() => {
    suggestUnit(units);
    const keep = () => enterStudio(id);
    keep();
    window.addEventListener("focus", keep);
    document.addEventListener("visibilitychange", keep);
    return () => {
      window.removeEventListener("focus", keep);
      document.removeEventListener("visibilitychange", keep);
    };
  }, [id, units]);
  return <StudioContext value={value}>{children}</StudioContext>;
}

/** The studio one is in; undefined on pages that stand in none, such as a shared piece. */
export const useStudio = (): StudioHere | undefined => useContext(StudioContext);

/** Whether changes may be made here. */
export const useMayChange = (): boolean => (useStudio()?.role ?? "viewer") !== "viewer";
