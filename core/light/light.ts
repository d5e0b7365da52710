/** A unit vector: right, down, and towards the eye. */
export type Direction = readonly [x: number, y: number, z: number];

/** Where light comes from. */
export interface Lamp {
  /** Side that it comes from, degrees clockwise from above the picture: 0 top, 90 right, 180 below, 270 left. */
  readonly from: number;
  /** Degrees from the picture's plane: 0 rakes along it, 90 stands straight before it, or straight behind. */
  readonly height: number;
  /** It stands behind what is drawn: rims are pale and middles dark. */
  readonly behind: boolean;
  /** 0–1. */
  readonly strength: number;
}

/** The light of a piece, and what it does. */
export interface LightPlan {
  readonly main: Lamp;
  readonly second: Lamp | null;
  /** 0 a bare bulb, 1 an overcast sky: how far light reaches round a form. */
  readonly softness: number;
  /** Shade on what something passes before. */
  readonly shade: {
    /** 0–1. */
    readonly strength: number;
    /** How far it reaches, mm. */
    readonly length: number;
    /** 0 a hard edge, 1 all fading. */
    readonly softness: number;
  };
  /** Share of the values that comes from the reference at hand, 0–1. */
  readonly fromReference: number;
}

export const DEFAULT_LIGHT: LightPlan = {
  main: { from: 315, height: 45, behind: false, strength: 1 },
  second: null,
  softness: 0.4,
  shade: { strength: 0.5, length: 5, softness: 0.7 },
  fromReference: 0,
};

/** A second light as it starts: weak, and across from the first. */
export const secondLight = ({ from, height }: Lamp): Lamp => ({
  from: (from + 180) % 360,
  height: Math.max(10, height - 20),
  behind: false,
  strength: 0.35,
});

/** The moon behind the figure: a rim that glows. */
export const moonBehind = ({ from }: Lamp): Lamp => ({ from, height: 60, behind: true, strength: 0.7 });

const RADIANS = Math.PI / 180;

/** Towards the lamp. */
export function lampDirection({ from, height, behind }: Lamp): Direction {
  const [turn, up] = [from * RADIANS, height * RADIANS];
  return [Math.sin(turn) * Math.cos(up), -Math.cos(turn) * Math.cos(up), (behind ? -1 : 1) * Math.sin(up)];
}

/** How narrow the rim of a hard light from behind is, as a power. */
const RIM = 3;

/**
 * Light (0–1) that a surface gives back: Lambert's cosine, wrapped round the form by the light's softness (a common stand-in for broad lights;
 * at 0 it is Lambert's law). From behind it is the share of the way from the middle, which faces the eye, to the rim nearest the lamp.
 */
export function litBy(n: Direction, lamp: Direction, behind: boolean, softness: number): number {
  const cos = n[0] * lamp[0] + n[1] * lamp[1] + n[2] * lamp[2];
  if (!behind) return Math.min(1, Math.max(0, (cos + softness) / (1 + softness)));
  const rim = (cos + 1) / (1 + Math.hypot(lamp[0], lamp[1]));
  return Math.max(0, rim) ** (1 + RIM * (1 - softness));
}
