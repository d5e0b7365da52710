"use client";
import { Link } from "@/ui/kit/link";
import { useState } from "react";
import { send } from "@/ui/send";
import { FormError, Line } from "./fields";
import { useSubmit } from "./use-submit";

/** Name and password. */
export function SignIn({ onIn }: { readonly onIn?: () => Promise<void> }) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const { busy, error, submit } = useSubmit(async () => {
    await send("POST", "/api/session", { name, password });
    await onIn?.();
    location.assign("/");
  });
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Line says="Name" value={name} onChange={(e) => setName(e.target.value)} autoComplete="username" />
      <Line
        says="Password"
        type="password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        autoComplete="current-password"
      />
      <FormError error={error} />
      <div className="flex items-center gap-4">
        <button className="button button-main" disabled={busy || !name.trim() || !password}>
          Sign in
        </button>
        <Link href="/recover" className="text-[15px] underline">
          Password forgotten
        </Link>
      </div>
    </form>
  );
}

/** A new password by a recovery code. */
export function Recover() {
  const [name, setName] = useState("");
  const [code, setCode] = useState("");
  const [password, setPassword] = useState("");
  const { busy, error, submit } = useSubmit(async () => {
    await send("POST", "/api/recovery", { name, code, password });
    location.assign("/");
  });
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Line says="Name" value={name} onChange={(e) => setName(e.target.value)} autoComplete="username" />
      <Line
        says="One of your recovery codes"
        value={code}
        onChange={(e) => setCode(e.target.value)}
        autoComplete="off"
        note="They were shown when the account was made. Each works once."
      />
      <Line
        says="New password"
        type="password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        autoComplete="new-password"
      />
      <FormError error={error} />
      <div className="flex items-center gap-4">
        <button className="button button-main" disabled={busy || !name.trim() || !code.trim() || !password}>
          Choose it and sign in
        </button>
        <Link href="/sign-in" className="text-[15px] underline">
          Back
        </Link>
      </div>
    </form>
  );
}
