import { loadRack } from "@/app/studio-view";
import { GlossaryView } from "@/ui/glossary/glossary-view";
import { MarkerShell } from "@/ui/marker-shell";

export const metadata = { title: "Words of the craft" };

export default async function GlossaryPage() {
  const { at } = await loadRack(undefined);
  return (
    <MarkerShell at={at}>
      <GlossaryView />
    </MarkerShell>
  );
}
