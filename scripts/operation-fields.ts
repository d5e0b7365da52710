import { getMetadataStorage } from "class-validator";
import { readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { DeskInput } from "@/border/desk";
import { fieldsOf, type Document } from "@/border/fields";
import { table } from "@/compute/table";

/**
 * Fields of every operation, told by the classes that check them: `npx tsx scripts/operation-fields.ts && npx prettier --write compute/README.md` writes them into compute/README.md
 * between two marks.
 */
const FILE = fileURLToPath(new URL("../compute/README.md", import.meta.url));
const [START, END] = ["<!-- fields -->", "<!-- end fields -->"];
/** Documents within documents are told so deep. */
const DEEPEST = 2;

/** What is expected of each field, and whether it may be left out. */
function rulesOf(type: Document<object>): Map<string, { expected: string; optional: boolean }> {
  const out = new Map<string, { expected: string; optional: boolean }>();
  const found = getMetadataStorage().getTargetValidationMetadatas(type, "", false, false);
  for (const { propertyName, message, type: kind } of found) {
    const own = out.get(propertyName) ?? { expected: "", optional: false };
    const said = typeof message === "function" ? message({} as never) : (message ?? "");
    out.set(propertyName, {
      expected: own.expected || said.replace(/^expected /, ""),
      optional: own.optional || kind === "conditionalValidation",
    });
  }
  return out;
}

function rowsOf(type: Document<object>, path: string, depth: number): string[] {
  const rules = rulesOf(type);
  return [...fieldsOf(type)].flatMap(([name, field]) => {
    const { expected = field.expected ?? "", optional = false } = rules.get(name) ?? {};
    const list = field.list && !field.list.orOne ? "[]" : "";
    const said = (expected || field.expected || "").replace(/^expected /, "").replaceAll("|", "\\|");
    const row = `| \`${path}${name}${list}\` | ${said || "as below"} | ${optional ? "" : "yes"} |`;
    const within = field.of && depth < DEEPEST ? rowsOf(field.of(), `${path}${name}${list}.`, depth + 1) : [];
    return [row, ...within];
  });
}

const head = "| field | what is expected | must be there |\n| --- | --- | --- |";

/** The part of compute/README.md that is told by the classes. */
export function operationFields(): string {
  const desk = new Set(fieldsOf(DeskInput).keys());
  const parts = Object.entries(table).map(([name, { question, ofDesk }]) => {
    const type = question as Document<object>;
    const rows = rowsOf(type, "", 1).filter(
      (r) => name === "open" || !ofDesk || !desk.has(/`(\w+)/.exec(r)![1]!),
    );
    const on = ofDesk ? "On a desk: the fields of `open`, or `desk`, its handle.\n\n" : "";
    return `### ${name}\n\n${on}${rows.length ? `${head}\n${rows.join("\n")}` : "No fields."}`;
  });
  return `${START}\n\n## Fields of all operations\n\nTold by the classes that check them (\`npx tsx scripts/operation-fields.ts\`).\n\n${parts.join("\n\n")}\n\n${END}`;
}

/** The file with that part as it is now. */
export function withFields(text: string): string {
  const [from, to] = [text.indexOf(START), text.indexOf(END)];
  const part = operationFields();
  return from < 0
    ? `${text.trimEnd()}\n\n${part}\n`
    : text.slice(0, from) + part + text.slice(to + END.length);
}

if (process.argv[1]?.endsWith("operation-fields.ts"))
  writeFileSync(FILE, withFields(readFileSync(FILE, "utf8")));
