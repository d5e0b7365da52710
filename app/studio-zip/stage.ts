import { open, type FileHandle } from "node:fs/promises";
import { deserialize, serialize } from "node:v8";
import { getTableName } from "drizzle-orm";
import type { PgTable } from "drizzle-orm/pg-core";
import { wrong } from "@/border/problem";
import { CONTENT } from "@/store/content";
import type { TakeIn } from "@/store/new-studio";

/** Bytes that a studio may take on the disk while it comes in: its pictures, and about as much again of all else. */
export const MOST_STAGED = 2_500_000_000;

const byName = new Map<string, PgTable>(CONTENT.map((table) => [getTableName(table), table]));

/** Rows of a studio that is being read, on the disk: nothing of the database is held until all of them are there. */
export class Stage {
  #length = 0;
  readonly #stretches: { readonly table: PgTable; readonly at: number; readonly bytes: number }[] = [];

  private constructor(
    private readonly file: FileHandle,
    private readonly most: number,
  ) {}

  /** @param at path of a file that is not there yet */
  static async at(at: string, most = MOST_STAGED): Promise<Stage> {
    return new Stage(await open(at, "wx+", 0o600), most);
  }

  /** Puts rows down, in the order in which they are to be taken in. @throws BadInput when it is too much */
  readonly put: TakeIn = async (table, rows) => {
    if (!rows.length) return;
    const known = byName.get(getTableName(table));
    if (!known) throw new Error(`${getTableName(table)} is no content of a studio`);
    const bytes = serialize(rows);
    if (this.#length + bytes.length > this.most)
      throw wrong("studio", `expected at most ${Math.round(this.most / 1e6)} MB once it is unpacked`);
    await this.file.write(bytes, 0, bytes.length, this.#length);
    this.#stretches.push({ table: known, at: this.#length, bytes: bytes.length });
    this.#length += bytes.length;
  };

  /** Gives what was put down, stretch by stretch. */
  async takeInto(take: TakeIn): Promise<void> {
    for (const { table, at, bytes } of this.#stretches) {
      const buffer = Buffer.allocUnsafe(bytes);
      await this.file.read(buffer, 0, bytes, at);
      await take(table, deserialize(buffer) as never);
    }
  }

  close = (): Promise<void> => this.file.close();
}
