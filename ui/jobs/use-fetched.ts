"use client";
import { send } from "@/ui/send";
import { sharedJobs } from "./shared-jobs";
import { useJob, type Work } from "./use-job";

/** What was fetched is asked anew by whoever comes next: it may have changed. */
const fetches = sharedJobs(0);

/** What the server has at an address; null while there is nothing to ask. */
export const useFetched = <T>(url: string | null): Work<T> =>
  useJob<T>(url, ({ signal }) => send<T>("GET", url!, undefined, signal), {
    about: url ?? undefined,
    settle: 0,
    store: fetches,
  });
