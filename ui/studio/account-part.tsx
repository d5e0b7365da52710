"use client";
import { useState } from "react";
import { SHORTEST_PASSWORD } from "@/border/person";
import { send } from "@/ui/send";
import { FormError, Line } from "./fields";
import { Part } from "./part";
import { RecoveryCodes, SignUp } from "./sign-up";
import { useSubmit } from "./use-submit";

export interface Me {
  readonly id: string;
  readonly name: string;
  /** Recovery codes that have not been used. */
  readonly codes: number;
}

/** The way from a machine that asks nobody to one that does. */
export function FirstAccount() {
  const [open, setOpen] = useState(false);
  return (
    <Part title="Password">
      <p className="m-0 text-[15px]">
        Nobody is asked for a password: this server answers only to the machine it runs on. Set one when
        others use this machine too, or to share the studio. Every studio here is then yours, and whoever
        comes must sign in.
      </p>
      {open ? (
        <SignUp says="Set it" />
      ) : (
        <button className="button justify-self-start" onClick={() => setOpen(true)}>
          Set a password
        </button>
      )}
    </Part>
  );
}

/** One's password, recovery codes and sessions. */
export function AccountPart({ me }: { readonly me: Me }) {
  const leave = useSubmit(async () => {
    await send("DELETE", "/api/sessions");
    location.assign("/sign-in");
  });
  return (
    <Part title={`Your account, ${me.name}`}>
      <ChangePassword name={me.name} />
      <Renew me={me} />
      <details>
        <summary className="text-[15px]">Sign out everywhere</summary>
        <div className="mt-2 grid gap-2">
          <p className="m-0 text-[15px]">
            Every browser that is signed in as you is signed out, this one too.
          </p>
          <FormError error={leave.error} />
          <button className="button justify-self-start" disabled={leave.busy} onClick={() => leave.submit()}>
            Sign out everywhere
          </button>
        </div>
      </details>
    </Part>
  );
}

function ChangePassword({ name }: { readonly name: string }) {
  const [current, setCurrent] = useState("");
  const [next, setNext] = useState("");
  const [done, setDone] = useState(false);
  const { busy, error, submit } = useSubmit(async () => {
    await send("PUT", "/api/password", { current, next });
    setCurrent("");
    setNext("");
    setDone(true);
  });
  return (
    <details>
      <summary className="text-[15px]">Change the password</summary>
      <form onSubmit={submit} className="mt-2 grid gap-3">
        <input type="hidden" autoComplete="username" value={name} readOnly />
        <Line
          says="Present password"
          type="password"
          autoComplete="current-password"
          value={current}
          onChange={(e) => setCurrent(e.target.value)}
        />
        <Line
          says="New password"
          type="password"
          autoComplete="new-password"
          value={next}
          onChange={(e) => setNext(e.target.value)}
        />
        <FormError error={error} />
        {done && (
          <p role="status" className="m-0 text-[15px]">
            Changed. Your other browsers are signed out.
          </p>
        )}
        <button
          className="button justify-self-start"
          disabled={busy || !current || next.length < SHORTEST_PASSWORD}
        >
          Change it
        </button>
      </form>
    </details>
  );
}

function Renew({ me }: { readonly me: Me }) {
  const [password, setPassword] = useState("");
  const [codes, setCodes] = useState<readonly string[]>();
  const { busy, error, submit } = useSubmit(async () => {
    const { recovery } = await send<{ recovery: readonly string[] }>("POST", "/api/recovery-codes", {
      password,
    });
    setPassword("");
    setCodes(recovery);
  });
  return (
    <details>
      <summary className="text-[15px]">
        Recovery codes: {me.codes === 1 ? "one is left" : `${me.codes} are left`}
      </summary>
      <div className="mt-2">
        {codes ? (
          <RecoveryCodes codes={codes} name={me.name} onKept={() => location.reload()} />
        ) : (
          <form onSubmit={submit} className="grid gap-3">
            <Line
              says="Password"
              type="password"
              autoComplete="current-password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              note="Fresh codes take the place of all earlier ones."
            />
            <FormError error={error} />
            <button className="button justify-self-start" disabled={busy || !password}>
              Make fresh ones
            </button>
          </form>
        )}
      </div>
    </details>
  );
}
