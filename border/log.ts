/** Longest entry about one error. */
const LONGEST = 2000;
/** Steps of a stack that say where. */
const STEPS = 8;

/**
 * What the log says of an error: its name, message, code and where, those of its causes too. The store's library writes the values of a
 * query into its message, whole pieces and pictures among them: what comes after "params:" is somebody's and stays out.
 */
export function inLog(error: unknown): string {
  const lines: string[] = [];
  const seen = new Set<unknown>();
  for (let e = error; e !== undefined && e !== null && !seen.has(e); e = (e as { cause?: unknown }).cause) {
    seen.add(e);
    const { name, message, code, stack } = (typeof e === "object" ? e : { message: String(e) }) as Record<
      string,
      unknown
    >;
    const said = String(message ?? "").split(/\bparams:/)[0]!;
    const at = String(stack ?? "")
      .split("\n")
      .filter((l) => /^\s+at /.test(l))
      .slice(0, STEPS);
    lines.push(`${String(name ?? "Error")}${code ? ` ${String(code)}` : ""}: ${said.trim()}`, ...at);
  }
  const whole = lines.join("\n");
  return whole.length > LONGEST ? `${whole.slice(0, LONGEST)}…` : whole;
}

export const noteInLog = (error: unknown): void =>
  console.error(`${new Date().toISOString()} ${inLog(error)}`);
