"use client";
import { useRouter } from "next/navigation";
import { useRef, useTransition } from "react";
import { BENCH_FILTERS, BENCH_ORDERS, BENCH_PAGE, type BenchFilter, type BenchOrder } from "@/border/bench";
import { Link } from "@/ui/kit/link";
import { counted } from "@/words/numbers";

interface Asked {
  readonly find: string;
  readonly sort: BenchOrder;
  readonly show: BenchFilter;
  readonly page: string;
}

const ORDER_NAMES: Readonly<Record<BenchOrder, string>> = {
  changed: "last changed",
  name: "name",
  paper: "paper",
};
const FILTER_NAMES: Readonly<Record<BenchFilter, string>> = {
  all: "All",
  "to plan": "To plan",
  planned: "Planned",
  done: "Done",
  shared: "Shared",
  archived: "Archived",
};
const FIRST: Asked = { find: "", sort: "changed", show: "all", page: "1" };
/** Wait before what is typed is looked for, ms. */
const SETTLE = 250;

/** The address at which the bench shows this; what is as usual stands not in it. */
function addressOf(asked: Asked): string {
  const parts = Object.entries(asked).filter(([k, v]) => v !== FIRST[k as keyof Asked]);
  return parts.length ? `/?${new URLSearchParams(parts as [string, string][])}` : "/";
}

/** Search, order and filter of the bench. */
export function BenchTools({ asked, found }: { readonly asked: Asked; readonly found: number }) {
  const router = useRouter();
  const [busy, go] = useTransition();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const show = (change: Partial<Asked>) =>
    go(() => router.replace(addressOf({ ...asked, page: "1", ...change }), { scroll: false }));
  return (
    <div role="search" aria-label="Pieces" className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2">
      <input
        key={asked.find === "" ? "none" : "some"}
        className="field w-full min-[480px]:w-56"
        type="search"
        aria-label="Find a piece by name"
        placeholder="Find a piece"
        maxLength={80}
        defaultValue={asked.find}
        onChange={(e) => {
          const find = e.target.value.trim();
          clearTimeout(timer.current);
          timer.current = setTimeout(() => show({ find }), SETTLE);
        }}
      />
      <div role="group" aria-label="Which pieces" className="flex flex-wrap gap-1">
        {BENCH_FILTERS.map((f) => (
          <button
            key={f}
            className={`button ${asked.show === f ? "button-main" : ""}`}
            aria-pressed={asked.show === f}
            onClick={() => show({ show: f })}
          >
            {FILTER_NAMES[f]}
          </button>
        ))}
      </div>
      <label className="flex items-center gap-1.5 text-[15px]">
        Sorted by
        <select
          className="field"
          value={asked.sort}
          onChange={(e) => show({ sort: e.target.value as BenchOrder })}
        >
          {BENCH_ORDERS.map((o) => (
            <option key={o} value={o}>
              {ORDER_NAMES[o]}
            </option>
          ))}
        </select>
      </label>
      <span role="status" className="ml-auto text-[15px] text-soft">
        {busy ? "Updating…" : counted(found, "piece")}
      </span>
    </div>
  );
}

/** Ways to the pages before and after. */
export function Pages({ asked, found }: { readonly asked: Asked; readonly found: number }) {
  const pages = Math.ceil(found / BENCH_PAGE);
  const page = Number(asked.page);
  if (pages < 2) return null;
  const to = (n: number) => addressOf({ ...asked, page: String(n) });
  return (
    <nav aria-label="Pages of the bench" className="mt-4 flex items-center gap-3 text-[15px]">
      {page > 1 && (
        <Link className="button" href={to(page - 1)}>
          Before
        </Link>
      )}
      <span>
        Page {page} of {pages}
      </span>
      {page < pages && (
        <Link className="button" href={to(page + 1)}>
          After
        </Link>
      )}
    </nav>
  );
}
