import type { Habit } from "@/core/practice/habits";
import { exerciseInWords } from "./practice";
import { counted } from "./numbers";

/** What a hand does again and again, in one sentence. */
export function habitInWords(habit: Habit): string {
  if (habit.kind === "sheets")
    return `${exerciseInWords[habit.exercise].name} came out at ${habit.score.toFixed(0)} of 100 the last ${habit.of} times.`;
  const over = `over ${counted(habit.pieces.length, "piece")}`;
  const by = Math.abs(habit.by).toFixed(1);
  const lighter = habit.by > 0;
  switch (habit.kind) {
    case "shadows":
      return lighter
        ? `Your shadows stay paler than planned: typically by ${by} in lightness, ${over}.`
        : `Your shadows come out darker than planned: typically by ${by} in lightness, ${over}.`;
    case "lights":
      return lighter
        ? `Your lights stay paler than planned: typically by ${by} in lightness, ${over}.`
        : `Your lights are covered: they come out darker than planned typically by ${by} in lightness, ${over}.`;
    case "all":
      return `Your pieces come out ${lighter ? "lighter" : "darker"} than planned all over: typically by ${by} in lightness, ${over}. Photos do that too; look at a sheet beside the screen first.`;
  }
}

/** The one thing to do otherwise. */
export function remedyInWords(habit: Habit): string {
  if (habit.kind === "sheets") return "Take it once more, slowly, before the next piece.";
  const lighter = habit.by > 0;
  switch (habit.kind) {
    case "shadows":
      return lighter
        ? "After the last blend, put the darkest marker back where the shadow is deepest."
        : "Lay the darkest tone narrower, and step back over its edge with the tone before.";
    case "lights":
      return lighter
        ? "Let the lightest tone reach over all of its ground before the next one comes."
        : "Stop the mid tone earlier, and go back with the lightest marker only.";
    case "all":
      return lighter
        ? "Give a second coat where one was planned to be full, and let the nib go slower."
        : "Lift the nib sooner: fewer strokes over the same ground.";
  }
}
