"use client";
import { Printer } from "lucide-react";
import { useState } from "react";
import { SHORTEST_PASSWORD } from "@/border/person";
import { enterStudio, send } from "@/ui/send";
import { FormError, Line } from "./fields";
import { useSubmit } from "./use-submit";

interface Made {
  readonly recovery: readonly string[];
  readonly studioId: string | null;
}

/** Makes an account, then shows its recovery codes until they are kept somewhere. */
export function SignUp({
  code,
  asksForCode = false,
  says = "Make the account",
}: {
  /** Code of an invitation, where one is known. */
  readonly code?: string;
  /** Whether a code is to be typed. */
  readonly asksForCode?: boolean;
  readonly says?: string;
}) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [typed, setTyped] = useState("");
  const [made, setMade] = useState<Made>();
  const { busy, error, submit } = useSubmit(async () => {
    const given = code ?? (typed.trim() || undefined);
    setMade(await send<Made>("POST", "/api/people", { name, password, ...(given && { code: given }) }));
  });
  if (made)
    return (
      <RecoveryCodes
        codes={made.recovery}
        name={name}
        onKept={() => {
          if (made.studioId) enterStudio(made.studioId);
          location.assign("/");
        }}
      />
    );
  return (
    <form onSubmit={submit} className="grid gap-3">
      {asksForCode && (
        <Line
          says="Set-up code or invitation"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          autoComplete="off"
        />
      )}
      <Line
        says="Name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        autoComplete="username"
        maxLength={40}
        note="You sign in by it; others in your studio see it."
      />
      <Line
        says="Password"
        type="password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        autoComplete="new-password"
        note={`At least ${SHORTEST_PASSWORD} characters. Four unrelated words are better than one with signs in it.`}
      />
      <FormError error={error} />
      <button
        className="button button-main justify-self-start"
        disabled={busy || !name.trim() || password.length < SHORTEST_PASSWORD}
      >
        {says}
      </button>
    </form>
  );
}

/** Recovery codes, shown this once. */
export function RecoveryCodes({
  codes,
  name,
  onKept,
}: {
  readonly codes: readonly string[];
  readonly name: string;
  readonly onKept: () => void;
}) {
  return (
    <section aria-label="Recovery codes" className="grid gap-3">
      <p className="m-0 text-[16px]">
        Print these codes, or write them down, and keep them with your swatch sheets. If you forget your
        password, each of them lets <strong>{name}</strong> choose a new one, once. There is no mail here and
        no other way back in; the codes are not shown again.
      </p>
      <ol className="m-0 grid list-none grid-cols-2 gap-x-6 gap-y-1 border border-strong bg-panel p-4">
        {codes.map((c) => (
          <li key={c} className="font-mono text-[16px]">
            {c}
          </li>
        ))}
      </ol>
      <div className="screen-only flex gap-2">
        <button className="button" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print them
        </button>
        <button className="button button-main" onClick={onKept}>
          I have kept them
        </button>
      </div>
    </section>
  );
}
