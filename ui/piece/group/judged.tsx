"use client";
import { createContext, useContext, useMemo, type ReactNode } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { JudgedGroups } from "@/compute/kept-groups";

const Given = createContext<ReadonlyMap<string, GroupOutput>>(new Map());

/** What the server knows of kept groups, by the name of what was asked. */
export const useGiven = (): ReadonlyMap<string, GroupOutput> => useContext(Given);

/** Gives it to all that show kept groups: it comes with the page. */
export function JudgedProvider({
  judged,
  children,
}: {
  readonly judged: JudgedGroups;
  readonly children: ReactNode;
}) {
  const given = useMemo(() => new Map(judged), [judged]);
  return <Given value={given}>{children}</Given>;
}
