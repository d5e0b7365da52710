import { BadInput, type Problem } from "@/border/problem";
import { runOperation } from "@/compute/run";

export interface ServerJob {
  readonly name: string;
  readonly input: unknown;
}

export type ServerAnswer =
  { readonly output: unknown } | { readonly problems: readonly Problem[]; readonly unknownDesk: boolean };

/** One question in a thread of the server's pool. */
export async function answerJob({ name, input }: ServerJob): Promise<ServerAnswer> {
  try {
    return { output: await runOperation(name, input) };
  } catch (e) {
    if (!(e instanceof BadInput)) throw e;
    return { problems: e.problems, unknownDesk: e.name === "UnknownDesk" };
  }
}
