import type { Visitor } from "@/store/people";

/** Whose answers are meant: those of who is signed in, or of the one person at home. */
export const personOf = (visitor: Visitor): string | null => (visitor.kind === "person" ? visitor.id : null);
