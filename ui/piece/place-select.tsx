import { LAYER_PLACES, type LayerPlace } from "@/core/media/layer";
import { placeInWords } from "@/words/pass";

/** Where on an area a layer lies. */
export const PlaceSelect = ({
  label,
  place,
  onPlace,
}: {
  readonly label: string;
  readonly place: LayerPlace;
  readonly onPlace: (place: LayerPlace) => void;
}) => (
  <select
    className="field"
    aria-label={label}
    value={place}
    onChange={(e) => onPlace(e.target.value as LayerPlace)}
  >
    {LAYER_PLACES.map((p) => (
      <option key={p} value={p}>
        {placeInWords[p]}
      </option>
    ))}
  </select>
);
