import { Outside } from "@/ui/studio/fields";
import { Recover } from "@/ui/studio/sign-in";

export const metadata = { title: "Password forgotten" };

export default function RecoverPage() {
  return (
    <Outside title="Password forgotten">
      <Recover />
    </Outside>
  );
}
