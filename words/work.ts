import { counted } from "./numbers";

/** A stretch of time as people say it. */
export function durationInWords(seconds: number): string {
  const s = Math.round(seconds);
  if (s < 100) return `${s} s`;
  const min = Math.round(s / 60);
  return min < 60 ? `${min} min` : `${Math.floor(min / 60)} h${min % 60 ? ` ${min % 60} min` : ""}`;
}

/** A moment of the work, counted from its beginning: 4:05, 1:02:30. */
export function clockInWords(seconds: number): string {
  const s = Math.max(0, Math.round(seconds));
  const two = (n: number) => String(n).padStart(2, "0");
  const [h, m] = [Math.floor(s / 3600), Math.floor(s / 60) % 60];
  return h ? `${h}:${two(m)}:${two(s % 60)}` : `${m}:${two(s % 60)}`;
}

/** What an order comes to, beside the one that goes area by area. */
export const orderInSum = (
  {
    changes,
    leastChanges,
    seconds,
    waiting,
  }: {
    readonly changes: number;
    readonly leastChanges: number;
    readonly seconds: number;
    readonly waiting: number;
  },
  byArea: number,
): string =>
  [
    `A marker is taken up ${counted(changes, "time")}${byArea > changes ? ` instead of ${byArea}` : ""}${leastChanges === changes ? ", as few as can be" : ""}`,
    `about ${durationInWords(seconds)}`,
    waiting < 1 ? "no waiting" : `${durationInWords(waiting)} of it waiting`,
  ].join(", ");

interface BrokenRule {
  readonly rule: "wet" | "wet and dry" | "too late" | "beneath" | "waits" | "pinned";
  readonly area: string | number;
  readonly pass: number;
  readonly needs: number;
  readonly has: number;
}

/** A rule that no order can keep: what stands against what. */
export function brokenInWords({ rule, pass, needs, has }: BrokenRule, name: string, other = ""): string {
  const which = `Pass ${pass + 1} of ${name}`;
  switch (rule) {
    case "wet":
      return `${which} is to blend into wet ink, but the pass before it takes ${durationInWords(needs)} and the ink stays open for ${durationInWords(has)}: an edge will show. Cut the area into more parts, or go back with the lighter tone.`;
    case "beneath":
      return `${which} lies over what it would come before: it cannot be laid there.`;
    case "waits":
      return `${name} is laid once ${other} is dry: it cannot come before that.`;
    case "pinned":
      return `${which} cannot come after ${other} as you have put it; that is let go.`;
    case "wet and dry":
      return `${which} is wanted wet and dry at once; it is laid when it is dry.`;
    case "too late":
      return `${which} comes at ${clockInWords(needs)}, but the ink before it is open until ${clockInWords(has)} only: an edge will show. Soften it with the lighter tone once it is dry.`;
  }
}

/** What waiting is good for. */
export const waitInWords = (seconds: number, last: string | undefined): string =>
  `${durationInWords(seconds)}: nothing can be laid${last ? `. Look whether the edge of ${last} is even` : ""}.`;

interface Sum {
  readonly changes: number;
  readonly seconds: number;
}

/** What a step that was put elsewhere costs, beside the order before. */
export function movedInWords(before: Sum, after: Sum): string {
  const changes = after.changes - before.changes;
  const seconds = Math.round(after.seconds - before.seconds);
  const said = [
    changes && `${counted(Math.abs(changes), "change")} of marker ${changes > 0 ? "more" : "fewer"}`,
    seconds && `${durationInWords(Math.abs(seconds))} ${seconds > 0 ? "longer" : "shorter"}`,
  ].filter(Boolean);
  return said.length ? said.join(", ") : "as many changes and as long as before";
}
