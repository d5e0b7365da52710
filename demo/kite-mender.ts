import { unplanned, type DemoPiece } from "./pieces";

/** In the order of colouring; the last areas are left for the visitor to plan. */
export const kiteMender: DemoPiece = {
  name: "The Kite Mender",
  art: "kite-mender",
  paper: 0,
  sheet: { width: 210, height: 148 },
  width: 162,
  scene: "warm",
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
    },
    {
      name: "Kite paper",
      at: [[303, 793]],
      material: "other",
      picks: { light: [180, 690], local: [340, 616], shadow: [372, 838] },
      kept: true,
      pencil: 7,
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
    },
    {
      name: "Table",
      at: [
        [100, 900],
        [448, 775],
      ],
      material: "wood",
      picks: { light: [90, 890], local: [620, 900], shadow: [1140, 966] },
      kept: false,
    },
    {
      name: "Sea",
      at: [
        [161, 398],
        [340, 399],
      ],
      material: "other",
      picks: { local: [150, 470] },
      kept: false,
    },
    ...unplanned([
      [
        "Wall",
        "other",
        [
          [832, 122],
          [445, 654],
          [940, 771],
          [455, 698],
        ],
      ],
      [
        "Sky",
        "other",
        [
          [161, 161],
          [340, 163],
        ],
      ],
      [
        "Window frame",
        "wood",
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
      ],
      ["Collar", "cloth", [[644, 464]]],
      ["Lamp glass", "glass", [[1007, 560]]],
      ["Patch", "cloth", [[332, 668]]],
      ["Shelf", "wood", [[898, 276]]],
      [
        "Jar and books",
        "other",
        [
          [980, 213],
          [953, 175],
          [1070, 223],
          [1101, 191],
        ],
      ],
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
