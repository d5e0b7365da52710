import { labToHex } from "@/core/colour/display";
import type { RackMarker } from "@/store/rack";
import { coatsInHex, StrokeChip } from "./stroke-chip";

/** A thing on the rack as the stroke it leaves: hollow when it is not owned, notched when it runs low. A pencil shows its drawdown over white. */
export const MarkerChip = ({
  marker,
  width,
  height,
}: {
  readonly marker: Pick<RackMarker, "swatches" | "drawdowns" | "owned" | "state">;
  readonly width: number;
  readonly height: number;
}) => (
  <StrokeChip
    coats={marker.drawdowns?.white ? [labToHex(marker.drawdowns.white)] : coatsInHex(marker.swatches)}
    owned={marker.owned}
    low={marker.state === "low"}
    width={width}
    height={height}
  />
);
