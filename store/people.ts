import { studios } from "./studio-schema";
import { and, eq, gt, inArray, sql } from "drizzle-orm";
import { isServedOnlyHere } from "@/border/gate";
import { addressOf, auth, codeHash, newCode } from "./auth";
import { withStore, type Db } from "./database";
import { holding } from "./leases";
import { isKnownBrowser, knownBrowserCookie } from "./known-browser";
import { people, recoveryCodes } from "./people-schema";
import { invitations, members, type Role } from "./schema";
import { slowly } from "./tries";

/** Who asks: somebody signed in, or the one person at a machine that serves nobody else and has no accounts. */
export type Visitor =
  { readonly kind: "local" } | { readonly kind: "person"; readonly id: string; readonly name: string };

/** Cookies that an answer sets. */
type Cookies = readonly string[];

/** Whether anybody has an account here; once somebody has, the answer stays. */
let someone = false;
export async function hasPeople(): Promise<boolean> {
  someone ||= (await withStore((db) => db.select({ id: people.id }).from(people).limit(1))).length > 0;
  return someone;
}

/** Who sends a request; undefined for a stranger. */
export async function whoCalls(headers: Headers): Promise<Visitor | undefined> {
  if (headers.get("cookie")?.includes("blendt.session_token")) {
    const found = await withStore(() => auth().api.getSession({ headers }));
    if (found) return { kind: "person", id: found.user.id, name: found.user.name };
  }
  return isServedOnlyHere() && !(await hasPeople()) ? { kind: "local" } : undefined;
}

const cookiesOf = (headers: Headers): Cookies => headers.getSetCookie();

/** What signing up may end in, apart from an account. */
export type SignUpRefused = "taken" | "closed" | "no such code";

const RECOVERY_CODES = 8;
/** Sixty bits each. */
const RECOVERY_LENGTH = 12;

/** Fresh recovery codes in place of all earlier ones; they are shown once. */
async function freshCodes(db: Db, personId: string): Promise<string[]> {
  const codes = Array.from({ length: RECOVERY_CODES }, () => newCode(RECOVERY_LENGTH, true));
  await db.delete(recoveryCodes).where(eq(recoveryCodes.personId, personId));
  await db.insert(recoveryCodes).values(codes.map((code) => ({ personId, hash: codeHash(code) })));
  return codes;
}

const invitationOf = async (db: Db, code: string) =>
  (
    await db
      .select({
        id: invitations.id,
        studioId: invitations.studioId,
        role: invitations.role,
        studio: studios.name,
      })
      .from(invitations)
      .innerJoin(studios, eq(studios.id, invitations.studioId))
      .where(and(eq(invitations.hash, codeHash(code)), gt(invitations.expiresAt, sql`now()`)))
  )[0];

/** What an invitation lets one into. */
export const findInvitation = (code: string): Promise<{ studio: string; role: Role } | undefined> =>
  withStore((db) => invitationOf(db, code));

/** Uses an invitation up; false when there is none, or it has been used. Nobody loses rights by one. */
export const acceptInvitation = (personId: string, code: string): Promise<string | undefined> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      const found = await invitationOf(tx, code);
      if (!found) return undefined;
      const used = await tx
        .delete(invitations)
        .where(eq(invitations.id, found.id))
        .returning({ id: invitations.id });
      if (!used.length) return undefined;
      const { studioId, role } = found;
      await tx.insert(members).values({ studioId, personId, role }).onConflictDoNothing();
      return studioId;
    }),
  );

/** Whether anybody may make an account: the first person here, who has an invitation or the set-up code, or everybody where that is wished. */
async function mayJoin(code: string | undefined): Promise<"first" | "invited" | "open" | undefined> {
  if (!(await hasPeople())) {
    const wanted = process.env.BLENDT_SETUP_CODE;
    if (isServedOnlyHere() || (wanted && code && codeHash(code) === codeHash(wanted))) return "first";
  }
  if (code && (await findInvitation(code))) return "invited";
  return process.env.BLENDT_SIGN_UP === "open" ? "open" : undefined;
}

/**
 * Makes an account. The first one of a server gets the studios that were made there before.
 * @returns cookies of its session and its recovery codes, to be shown once
 */
export async function signUp(
  { name, password, code }: { readonly name: string; readonly password: string; readonly code?: string },
  headers: Headers,
): Promise<
  { readonly cookies: Cookies; readonly recovery: string[]; readonly studioId?: string } | SignUpRefused
> {
  const email = addressOf(name);
  // One code lets one in, one name is given once, one person is the first: whoever comes at the same moment waits.
  const one = code ? `code ${codeHash(code)}` : "an account without a code";
  return alone(one, () => alone(`name ${email}`, () => joined({ name, password, code, email }, headers)));
}

const alone = <T>(name: string, work: () => Promise<T>): Promise<T> =>
  holding([name], { waitMs: 5000, busy: "Somebody is signing up just now. Try again in a moment." }, work);

async function joined(
  {
    name,
    password,
    code,
    email,
  }: {
    readonly name: string;
    readonly password: string;
    readonly code: string | undefined;
    readonly email: string;
  },
  headers: Headers,
): ReturnType<typeof signUp> {
  // Counted by itself: who may join says nothing of who knows the name's password.
  const how = await slowly(`join ${email}`, () => mayJoin(code));
  if (!how) return code ? "no such code" : "closed";
  const there = await withStore((db) =>
    db.select({ id: people.id }).from(people).where(eq(people.email, email)),
  );
  if (there.length) return "taken";
  const made = await auth().api.signUpEmail({
    body: { name, email, password },
    headers,
    returnHeaders: true,
  });
  const personId = made.response.user.id;
  const recovery = await withStore((db) =>
    db.transaction(async (tx) => {
      if (how === "first")
        await tx.execute(
          sql`insert into ${members} (studio_id, person_id, role)
              select ${studios.id}, ${personId}, 'owner' from ${studios}
              where ${studios.slug} is null and not exists (select 1 from ${members} m where m.studio_id = ${studios.id})`,
        );
      return freshCodes(tx, personId);
    }),
  );
  const studioId = how === "invited" ? await acceptInvitation(personId, code!) : undefined;
  return { cookies: cookiesOf(made.headers), recovery, ...(studioId && { studioId }) };
}

/** Ends the session that a request came with, if there is one. */
async function endSession(headers: Headers): Promise<void> {
  const found = await auth().api.getSession({ headers });
  if (found) await (await auth().$context).internalAdapter.deleteSession(found.session.token);
}

/** Signs somebody in with a new session, in place of the one of the same browser; undefined when name and password do not belong together. */
export async function signIn(
  { name, password }: { readonly name: string; readonly password: string },
  headers: Headers,
): Promise<Cookies | undefined> {
  const email = addressOf(name);
  return slowly(
    email,
    async () => {
      const found = await auth()
        .api.signInEmail({ body: { email, password }, headers, returnHeaders: true })
        .catch((e: unknown) => {
          if ((e as { statusCode?: unknown }).statusCode === 401) return undefined;
          throw e;
        });
      if (!found) return undefined;
      await endSession(headers);
      return [...cookiesOf(found.headers), knownBrowserCookie(email)];
    },
    isKnownBrowser(headers, email),
  );
}

/** Signs out here, or everywhere. */
export async function signOut(visitor: Visitor, headers: Headers, everywhere: boolean): Promise<Cookies> {
  if (everywhere && visitor.kind === "person")
    await (await auth().$context).internalAdapter.deleteUserSessions(visitor.id);
  return cookiesOf((await auth().api.signOut({ headers, returnHeaders: true })).headers);
}

async function setPassword(personId: string, password: string): Promise<void> {
  const { internalAdapter, password: hashing } = await auth().$context;
  await internalAdapter.updatePassword(personId, await hashing.hash(password));
  await internalAdapter.deleteUserSessions(personId);
}

/** Whether a password is a person's; undefined when it is not. */
export const isPassword = (personId: string, name: string, password: string): Promise<true | undefined> =>
  slowly(addressOf(name), async () => {
    const { internalAdapter, password: hashing } = await auth().$context;
    const own = (await internalAdapter.findAccounts(personId)).find((a) => a.providerId === "credential");
    return (own?.password && (await hashing.verify({ hash: own.password, password }))) || undefined;
  });

/** Changes a password, ends all sessions and begins a new one. */
export async function changePassword(
  { id, name }: { readonly id: string; readonly name: string },
  { current, next }: { readonly current: string; readonly next: string },
  headers: Headers,
): Promise<Cookies | undefined> {
  if (!(await isPassword(id, name, current))) return undefined;
  await setPassword(id, next);
  return signIn({ name, password: next }, headers);
}

/** A new password by a recovery code, which is used up; all sessions end. */
export async function recover(
  { name, code, password }: { readonly name: string; readonly code: string; readonly password: string },
  headers: Headers,
): Promise<Cookies | undefined> {
  const email = addressOf(name);
  const personId = await slowly(
    email,
    () =>
      withStore(async (db) => {
        // One question whether there is such a person or not, so that its time tells nothing.
        const person = db.select({ id: people.id }).from(people).where(eq(people.email, email));
        const used = await db
          .delete(recoveryCodes)
          .where(and(inArray(recoveryCodes.personId, person), eq(recoveryCodes.hash, codeHash(code))))
          .returning({ personId: recoveryCodes.personId });
        return used[0]?.personId;
      }),
    isKnownBrowser(headers, email),
  );
  if (!personId) return undefined;
  await setPassword(personId, password);
  return signIn({ name, password }, headers);
}

export const recoveryLeft = async (personId: string): Promise<number> =>
  (
    await withStore((db) =>
      db.select({ id: recoveryCodes.id }).from(recoveryCodes).where(eq(recoveryCodes.personId, personId)),
    )
  ).length;

export const renewRecovery = (personId: string): Promise<string[]> =>
  withStore((db) => freshCodes(db, personId));
