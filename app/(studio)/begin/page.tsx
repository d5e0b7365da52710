import { currentStudio } from "@/app/studio-view";
import { Shell } from "@/ui/shell";

export const metadata = { title: "Begin" };

export default async function BeginPage() {
  const studio = await currentStudio();
  return (
    <Shell>
      <main id="main">{studio.name}</main>
    </Shell>
  );
}
