import { loadRack } from "@/app/studio-view";
import { MarkerShell } from "@/ui/marker-shell";
import { HavePlace } from "@/ui/supplies/have-view";

export const metadata = { title: "Do I have this?" };

export default async function HavePage() {
  const { at } = await loadRack(undefined);
  return (
    <MarkerShell at={at}>
      <HavePlace />
    </MarkerShell>
  );
}
