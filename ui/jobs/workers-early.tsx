"use client";
import { startWorkers } from "./client";

// Where a piece is worked on every stage draws or plans: its workers come with the page's own scripts.
startWorkers();

/** Stands in pages whose first question a worker answers; what only shows a piece to others does without. */
export const WorkersEarly = () => null;
