"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Role } from "@/store/schema";
import type { Invitation, Member } from "@/store/studio";
import { Day } from "@/ui/day";
import { messageOf, send } from "@/ui/send";
import type { Me } from "./account-part";
import { CopyLink } from "./copy-link";
import { FormError } from "./fields";
import { Part } from "./part";
import { useStudio } from "./studio-context";
import { useSubmit } from "./use-submit";

const ROLE_NAMES: Readonly<Record<Role, string>> = {
  owner: "owner",
  member: "member",
  viewer: "viewer",
};
const ROLE_MEANS = "Owners change everything and let others in; members work; viewers look.";

/** Who may come in, and links that let others in. */
export function PeoplePart({
  members,
  invitations,
  me,
}: {
  readonly members: readonly Member[];
  readonly invitations: readonly Invitation[];
  readonly me: Me;
}) {
  const router = useRouter();
  const isOwner = useStudio()!.role === "owner";
  const [error, setError] = useState<string>();
  const change = (personId: string, role: Role | null) =>
    send("PUT", `/api/members/${personId}`, { role }).then(
      () => (personId === me.id ? location.assign("/") : router.refresh()),
      (e: unknown) => setError(messageOf(e)),
    );
  return (
    <Part title="People">
      <ul className="m-0 grid list-none gap-1.5 p-0">
        {members.map((m) => (
          <li key={m.personId} className="flex items-center gap-3 text-[15px]">
            <span className="min-w-0 flex-1 truncate">
              {m.name}
              {m.personId === me.id && <span className="text-soft"> (you)</span>}
            </span>
            {isOwner ? (
              <>
                <select
                  className="field"
                  aria-label={`What ${m.name} may do`}
                  value={m.role}
                  onChange={(e) => void change(m.personId, e.target.value as Role)}
                >
                  {(Object.keys(ROLE_NAMES) as Role[]).map((r) => (
                    <option key={r} value={r}>
                      {ROLE_NAMES[r]}
                    </option>
                  ))}
                </select>
                <button className="button" onClick={() => void change(m.personId, null)}>
                  {m.personId === me.id ? "Leave" : "Take out"}
                </button>
              </>
            ) : (
              <span className="text-soft">{ROLE_NAMES[m.role]}</span>
            )}
          </li>
        ))}
      </ul>
      <FormError error={error} />
      <p className="m-0 text-[14px] text-soft">{ROLE_MEANS}</p>
      {isOwner && <Invite invitations={invitations} />}
    </Part>
  );
}

function Invite({ invitations }: { readonly invitations: readonly Invitation[] }) {
  const router = useRouter();
  const [role, setRole] = useState<Role>("member");
  const [link, setLink] = useState<string>();
  const { busy, error, submit } = useSubmit(async () => {
    const { code } = await send<{ code: string }>("POST", "/api/invitations", { role });
    setLink(`${location.origin}/join/${code}`);
    router.refresh();
  });
  const takeBack = (id: string) =>
    void send("DELETE", `/api/invitations/${id}`).finally(() => router.refresh());
  return (
    <div className="grid gap-2">
      <form onSubmit={submit} className="flex flex-wrap items-center gap-2 text-[15px]">
        Let one person in as
        <select
          className="field"
          aria-label="Let in as"
          value={role}
          onChange={(e) => setRole(e.target.value as Role)}
        >
          {(["member", "viewer", "owner"] as const).map((r) => (
            <option key={r} value={r}>
              {ROLE_NAMES[r]}
            </option>
          ))}
        </select>
        <button className="button" disabled={busy}>
          Make a link
        </button>
      </form>
      <FormError error={error} />
      {link && (
        <CopyLink
          link={link}
          note="Hand it over yourself. It works once, for a week, and is not shown again."
        />
      )}
      {invitations.length > 0 && (
        <ul className="m-0 grid list-none gap-1 p-0 text-[14px]">
          {invitations.map((i) => (
            <li key={i.id} className="flex items-center gap-3">
              <span className="flex-1">
                A link for a {ROLE_NAMES[i.role]} waits, until <Day at={i.expiresAt} />
              </span>
              <button className="button" onClick={() => takeBack(i.id)}>
                Take back
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
