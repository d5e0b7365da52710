"use client";
import { useState, type FormEvent } from "react";
import { messageOf } from "@/ui/send";

/** A form that is sent: whether it is on its way, and what the server had against it. */
export function useSubmit(work: () => Promise<void>) {
  const [state, setState] = useState<{ busy: boolean; error?: string }>({ busy: false });
  const submit = (e?: FormEvent) => {
    e?.preventDefault();
    setState({ busy: true });
    work().then(
      () => setState({ busy: false }),
      (error: unknown) => setState({ busy: false, error: messageOf(error) }),
    );
  };
  return { ...state, submit };
}
