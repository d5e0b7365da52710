import type { ReactNode } from "react";
import { buildName } from "@/app/build-name";
import { currentStudio, currentStudios, currentVisitor } from "@/app/studio-view";
import { StudioProvider } from "@/ui/studio/studio-context";

/** What every page of a studio has in common: which studio it is, and who looks. */
export default async function StudioLayout({ children }: { children: ReactNode }) {
  const [studio, visitor, all, build] = await Promise.all([
    currentStudio(),
    currentVisitor(),
    currentStudios(),
    buildName(),
  ]);
  const others = all.map(({ id, name, demo }) => ({ id, name, demo }));
  const { id, name, role, demo, units, sheet, hand, speed, change } = studio;
  return (
    <>
      <meta name="blendt-studio" content={id} />
      <meta name="blendt-build" content={build} />
      <StudioProvider
        value={{
          id,
          name,
          role,
          demo,
          units,
          sheet,
          hand,
          speed,
          change,
          others,
          person: visitor.kind === "person" ? visitor.name : null,
        }}
      >
        {children}
      </StudioProvider>
    </>
  );
}
