import { isOwnPace, studios, type Hand, type Units } from "./studio-schema";
import { and, asc, desc, eq, isNull, ne, or, sql, type SQL } from "drizzle-orm";
import type { SheetName } from "@/core/chart/layout";
import { lockNamed, lockStudio, withStore, type Db, type Tx } from "./database";
import { codeHash, newCode } from "./auth";
import { people } from "./people-schema";
import type { Visitor } from "./people";
import { invitations, members, type Role } from "./schema";

/** Names the studio whose things a query may touch; every query asks for one. */
export interface Studio {
  readonly id: string;
  readonly name: string;
}

/** A studio as somebody has entered it. */
export interface Entered extends Studio {
  readonly role: Role;
  /** A copy of the demo. */
  readonly demo: boolean;
  readonly units: Units;
  readonly sheet: SheetName;
  readonly hand: Hand;
  /** mm² of one coat a second, and seconds to change markers. */
  readonly speed: number;
  readonly change: number;
  /** Names the state of the rack and of all readings: another one when any of them has changed, or a backup was put back. */
  readonly rackVersion: string;
}

/** The studio from which demo studios are copied. */
export const DEMO_STUDIO = "demo";

const facts = {
  id: studios.id,
  name: studios.name,
  demo: studios.demo,
  units: studios.units,
  sheet: studios.sheet,
  hand: studios.hand,
  speed: studios.speed,
  change: studios.change,
  rackVersion: sql<string>`coalesce(current_setting('blendt.epoch', true), '0') || '-' || ${studios.rackVersion}`,
};

/** Studios that a visitor may enter: own ones first, the newest foremost, demo studios last. */
export const studiosOf = (visitor: Visitor): Promise<Entered[]> => withStore((db) => studiosIn(db, visitor));

async function studiosIn(db: Db, visitor: Visitor): Promise<Entered[]> {
  const order = [asc(studios.demo), desc(studios.createdAt)] as const;
  if (visitor.kind === "local") {
    const rows = await db
      .select(facts)
      .from(studios)
      .where(isNull(studios.slug))
      .orderBy(...order);
    return rows.map((s) => ({ ...s, role: "owner" as const }));
  }
  return db
    .select({ ...facts, role: members.role })
    .from(studios)
    .innerJoin(members, and(eq(members.studioId, studios.id), eq(members.personId, visitor.id)))
    .where(isNull(studios.slug))
    .orderBy(...order);
}

/** Studios of one person. */
export const MOST_STUDIOS = 50;

export type StudioFacts = Pick<Entered, "name" | "units" | "sheet" | "hand" | "speed" | "change">;

/** Makes whoever asks the owner of a new studio. The one person of a machine without accounts owns all that is there. */
export async function ownedBy(db: Db, visitor: Visitor, studioId: string): Promise<void> {
  if (visitor.kind === "person")
    await db.insert(members).values({ studioId, personId: visitor.id, role: "owner" });
}

/** What is made beside one's studios: all that is made for one person at the same moment is made in turn, so that nothing is made twice. */
export const besideStudios = <T>(
  visitor: Visitor,
  make: (tx: Tx, all: readonly Entered[]) => Promise<T>,
): Promise<T> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      await lockNamed(tx, `studios of ${visitor.kind === "person" ? visitor.id : "this machine"}`);
      return make(tx, await studiosIn(tx, visitor));
    }),
  );

/** Adds an empty studio; undefined when its owner has as many as there may be. */
export const addStudio = (
  visitor: Visitor,
  wanted: Pick<StudioFacts, "name"> & Partial<StudioFacts> & { readonly demo?: boolean },
): Promise<Studio | undefined> =>
  besideStudios(visitor, async (tx, all) => {
    if (all.length >= MOST_STUDIOS) return undefined;
    const [added] = await tx
      .insert(studios)
      .values({ ...wanted, paceSet: isOwnPace(wanted) })
      .returning({ id: studios.id, name: studios.name });
    await ownedBy(tx, visitor, added!.id);
    return added!;
  });

const isPace = ({ speed, change }: Partial<StudioFacts>) => speed !== undefined || change !== undefined;
/** Whether a pace that is said is another than the one that is there. */
const isOther = ({ speed, change }: Partial<StudioFacts>): SQL =>
  or(
    speed === undefined ? sql`false` : ne(studios.speed, speed),
    change === undefined ? sql`false` : ne(studios.change, change),
  )!;

/** Takes the pace of the hand from its work, unless somebody has said another. */
export const takePace = (studio: Studio, pace: Pick<StudioFacts, "speed"> & { readonly change?: number }) =>
  withStore((db) =>
    db
      .update(studios)
      .set(pace)
      .where(and(eq(studios.id, studio.id), eq(studios.paceSet, false))),
  );

/** mm² of one coat a second, as the studio has it now; null where nobody has said and nothing was learnt. */
export const speedOf = async (studio: Studio): Promise<number | null> =>
  (
    await withStore((db) =>
      db.select({ speed: studios.speed }).from(studios).where(eq(studios.id, studio.id)),
    )
  )[0]?.speed ?? null;

export const changeStudio = (studio: Studio, change: Partial<StudioFacts>): Promise<boolean> =>
  withStore(
    async (db) =>
      (
        await db
          .update(studios)
          .set({
            ...change,
            ...(isPace(change) && { paceSet: sql`${studios.paceSet} or ${isOther(change)}` }),
            id: sql`${studios.id}`,
          })
          .where(eq(studios.id, studio.id))
          .returning({ id: studios.id })
      ).length > 0,
  );

/** Removes a studio with all that is in it. */
export const removeStudio = (studio: Studio): Promise<boolean> =>
  withStore(
    async (db) =>
      (
        await db
          .delete(studios)
          .where(and(eq(studios.id, studio.id), isNull(studios.slug)))
          .returning({ id: studios.id })
      ).length > 0,
  );

export interface Member {
  readonly personId: string;
  readonly name: string;
  readonly role: Role;
}

export const membersOf = (studio: Studio): Promise<Member[]> =>
  withStore((db) =>
    db
      .select({ personId: people.id, name: people.name, role: members.role })
      .from(members)
      .innerJoin(people, eq(people.id, members.personId))
      .where(eq(members.studioId, studio.id))
      .orderBy(asc(members.createdAt), asc(people.name)),
  );

/** Changes what somebody may do, or takes them out; "last owner" when nobody would be left who may. */
export const changeMember = (
  studio: Studio,
  personId: string,
  role: Role | null,
): Promise<boolean | "last owner"> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      const all = await tx
        .select({ personId: members.personId, role: members.role })
        .from(members)
        .where(eq(members.studioId, studio.id))
        .for("update");
      if (!all.some((m) => m.personId === personId)) return false;
      if (role !== "owner" && !all.some((m) => m.role === "owner" && m.personId !== personId))
        return "last owner";
      const one = and(eq(members.studioId, studio.id), eq(members.personId, personId));
      if (role) await tx.update(members).set({ role }).where(one);
      else await tx.delete(members).where(one);
      return true;
    }),
  );

const INVITATION_DAYS = 7;
/** A hundred and twenty-five bits. */
const LINK_LENGTH = 25;
/** Invitations of one studio that nobody has used yet. */
export const MOST_INVITATIONS = 50;

/** Makes a link by which one person may enter; its code is told once. Undefined when too many wait. */
export const invite = (studio: Studio, role: Role): Promise<string | undefined> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      await lockStudio(tx, studio.id);
      const own = eq(invitations.studioId, studio.id);
      await tx.delete(invitations).where(and(own, sql`${invitations.expiresAt} < now()`));
      if ((await tx.$count(invitations, own)) >= MOST_INVITATIONS) return undefined;
      const code = newCode(LINK_LENGTH);
      await tx.insert(invitations).values({
        studioId: studio.id,
        role,
        hash: codeHash(code),
        expiresAt: sql`now() + ${`${INVITATION_DAYS} days`}::interval`,
      });
      return code;
    }),
  );

export interface Invitation {
  readonly id: string;
  readonly role: Role;
  readonly expiresAt: Date;
}

export const invitationsOf = (studio: Studio): Promise<Invitation[]> =>
  withStore((db) =>
    db
      .select({ id: invitations.id, role: invitations.role, expiresAt: invitations.expiresAt })
      .from(invitations)
      .where(and(eq(invitations.studioId, studio.id), sql`${invitations.expiresAt} > now()`))
      .orderBy(asc(invitations.createdAt)),
  );

export const takeBack = (studio: Studio, id: string): Promise<boolean> =>
  withStore(
    async (db) =>
      (
        await db
          .delete(invitations)
          .where(and(eq(invitations.studioId, studio.id), eq(invitations.id, id)))
          .returning({ id: invitations.id })
      ).length > 0,
  );

/** Whether this server has a demo to copy. */
export const hasDemo = async (): Promise<boolean> =>
  (
    await withStore((db) =>
      db.select({ id: studios.id }).from(studios).where(eq(studios.slug, DEMO_STUDIO)).limit(1),
    )
  ).length > 0;

/** The sheets that a studio's printer takes. */
export const printerSheet = (studio: Studio): Promise<SheetName> =>
  withStore(async (db) => {
    const [found] = await db.select({ sheet: studios.sheet }).from(studios).where(eq(studios.id, studio.id));
    return found?.sheet ?? "A4";
  });
