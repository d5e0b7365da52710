import { openDesk, openDeskOf } from "@/compute/desks";
import { deskOfRack, rackKey } from "@/compute/from-rack";
import { fitOf, pencilsOf } from "@/compute/pencil-desk";
import { runWork } from "@/compute/run";
import { keepFit } from "@/store/desk-fits";
import { rackOn } from "@/store/rack";
import type { Studio } from "@/store/studio";
import { build, workedFrom } from "./answers";

/** Keeps what is fitted to the readings of each paper, so that whoever opens the demo need not wait for it. */
export async function seedFits(studio: Studio, paperIds: readonly string[]): Promise<void> {
  for (const paperId of paperIds) {
    const rack = (await rackOn(studio, paperId))!;
    const desk = deskOfRack(rack);
    const fit = await workedFrom(["fit", desk], () =>
      runWork(
        (function* () {
          const open = openDeskOf(yield* openDesk(desk))!;
          if (desk.pencils.length) yield* pencilsOf(open);
          return fitOf(open);
        })(),
      ),
    );
    await keepFit(studio, `${build} ${rackKey(rack)}`, fit);
  }
}
