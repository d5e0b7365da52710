import { text } from "node:stream/consumers";
import { BadInput } from "@/border/problem";
import { asJson } from "@/compute/as-json";
import { runOperation } from "@/compute/run";
import { operationNames } from "@/compute/table";

const EXIT_BAD_INPUT = 2;

async function main(): Promise<number> {
  const name = process.argv[2];
  if (!name) {
    console.error(
      `Say which operation: ./blendt compute NAME, with NAME one of ${operationNames.join(", ")}. The input is JSON on standard input.`,
    );
    return EXIT_BAD_INPUT;
  }
  const source = await text(process.stdin);
  try {
    let input: unknown;
    try {
      input = JSON.parse(source);
    } catch (e) {
      throw new BadInput([
        { path: "", expected: `expected JSON on standard input: ${(e as Error).message}` },
      ]);
    }
    const output = await runOperation(name, input);
    await new Promise((resolve) => process.stdout.write(`${asJson(output)}\n`, resolve));
    return 0;
  } catch (e) {
    if (!(e instanceof BadInput)) throw e;
    console.error(e.message);
    return EXIT_BAD_INPUT;
  }
}

process.exitCode = await main();
