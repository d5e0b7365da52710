import { Name, OneOf, Optional, Rule, Text } from "./fields";

/** How the bench may be sorted, and what may be left on it. */
export const BENCH_ORDERS = ["changed", "name", "paper"] as const;
export type BenchOrder = (typeof BENCH_ORDERS)[number];
export const BENCH_FILTERS = ["all", "to plan", "planned", "done", "shared", "archived"] as const;
export type BenchFilter = (typeof BENCH_FILTERS)[number];

/** Pieces of a page of the bench. */
export const BENCH_PAGE = 12;

/** What is asked of the bench, as it stands in an address. */
export class BenchInput {
  @Optional() @Text(80) find = "";
  @Optional() @OneOf(BENCH_ORDERS) sort: BenchOrder = "changed";
  @Optional() @OneOf(BENCH_FILTERS) show: BenchFilter = "all";
  @Optional()
  @Rule("expected the number of a page, from 1", (v) => typeof v === "string" && /^[1-9]\d{0,3}$/.test(v))
  page = "1";
}

/** What may be said of a piece as a whole. */
export class PieceMarksInput {
  @Optional() @Name() name?: string;
  @Optional() @Rule("expected true or false", (v) => typeof v === "boolean") done?: boolean;
  @Optional() @Rule("expected true or false", (v) => typeof v === "boolean") archived?: boolean;
}
