import { currentStudio, loadRack } from "@/app/studio-view";
import { figuresOf } from "@/core/log/figures";
import { recordOfStudio } from "@/store/work-events";
import { FiguresPlace } from "@/ui/log/figures-view";
import { MarkerShell } from "@/ui/marker-shell";

export const metadata = { title: "Log in figures" };

const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);

export default async function FiguresPage() {
  const studio = await currentStudio();
  const [{ at }, record] = await Promise.all([loadRack(null), recordOfStudio(studio)]);
  return (
    <MarkerShell at={at}>
      <FiguresPlace figures={figuresOf(record, dayOf)} />
    </MarkerShell>
  );
}
