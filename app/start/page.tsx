import { currentVisitor } from "@/app/studio-view";
import { hasDemo, studiosOf } from "@/store/studio";
import { Outside } from "@/ui/studio/fields";
import { Start } from "@/ui/studio/start";

export const metadata = { title: "Start" };

export default async function StartPage() {
  const visitor = await currentVisitor();
  const [demo, studios] = await Promise.all([hasDemo(), studiosOf(visitor)]);
  return (
    <Outside title="From the colour you want to the markers you have" wide>
      <Start hasDemo={demo} others={studios.length > 0} />
    </Outside>
  );
}
