import type { Point } from "@/core/algebra/point";
import { given, type DemoPiece } from "./pieces";

/** Middles of the quay's tiles: rows of whole ones, every second row shifted by half. */
const TILES = [850, 910, 970].flatMap((y, row) =>
  Array.from({ length: row % 2 ? 11 : 10 }, (_, i): Point => [
    row % 2 ? Math.min(1170, Math.max(30, 120 * i)) : 60 + 120 * i,
    y,
  ]),
);

/** Stamped, flat shapes, metal; photographed on the table, set up, every colour given by hand. */
export const tinFerry: DemoPiece = {
  name: "Tin Ferry",
  art: "tin-ferry",
  paper: 0,
  sheet: { width: 210, height: 148 },
  width: 162,
  photo: true,
  halfDone: true,
  scene: "neutral",
  light: { main: { from: 45, height: 40, behind: false, strength: 1 }, softness: 0.25 },
  areas: [
    given(
      "Hull",
      "metal",
      ["#8fbbd4", "#3f7fa6", "#1f4764"],
      [
        [231, 608],
        [1005, 644],
      ],
      { form: { kind: "tube", axis: 0, height: 0.9, shine: 0.45 } },
    ),
    given("Keel", "metal", ["#e0805f", "#b8492f", "#6f2a22"], [[289, 690]], {
      form: { kind: "tube", axis: 0, height: 0.8 },
    }),
    given(
      "Rail",
      "metal",
      ["#eceff0", "#b9bcbd", "#76797d"],
      [
        [163, 549],
        [1017, 549],
      ],
      { form: { kind: "tube", axis: 0, height: 1, shine: 0.5 } },
    ),
    given(
      "Saloon",
      "metal",
      ["#fbf3df", "#ecdfbf", "#c0ac82"],
      [
        [561, 463],
        [413, 386],
      ],
      { form: { height: 0.35 } },
    ),
    given(
      "Roofs",
      "metal",
      ["#b3c4ba", "#7d8f86", "#4d5c56"],
      [
        [319, 414],
        [395, 306],
      ],
      { form: { kind: "tube", axis: 0, height: 0.9 } },
    ),
    given(
      "Windows",
      "glass",
      ["#d7e8ee", "#9dbfcd", "#5f889b"],
      [
        [386, 478],
        [482, 478],
        [446, 357],
      ],
      { form: { height: 0.5, shine: 0.5 } },
    ),
    given(
      "Portholes",
      "glass",
      ["#eef4f4", "#b9d2da", "#7597a4"],
      [
        [299, 613],
        [389, 613],
        [479, 613],
        [860, 613],
        [950, 612],
      ],
      { form: { height: 1, shine: 0.6 } },
    ),
    given(
      "Funnel",
      "metal",
      ["#ee9a7c", "#cf5a41", "#7d2c22"],
      [
        [639, 215],
        [670, 339],
      ],
      { form: { kind: "tube", axis: 90, height: 1, shine: 0.35 } },
    ),
    given("Funnel band", "metal", ["#f8f2e2", "#e3d9bf", "#aa9c7d"], [[641, 260]], {
      form: { kind: "tube", axis: 90, height: 1 },
    }),
    given(
      "Wheel box",
      "metal",
      ["#f2d78f", "#d9b25c", "#93712f"],
      [
        [653, 490],
        [646, 556],
        [694, 556],
        [615, 583],
        [724, 583],
      ],
      { form: { height: 0.8, shine: 0.4 } },
    ),
    given("Key", "metal", ["#eed58c", "#c9a14a", "#7d6022"], [[1091, 616]], {
      form: { height: 0.9, shine: 0.6 },
    }),
    given("Mast", "metal", ["#c9c7c2", "#8d8a84", "#514f4c"], [[209, 242]], {
      form: { kind: "tube", axis: 90 },
    }),
    given("Flag", "cloth", ["#e58a72", "#b6503f", "#702c26"], [[249, 280]], { form: { height: 0.6 } }),
    given("Smoke", "other", ["#f4f2ee", "#d8d6d1", "#a3a2a3"], [[730, 143]], {
      form: { height: 0.9, stands: 0 },
    }),
    given("Sun", "other", ["#fbe8b8", "#f1d08c", "#d3a04f"], [[1013, 151]], {
      form: { height: 0.9, stands: 0 },
    }),
    given("Sea", "other", ["#a6c9d0", "#639aa8", "#356472"], [[77, 740]], {
      form: { kind: "tube", axis: 0, height: 0.35, takes: 0.8 },
    }),
    given("Quay", "other", ["#d3ccbd", "#a89f90", "#6f675c"], TILES, { form: { height: 0.3 } }),
    given("Bollard", "metal", ["#94918c", "#5d5b58", "#33323a"], [[1095, 741]], {
      form: { kind: "tube", axis: 90, height: 1 },
    }),
    given("Sky", "other", ["#e6f0f2", "#c8dde4", "#a2c2cf"], [[1046, 380]], {
      form: { kind: "tube", axis: 0, height: 0.3, takes: 0 },
      school: "layered",
    }),
  ],
};
