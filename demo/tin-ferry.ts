import type { Point } from "@/core/chart/homography";
import { unplanned, type DemoPiece } from "./pieces";

/** Middles of the quay's tiles: rows of whole ones, every second row shifted by half. */
const TILES = [850, 910, 970].flatMap((y, row) =>
  Array.from({ length: row % 2 ? 11 : 10 }, (_, i): Point => [
    row % 2 ? Math.min(1170, Math.max(30, 120 * i)) : 60 + 120 * i,
    y,
  ]),
);

/** Stamped, flat shapes, metal; photographed on the table, set up and not yet coloured. */
export const tinFerry: DemoPiece = {
  name: "Tin Ferry",
  art: "tin-ferry",
  paper: 0,
  sheet: { width: 210, height: 148 },
  width: 162,
  photo: true,
  scene: "neutral",
  areas: unplanned([
    [
      "Hull",
      "metal",
      [
        [231, 608],
        [1005, 644],
      ],
    ],
    ["Keel", "metal", [[289, 690]]],
    [
      "Rail",
      "metal",
      [
        [163, 549],
        [1017, 549],
      ],
    ],
    [
      "Saloon",
      "metal",
      [
        [561, 463],
        [413, 386],
      ],
    ],
    [
      "Roofs",
      "metal",
      [
        [319, 414],
        [395, 306],
      ],
    ],
    [
      "Windows",
      "glass",
      [
        [386, 478],
        [482, 478],
        [446, 357],
      ],
    ],
    [
      "Portholes",
      "glass",
      [
        [299, 613],
        [389, 613],
        [479, 613],
        [860, 613],
        [950, 612],
      ],
    ],
    [
      "Funnel",
      "metal",
      [
        [639, 215],
        [670, 339],
      ],
    ],
    ["Funnel band", "metal", [[641, 260]]],
    [
      "Wheel box",
      "metal",
      [
        [653, 490],
        [646, 556],
        [694, 556],
        [615, 583],
        [724, 583],
      ],
    ],
    ["Key", "metal", [[1091, 616]]],
    ["Mast", "metal", [[209, 242]]],
    ["Flag", "cloth", [[249, 280]]],
    ["Smoke", "other", [[730, 143]]],
    ["Sun", "other", [[1013, 151]]],
    ["Sea", "other", [[77, 740]]],
    ["Quay", "other", TILES],
    ["Bollard", "metal", [[1095, 741]]],
    ["Sky", "other", [[1046, 380]]],
  ]),
};
