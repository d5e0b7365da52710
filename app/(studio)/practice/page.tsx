import { headers } from "next/headers";
import { personOf } from "@/app/api/practice/person";
import { currentStudio, loadRack } from "@/app/studio-view";
import { visitorOf } from "@/door/guard";
import { eyeAnswersOf, sheetScoresOf } from "@/store/practice";
import { comparedOf } from "@/store/work-events";
import { MarkerShell } from "@/ui/marker-shell";
import { PracticePlace } from "@/ui/practice/practice-view";

export const metadata = { title: "Practice" };

export default async function PracticePage() {
  const studio = await currentStudio();
  const person = personOf(await visitorOf(await headers()));
  const [{ at }, answers, sheets, compared] = await Promise.all([
    loadRack(null),
    eyeAnswersOf(studio, person),
    sheetScoresOf(studio, person),
    comparedOf(studio),
  ]);
  return (
    <MarkerShell at={at}>
      <PracticePlace answers={answers} sheets={sheets} compared={compared} />
    </MarkerShell>
  );
}
