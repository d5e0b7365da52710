import { given, unplanned, type DemoPiece } from "./pieces";

/** In the order of colouring, lit from the window; the last two areas are left for the visitor to plan. */
export const kiteMender: DemoPiece = {
  name: "The Kite Mender",
  art: "kite-mender",
  paper: 0,
  sheet: { width: 210, height: 148 },
  width: 162,
  scene: "warm",
  light: { main: { from: 292, height: 38, behind: false, strength: 1 }, softness: 0.35 },
  areas: [
    {
      name: "Skin",
      at: [
        [609, 366],
        [443, 619],
        [418, 718],
      ],
      material: "skin",
      picks: { light: [557, 300], local: [602, 405], shadow: [648, 438] },
      kept: true,
      shadow: "underlay",
      hints: ["cool hint", "warm hint"],
      form: { height: 0.9 },
      note: "Blush after the skin is dry.",
    },
    {
      name: "Hair",
      at: [
        [664, 253],
        [757, 259],
        [709, 478],
      ],
      material: "hair",
      picks: { light: [588, 214], local: [658, 292], shadow: [722, 352] },
      kept: true,
      note: "Roots dark, highlight across the growth.",
      form: {
        height: 0.95,
        growth: {
          strokes: [
            [
              [575, 250],
              [600, 205],
              [660, 185],
              [730, 215],
              [765, 250],
            ],
            [
              [590, 262],
              [650, 240],
              [720, 262],
              [752, 285],
            ],
            [
              [600, 285],
              [660, 300],
              [712, 340],
              [735, 380],
            ],
            [
              [730, 390],
              [720, 440],
              [728, 520],
              [728, 600],
              [724, 680],
            ],
          ],
          partings: [],
          gathered: [
            [762, 300],
            [730, 385],
            [728, 665],
          ],
          band: 0.8,
        },
      },
    },
    {
      name: "Kite paper",
      at: [[303, 793]],
      material: "other",
      picks: { light: [180, 690], local: [340, 616], shadow: [372, 838] },
      kept: true,
      pencil: 7,
      pencilAlone: true,
      form: { height: 0.3, stands: 1.6 },
    },
    {
      name: "Shawl",
      at: [
        [843, 736],
        [593, 773],
        [471, 651],
      ],
      material: "cloth",
      picks: { light: [520, 540], local: [590, 770], shadow: [886, 720] },
      kept: true,
      note: "Wool: leave the strokes visible.",
      form: {
        kind: "folded",
        height: 0.75,
        creases: [
          [
            [560, 560],
            [670, 640],
            [690, 760],
            [650, 870],
          ],
          [
            [760, 500],
            [810, 620],
            [810, 760],
            [760, 900],
          ],
        ],
      },
    },
    {
      name: "Sleeves",
      at: [
        [581, 666],
        [503, 606],
        [467, 620],
        [461, 595],
      ],
      material: "cloth",
      picks: { light: [536, 652], local: [520, 690], shadow: [586, 716] },
      kept: true,
    },
    {
      name: "Brass lamp",
      at: [
        [1007, 733],
        [987, 656],
      ],
      material: "metal",
      picks: { light: [950, 706], local: [1010, 720], shadow: [1084, 828] },
      kept: true,
      form: { height: 1, shine: 0.55 },
      finish: [
        {
          code: "gel white",
          place: "light",
          marks: [
            { kind: "spark", points: [[0.8175, 0.7188]], width: 1 },
            {
              kind: "line",
              points: [
                [0.831, 0.6667],
                [0.8315, 0.6607],
                [0.8315, 0.6523],
                [0.8315, 0.6463],
              ],
              width: 0.4,
            },
          ],
        },
      ],
    },
    {
      name: "Table",
      at: [
        [100, 900],
        [448, 775],
      ],
      material: "wood",
      picks: { light: [90, 890], local: [620, 900], shadow: [1140, 966] },
      kept: true,
      form: { kind: "tube", axis: 8, height: 0.3 },
    },
    {
      name: "Sea",
      at: [
        [161, 398],
        [340, 399],
      ],
      material: "other",
      picks: { local: [150, 470] },
      kept: true,
      form: { kind: "tube", axis: 0, height: 0.35 },
    },
    given(
      "Wall",
      "other",
      ["#f0e6d6", "#d8ccb9", "#a39482"],
      [
        [832, 122],
        [445, 654],
        [940, 771],
        [455, 698],
      ],
      { form: { kind: "tube", axis: 70, height: 0.25, takes: 0.5 } },
    ),
    given(
      "Sky",
      "other",
      ["#eaf3f5", "#c4dde8", "#a0c2d6"],
      [
        [161, 161],
        [340, 163],
      ],
      { form: { kind: "tube", axis: 0, height: 0.3, takes: 0.3 }, school: "layered" },
    ),
    given(
      "Window frame",
      "wood",
      ["#d9b78c", "#b48c62", "#7a583b"],
      [
        [74, 74],
        [250, 94],
        [94, 310],
        [272, 310],
        [52, 556],
        [317, 556],
        [45, 582],
        [339, 582],
      ],
      { form: { height: 0.35 } },
    ),
    given("Collar", "white cloth", ["#f7f4ee", "#e2dfda", "#b9b8bd"], [[644, 464]]),
    given("Lamp glass", "glass", ["#f6f6ee", "#e6e2c8", "#c2b98e"], [[1007, 560]], {
      form: { height: 1, shine: 0.6 },
      finish: [
        {
          code: "gel white",
          place: "light",
          marks: [
            {
              kind: "line",
              points: [
                [0.8261, 0.5517],
                [0.8269, 0.5447],
                [0.8275, 0.5344],
                [0.8279, 0.5274],
              ],
              width: 0.5,
            },
          ],
        },
      ],
    }),
    given("Patch", "cloth", ["#f4efe2", "#e2d6bd", "#b8a684"], [[332, 668]], { form: { height: 0.3 } }),
    given("Shelf", "wood", ["#c79f73", "#a87f57", "#6f4f36"], [[898, 276]], { form: { height: 0.3 } }),
    given(
      "Jar and books",
      "other",
      ["#b4c3d8", "#7f93b5", "#3f5072"],
      [
        [980, 213],
        [953, 175],
        [1070, 223],
        [1101, 191],
      ],
      { form: { kind: "tube", axis: 90 } },
    ),
    ...unplanned([
      ["Spool", "wood", [[669, 889]]],
      [
        "Bows",
        "cloth",
        [
          [473, 962],
          [433, 961],
          [593, 967],
          [632, 966],
          [793, 972],
          [754, 974],
        ],
      ],
    ]),
  ],
};
