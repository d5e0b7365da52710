import { mostCoats } from "@/core/ink/span";
import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { adviseGroup, type Advice } from "./advice";
import type { GroupGoal } from "./goal";
import { layChosen, type Asked, type ChosenGroup, type WeighedChoice } from "./chosen";
import { zonesOf } from "./lay";
import { rolesOf, type Role, type Tone } from "./tone";
import type { LaidGroup, WeighedGroup } from "./weigh";

export interface AssessedGroup extends LaidGroup, WeighedGroup {
  /** Light to dark, each alone on the paper: its stroke, not what is seen in the end. */
  readonly tones: readonly (Tone & { readonly role: Role })[];
  readonly goal: GroupGoal;
  /** ΔE00 of the local colour as laid. */
  readonly localColourDeltaE00: number;
  /** Most coats anywhere. */
  readonly mostCoats: number;
  readonly advice: readonly Advice[];
}

/** Everything that is said of a group of 2–6 tones as it lies on the paper, whoever chose them. */
export function assessGroup(desk: Desk, chosen: ChosenGroup, asked: Asked): AssessedGroup {
  return judgeLaid(desk, layChosen(desk, chosen, asked), asked);
}

/** {@link assessGroup} of a group that has been laid and weighed. */
export function judgeLaid(desk: Desk, laid: WeighedChoice, asked: Asked): AssessedGroup {
  const { laying, inks, goal, weighed } = laid;
  // Where ink under or over it makes the shadow end, no tone is the shadow.
  const roles = rolesOf(zonesOf(laying));
  const tones = inks.tones.map((ink, i) => {
    const coats = laying.coats[i]!;
    return { ink, coats, lab: seenLab(desk, Array<number>(coats).fill(ink)), role: roles[i]! };
  });
  const localColourDeltaE00 = deltaE00(weighed.zones[goal.localAt]!.lab, goal.local);
  const most = mostCoats(weighed.passes);
  return {
    laying,
    inks,
    ...weighed,
    tones,
    goal,
    localColourDeltaE00,
    mostCoats: most,
    advice: adviseGroup(desk, { laying, inks, goal, weighed, tones, mostCoats: most }, asked),
  };
}
