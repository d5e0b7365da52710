"use strict";

// core/algebra/median.ts
var median = (values) => quantile(values, 0.5);
function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}

// core/colour/ciede2000.ts
var RAD = Math.PI / 180;
var POW25_7 = 25 ** 7;
var saturation = (c) => {
  const c7 = c ** 7;
  return Math.sqrt(c7 / (c7 + POW25_7));
};
var lightnessWeight = (L) => {
  const l50 = (L - 50) * (L - 50);
  return 1 + 0.015 * l50 / Math.sqrt(20 + l50);
};
var chromaWeight = (C) => 1 + 0.045 * C;
var hueWeight = (C, T) => 1 + 0.015 * C * T;
var hueTerm = (h) => 1 - 0.17 * Math.cos(h - 30 * RAD) + 0.24 * Math.cos(2 * h) + 0.32 * Math.cos(3 * h + 6 * RAD) - 0.2 * Math.cos(4 * h - 63 * RAD);
var STEEPEST_HUE_TERM = 0.17 + 2 * 0.24 + 3 * 0.32 + 4 * 0.2;
var redStretch = (C) => 1.5 - 0.5 * saturation(C);
var rotation = (C, from275) => 2 * saturation(C) * Math.sin(60 * RAD * Math.exp(-((from275 / 25) ** 2)));

// core/colour/delta-e00.ts
var RAD2 = Math.PI / 180;
var OPPOSITE = Math.PI + 1e-12;
var fullTurn = (h) => h < 0 ? h + 2 * Math.PI : h >= 2 * Math.PI ? h - 2 * Math.PI : h;
function deltaE00(first, second) {
  return deltaE00Of(first[0], first[1], first[2], second[0], second[1], second[2]);
}
function deltaE00Of(L1, a1, b1, L2, a2, b2) {
  const meanC = (Math.sqrt(a1 * a1 + b1 * b1) + Math.sqrt(a2 * a2 + b2 * b2)) / 2;
  const g = redStretch(meanC);
  const A1 = a1 * g;
  const A2 = a2 * g;
  const C1 = Math.sqrt(A1 * A1 + b1 * b1);
  const C2 = Math.sqrt(A2 * A2 + b2 * b2);
  const h1 = C1 === 0 ? 0 : fullTurn(Math.atan2(b1, A1));
  const h2 = C2 === 0 ? 0 : fullTurn(Math.atan2(b2, A2));
  const bothChromatic = C1 * C2 !== 0;
  let dh = h2 - h1;
  if (dh > OPPOSITE) dh -= 2 * Math.PI;
  else if (dh < -OPPOSITE) dh += 2 * Math.PI;
  if (!bothChromatic) dh = 0;
  const h = bothChromatic ? fullTurn(h1 + dh / 2) : h1 + h2;
  const dL = L2 - L1;
  const dC = C2 - C1;
  const dH = 2 * Math.sqrt(C1 * C2) * Math.sin(dh / 2);
  const L = (L1 + L2) / 2;
  const C = (C1 + C2) / 2;
  const SL = lightnessWeight(L);
  const SC = chromaWeight(C);
  const SH = hueWeight(C, hueTerm(h));
  const RT = -rotation(C, h / RAD2 - 275);
  const l = dL / SL;
  const c = dC / SC;
  const hh = dH / SH;
  return Math.sqrt(Math.max(0, l * l + c * c + hh * hh + RT * c * hh));
}

// core/colour/cie.ts
var EPSILON = 216 / 24389;
var KAPPA = 24389 / 27;
var TURN = 6 / 29;
var compress = (t) => t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
var compressSlope = (t) => t > EPSILON ? 1 / (3 * Math.cbrt(t) ** 2) : KAPPA / 116;
var expand = (f) => f > TURN ? f * f * f : (116 * f - 16) / KAPPA;

// core/colour/cie-1931-10nm.json
var cie_1931_10nm_default = {
  source: "CIE 1931 2 degree standard observer and CIE illuminants D65, D50 and A (CIE 015:2018), 36 bands, 380-730 nm every 10 nm",
  wavelengths: [380, 390, 400, 410, 420, 430, 440, 450, 460, 470, 480, 490, 500, 510, 520, 530, 540, 550, 560, 570, 580, 590, 600, 610, 620, 630, 640, 650, 660, 670, 680, 690, 700, 710, 720, 730],
  xbar: [1368e-6, 4243e-6, 0.01431, 0.04351, 0.13438, 0.2839, 0.34828, 0.3362, 0.2908, 0.19536, 0.09564, 0.03201, 49e-4, 93e-4, 0.06327, 0.1655, 0.2904, 0.43345, 0.5945, 0.7621, 0.9163, 1.0263, 1.0622, 1.0026, 0.85445, 0.6424, 0.4479, 0.2835, 0.1649, 0.0874, 0.04677, 0.0227, 0.011359, 579e-5, 2899e-6, 144e-5],
  ybar: [39e-6, 12e-5, 396e-6, 121e-5, 4e-3, 0.0116, 0.023, 0.038, 0.06, 0.09098, 0.13902, 0.20802, 0.323, 0.503, 0.71, 0.862, 0.954, 0.99495, 0.995, 0.952, 0.87, 0.757, 0.631, 0.503, 0.381, 0.265, 0.175, 0.107, 0.061, 0.032, 0.017, 821e-5, 4102e-6, 2091e-6, 1047e-6, 52e-5],
  zbar: [645e-5, 0.02005, 0.06785, 0.2074, 0.6456, 1.3856, 1.74706, 1.77211, 1.6692, 1.28764, 0.81295, 0.46518, 0.272, 0.1582, 0.07825, 0.04216, 0.0203, 875e-5, 39e-4, 21e-4, 165e-5, 11e-4, 8e-4, 34e-5, 19e-5, 5e-5, 2e-5, 0, 0, 0, 0, 0, 0, 0, 0, 0],
  d65: [49.9755, 54.6482, 82.7549, 91.486, 93.4318, 86.6823, 104.865, 117.008, 117.812, 114.861, 115.923, 108.811, 109.354, 107.802, 104.79, 107.689, 104.405, 104.046, 100, 96.3342, 95.788, 88.6856, 90.0062, 89.5991, 87.6987, 83.2886, 83.6992, 80.0268, 80.2146, 82.2778, 78.2842, 69.7213, 71.6091, 74.349, 61.604, 69.8856],
  d50: [24.49, 29.87, 49.31, 56.51, 60.03, 57.82, 74.82, 87.25, 90.61, 91.37, 95.11, 91.96, 95.72, 96.61, 97.13, 102.1, 100.75, 102.32, 100, 97.74, 98.92, 93.5, 97.69, 99.27, 99.04, 95.72, 98.86, 95.67, 98.19, 103, 99.13, 87.38, 91.6, 92.89, 76.85, 86.51],
  a: [9.7951, 12.0853, 14.708, 17.6753, 20.995, 24.6709, 28.7027, 33.0859, 37.8121, 42.8693, 48.2423, 53.9132, 59.8611, 66.0635, 72.4959, 79.1326, 85.947, 92.912, 100, 107.1838, 114.4363, 121.7312, 129.0427, 136.3463, 143.6182, 150.8362, 157.9792, 165.0275, 171.9629, 178.7686, 185.4293, 191.9309, 198.2612, 204.409, 210.3646, 216.1196]
};

// core/colour/observer.ts
var BANDS = 36;
var power = { D65: cie_1931_10nm_default.d65, D50: cie_1931_10nm_default.d50, A: cie_1931_10nm_default.a };
function weightsFor(illuminant) {
  const light = power[illuminant];
  const total = light.reduce((sum2, p, i) => sum2 + p * cie_1931_10nm_default.ybar[i], 0);
  const weigh = (bar) => Float64Array.from(bar, (v, i) => v * light[i] / total);
  const [x, y, z] = [weigh(cie_1931_10nm_default.xbar), weigh(cie_1931_10nm_default.ybar), weigh(cie_1931_10nm_default.zbar)];
  const sum = (s) => s.reduce((a, b) => a + b, 0);
  return { x, y, z, white: [sum(x), sum(y), sum(z)] };
}
var known = /* @__PURE__ */ new Map();
function tristimulusWeights(illuminant = "D65") {
  const found = known.get(illuminant) ?? weightsFor(illuminant);
  known.set(illuminant, found);
  return found;
}
function reflectanceToXyz(reflectance2, w = tristimulusWeights()) {
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0; i < BANDS; i++) {
    const r = reflectance2[i];
    X += w.x[i] * r;
    Y += w.y[i] * r;
    Z += w.z[i] * r;
  }
  return [X, Y, Z];
}

// core/colour/lab.ts
function xyzToLab([X, Y, Z], white = tristimulusWeights().white) {
  const fx = compress(X / white[0]);
  const fy = compress(Y / white[1]);
  const fz = compress(Z / white[2]);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}
function labToXyz([L, a, b], white = tristimulusWeights().white) {
  const fy = (L + 16) / 116;
  return [expand(fy + a / 500) * white[0], expand(fy) * white[1], expand(fy - b / 200) * white[2]];
}

// core/colour/lab-of.ts
function labOf(reflectance2, illuminant = "D65") {
  const w = tristimulusWeights(illuminant);
  return xyzToLab(reflectanceToXyz(reflectance2, w), w.white);
}

// core/progress.ts
function finish(work) {
  for (; ; ) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
function* part(work, from, share) {
  for (; ; ) {
    const step = work.next();
    if (step.done) return step.value;
    yield from + share * step.value;
  }
}

// core/algebra/invert.ts
function invert(matrix, n) {
  const a = matrix.slice();
  const inverse = new Float64Array(n * n);
  for (let i = 0; i < n; i++) inverse[i * n + i] = 1;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]) > Math.abs(a[pivot * n + c])) pivot = r;
    const p = a[pivot * n + c];
    if (p === 0) throw new RangeError("a singular matrix has no inverse");
    for (const m of [a, inverse])
      for (let j = 0; j < n; j++) {
        const held = m[c * n + j];
        m[c * n + j] = m[pivot * n + j] / p;
        if (pivot !== c) m[pivot * n + j] = held;
      }
    for (let r = 0; r < n; r++) {
      const f = a[r * n + c];
      if (r === c || f === 0) continue;
      for (let j = 0; j < n; j++) {
        a[r * n + j] -= f * a[c * n + j];
        inverse[r * n + j] -= f * inverse[c * n + j];
      }
    }
  }
  return inverse;
}

// core/algebra/solve.ts
var LEAST_PIVOT = 1e-12;
function solve(a, b) {
  const n = b.length;
  for (let c = 0; c < n; c++) {
    let p = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]) > Math.abs(a[p * n + c])) p = r;
    if (p !== c) {
      for (let j = c; j < n; j++) [a[c * n + j], a[p * n + j]] = [a[p * n + j], a[c * n + j]];
      [b[c], b[p]] = [b[p], b[c]];
    }
    const d = a[c * n + c] || LEAST_PIVOT;
    for (let r = c + 1; r < n; r++) {
      const f = a[r * n + c] / d;
      if (f === 0) continue;
      for (let j = c; j < n; j++) a[r * n + j] -= f * a[c * n + j];
      b[r] -= f * b[c];
    }
  }
  for (let c = n - 1; c >= 0; c--) {
    for (let j = c + 1; j < n; j++) b[c] -= a[c * n + j] * b[j];
    b[c] /= a[c * n + c] || LEAST_PIVOT;
  }
  return b;
}

// core/ink/kubelka-munk.ts
var absorbance = (ri) => (1 - ri) * (1 - ri) / (2 * ri);
var reflectance = (q) => 1 / (1 + q + Math.sqrt(q * (q + 2)));

// core/ink/smooth.ts
var RIDGE = 1e-3;
var diagonal = (i) => (i === 0 || i === BANDS - 1 ? 1 : 2) + RIDGE;
var pivots = new Float64Array(BANDS);
for (let i = 0; i < BANDS; i++) pivots[i] = 1 / (diagonal(i) - (i ? pivots[i - 1] : 0));
function carryAlong(rows) {
  for (let at = 0; at < rows.length; at += BANDS) {
    for (let i = 1; i < BANDS; i++) rows[at + i] += rows[at + i - 1] * pivots[i - 1];
    rows[at + BANDS - 1] *= pivots[BANDS - 1];
    for (let i = BANDS - 2; i >= 0; i--) rows[at + i] = (rows[at + i] + rows[at + i + 1]) * pivots[i];
  }
  return rows;
}
function smoothestMeeting(jacobian, wanted, variance) {
  const m = wanted.length;
  const js = carryAlong(jacobian.slice());
  const gram = new Float64Array(m * m);
  for (let r = 0; r < m; r++)
    for (let c = 0; c <= r; c++) {
      let dot = 0;
      for (let i = 0; i < 36; i++) dot += js[r * 36 + i] * jacobian[c * 36 + i];
      gram[r * m + c] = gram[c * m + r] = dot;
    }
  for (let r = 0; r < m; r++) gram[r * m + r] += variance[r] + 1e-12;
  const weights = solve(gram, wanted.slice());
  const z = new Float64Array(36);
  for (let r = 0; r < m; r++) for (let i = 0; i < 36; i++) z[i] += weights[r] * js[r * 36 + i];
  return z;
}

// core/ink/reconstruct.ts
var MOST_STEPS = 60;
var LONGEST_STEP = 1.5;
var EXACT = 1e-8;
function solveSmooth(goal, base, illuminant) {
  const w = tristimulusWeights(illuminant);
  const bars2 = [w.x, w.y, w.z];
  const z = new Float64Array(BANDS);
  const jacobian = new Float64Array(3 * BANDS);
  const wanted = new Float64Array(3);
  const exact = new Float64Array(3);
  for (let step = 0; step < MOST_STEPS; step++) {
    let worst = 0;
    for (let c = 0; c < 3; c++) {
      let sum = 0;
      let jz = 0;
      for (let i = 0; i < BANDS; i++) {
        const t = Math.tanh(z[i]);
        const weight = bars2[c][i] * base[i] / 2;
        const slope = weight * (1 - t * t);
        jacobian[c * BANDS + i] = slope;
        sum += weight * (t + 1);
        jz += slope * z[i];
      }
      wanted[c] = goal[c] - sum + jz;
      worst = Math.max(worst, Math.abs(goal[c] - sum));
    }
    if (worst < EXACT) return Float64Array.from(z, (v, i) => base[i] * (Math.tanh(v) + 1) / 2);
    const next = smoothestMeeting(jacobian, wanted, exact);
    let longest = 0;
    for (let i = 0; i < BANDS; i++) longest = Math.max(longest, Math.abs(next[i] - z[i]));
    if (!Number.isFinite(longest) || longest > 1e4) return void 0;
    const share = Math.min(1, LONGEST_STEP / longest);
    for (let i = 0; i < BANDS; i++) z[i] += share * (next[i] - z[i]);
  }
  return void 0;
}
function reconstructReflectance(lab, base, illuminant = "D65") {
  if (!(lab[0] >= 0 && lab[0] <= 100)) throw new RangeError(`lightness must lie in 0\u2013100, not ${lab[0]}`);
  const lit = tristimulusWeights(illuminant);
  const { white } = lit;
  const attempt = (l) => solveSmooth(labToXyz(l, white), base, illuminant);
  const direct = attempt(lab);
  if (direct) return { reflectance: direct, clamped: false, lab };
  const ceiling = xyzToLab(reflectanceToXyz(base, lit), white);
  const lightness = Math.min(Math.max(lab[0], 0.5), ceiling[0] - 0.5);
  const anchor = [
    lightness,
    ceiling[1] * lightness / ceiling[0],
    ceiling[2] * lightness / ceiling[0]
  ];
  const towards = (t) => [
    lightness,
    anchor[1] + t * (lab[1] - anchor[1]),
    anchor[2] + t * (lab[2] - anchor[2])
  ];
  let low = 0;
  let high = 1;
  let best = attempt(towards(0));
  for (let i = 0; i < 18; i++) {
    const mid = (low + high) / 2;
    const found = attempt(towards(mid));
    if (found) {
      best = found;
      low = mid;
    } else high = mid;
  }
  return { reflectance: best ?? Float64Array.from(base, (r) => r * 1e-3), clamped: true, lab: towards(low) };
}

// core/ink/saunderson.ts
var FLOOR = 1e-6;
var outside = (ri, { k1, k2 }) => k1 + (1 - k1) * (1 - k2) * ri / (1 - k2 * ri);
function inside(r, { k1, k2 }) {
  const ri = (r - k1) / ((1 - k1) * (1 - k2) + k2 * (r - k1));
  return Math.min(1, Math.max(FLOOR, ri));
}

// core/ink/paper.ts
var DEFAULT_LIFTING = { dry: 0.02, wet: 0.05, blender: 0.45 };
var DEFAULT_FIT = {
  k1: 0.028,
  k2: 0.35,
  depth: 1.3,
  uptake: [1, 1.75, 2.35, 2.85],
  crowding: 0.9,
  lifting: DEFAULT_LIFTING.dry,
  wetLifting: DEFAULT_LIFTING.wet
};
function makePaper(lab, fit = DEFAULT_FIT, illuminant = "D65") {
  const full2 = new Float64Array(BANDS).fill(1);
  const { reflectance: reflectance2, clamped } = reconstructReflectance(lab, full2, illuminant);
  return refit({ lab, illuminant, reflectance: reflectance2, clamped }, fit);
}
var MOST_SURFACE = 0.9;
function refit(paper, fit) {
  const { lab, illuminant, reflectance: reflectance2, clamped } = paper;
  const darkest = reflectance2.reduce((least, r) => Math.min(least, r), 1);
  const own = { ...fit, k1: Math.min(fit.k1, MOST_SURFACE * darkest) };
  const bare = Float64Array.from(reflectance2, (r) => Math.min(inside(r, own), 0.999));
  return { lab, illuminant, reflectance: reflectance2, clamped, bare, absorbance: bare.map(absorbance), fit: own };
}
function uptakeOf({ uptake }, coats) {
  if (coats <= 0) return 0;
  const known2 = uptake[coats - 1];
  if (known2 !== void 0) return known2;
  const last = uptake.length - 1;
  if (last < 2) return coats;
  const gain = uptake[last] - uptake[last - 1];
  const ratio = Math.min(0.98, Math.max(0.5, gain / (uptake[last - 1] - uptake[last - 2])));
  let sum = uptake[last];
  for (let n = last + 1, step = gain * ratio; n < coats; n++, step *= ratio) sum += step;
  return sum;
}

// core/colour/display.ts
var import_fn = require("culori/fn");
for (const mode of [import_fn.modeRgb, import_fn.modeLrgb, import_fn.modeXyz65, import_fn.modeLab65, import_fn.modeLch65]) (0, import_fn.useMode)(mode);
var toLab65 = (0, import_fn.converter)("lab65");
var toRgb = (0, import_fn.converter)("rgb");
function hexToLab(hex) {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) return void 0;
  const lab = toLab65((0, import_fn.parse)(hex));
  return lab && [lab.l, lab.a, lab.b];
}
var HALF_LEVEL = 0.5 / 255;
var SAME = 1;
var intoGamut = (0, import_fn.toGamut)("rgb", "lch65", (0, import_fn.differenceCiede2000)(), SAME);

// core/colour/rgb.ts
var PRIMARIES = [
  [0.64, 0.33],
  [0.3, 0.6],
  [0.15, 0.06]
];
var rowsOf = (m) => [0, 3, 6].map((r) => [m[r], m[r + 1], m[r + 2]]);
var applyMatrix = (m, [x, y, z]) => [
  m[0][0] * x + m[0][1] * y + m[0][2] * z,
  m[1][0] * x + m[1][1] * y + m[1][2] * z,
  m[2][0] * x + m[2][1] * y + m[2][2] * z
];
function primaryMatrix(white) {
  const columns = PRIMARIES.map(([x, y]) => [x / y, 1, (1 - x - y) / y]);
  const plain = Float64Array.from({ length: 9 }, (_, i) => columns[i % 3][Math.floor(i / 3)]);
  const strength = applyMatrix(rowsOf(invert(plain, 3)), white);
  return plain.map((v, i) => v * strength[i % 3]);
}
var toXyz = primaryMatrix(tristimulusWeights("D65").white);
var RGB_TO_XYZ = rowsOf(toXyz);
var XYZ_TO_RGB = rowsOf(invert(toXyz, 3));
var linearOf = (level) => {
  const v = level / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
};
var LINEAR = Float64Array.from({ length: 256 }, (_, i) => linearOf(i));

// core/ink/reading.ts
function hexReading(hex) {
  const lab = hexToLab(hex);
  if (!lab) return void 0;
  const end = (at) => {
    const level = Number.parseInt(hex.slice(at, at + 2), 16);
    return level === 0 ? -1 : level === 255 ? 1 : 0;
  };
  const clipping = [end(1), end(3), end(5)];
  return clipping.some((c) => c !== 0) ? { lab, clipping } : { lab };
}
function wantedColour(reading, predicted) {
  const { clipping, lab } = reading;
  if (!clipping) return lab;
  const read = applyMatrix(XYZ_TO_RGB, labToXyz(lab));
  const found = applyMatrix(XYZ_TO_RGB, labToXyz(predicted));
  const wanted = read.map(
    (v, i) => clipping[i] < 0 ? Math.min(v, found[i]) : clipping[i] > 0 ? Math.max(v, found[i]) : v
  );
  return xyzToLab(applyMatrix(RGB_TO_XYZ, wanted));
}

// core/ink/film.ts
function filmReflectance(q, depth, behind) {
  const deep = reflectance(q);
  const fade = Math.exp(-2 * depth * Math.sqrt(q * (q + 2)));
  const up = 1 / deep - behind;
  const down = (behind - deep) * fade;
  return (deep * up + down / deep) / (up + down);
}

// core/ink/sheet.ts
var sheetReflectance = ({ fit, absorbance: absorbance2, bare }, band, added) => outside(filmReflectance(absorbance2[band] + added, fit.depth, bare[band]), fit);
var inkedLab = (paper, added) => blendedLab(paper, added, added, 0);
function blendedLab(paper, first, second, t) {
  const { x, y, z, white } = tristimulusWeights(paper.illuminant);
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0; i < BANDS; i++) {
    const r = sheetReflectance(paper, i, (1 - t) * first[i] + t * second[i]);
    X += x[i] * r;
    Y += y[i] * r;
    Z += z[i] * r;
  }
  return xyzToLab([X, Y, Z], white);
}

// core/ink/fit-ink.ts
var RESTING_Z = -2;
var SPREAD_FIRST = 0.5;
var SPREAD_FURTHER = 1.2;
var LONGEST_STEP2 = 2;
var RIDGE2 = 1e-3;
var USUAL_HUE_TERM = 0.9;
function differenceRows(lab) {
  const c = Math.hypot(lab[1], lab[2]) || 1e-9;
  const [cos, sin] = [lab[1] / c, lab[2] / c];
  const [sl, sc, sh] = [lightnessWeight(lab[0]), chromaWeight(c), hueWeight(c, USUAL_HUE_TERM)];
  return [
    [1 / sl, 0, 0],
    [0, cos / sc, sin / sc],
    [0, -sin / sh, cos / sh]
  ];
}
function weighInk(z, coats, paper, residual, slopes) {
  const w = tristimulusWeights(paper.illuminant);
  const { fit } = paper;
  const change = new Float64Array(BANDS);
  let cost = 0;
  for (let n = 0; n < coats.length; n++) {
    const u = uptakeOf(fit, n + 1);
    let X = 0;
    let Y = 0;
    let Z = 0;
    for (let i = 0; i < 36; i++) {
      const k = Math.exp(z[i]) * u;
      const r = sheetReflectance(paper, i, k);
      X += w.x[i] * r;
      Y += w.y[i] * r;
      Z += w.z[i] * r;
      if (slopes) change[i] = (sheetReflectance(paper, i, 1.001 * k) - r) * 1e3;
    }
    const lab = xyzToLab([X, Y, Z], w.white);
    const wanted = wantedColour(coats[n], lab);
    const spread = n ? SPREAD_FURTHER : SPREAD_FIRST;
    const dx = compressSlope(X / w.white[0]) / w.white[0];
    const dy = compressSlope(Y / w.white[1]) / w.white[1];
    const dz = compressSlope(Z / w.white[2]) / w.white[2];
    differenceRows(wanted).forEach(([sl, sa, sb], row) => {
      const at = n * 3 + row;
      const r = (sl * (wanted[0] - lab[0]) + sa * (wanted[1] - lab[1]) + sb * (wanted[2] - lab[2])) / spread;
      residual[at] = r;
      cost += r * r;
      if (!slopes) return;
      const [kx, ky, kz] = [
        500 * sa * dx / spread,
        (116 * sl - 500 * sa + 200 * sb) * dy / spread,
        -200 * sb * dz / spread
      ];
      for (let i = 0; i < 36; i++)
        slopes[at * 36 + i] = change[i] * (kx * w.x[i] + ky * w.y[i] + kz * w.z[i]);
    });
  }
  for (let i = 0; i < 36; i++) {
    if (i) cost += (z[i] - z[i - 1]) ** 2;
    cost += RIDGE2 * (z[i] - RESTING_Z) ** 2;
  }
  return cost;
}
function fitInkSpectrum(coats, paper, start, steps = 14) {
  if (!coats.length) throw new RangeError("an ink needs the reading of at least one coat");
  const rows = coats.length * 3;
  let z = start ?? new Float64Array(BANDS).fill(RESTING_Z);
  const slopes = new Float64Array(rows * BANDS);
  const residual = new Float64Array(rows);
  const trialResidual = new Float64Array(rows);
  const wanted = new Float64Array(rows);
  const unit = new Float64Array(rows).fill(1);
  let cost = weighInk(z, coats, paper, residual, slopes);
  for (let step = 0; step < steps; step++) {
    for (let r = 0; r < rows; r++) {
      let sum = residual[r];
      for (let i = 0; i < 36; i++) sum += slopes[r * 36 + i] * (z[i] - RESTING_Z);
      wanted[r] = sum;
    }
    const goal = smoothestMeeting(slopes, wanted, unit);
    let longest = 0;
    for (let i = 0; i < 36; i++) longest = Math.max(longest, Math.abs(goal[i] + RESTING_Z - z[i]));
    let share = Math.min(1, LONGEST_STEP2 / longest);
    let better;
    for (let attempt = 0; attempt < 4 && !better; attempt++, share /= 3) {
      const trial = Float64Array.from(z, (v, i) => v + share * (goal[i] + RESTING_Z - v));
      if (weighInk(trial, coats, paper, trialResidual) < cost) better = trial;
    }
    if (!better) break;
    z = better;
    const before = cost;
    cost = weighInk(z, coats, paper, residual, slopes);
    if (before - cost < 1e-3 * cost) break;
  }
  return { z, residual, slopes, cost };
}
var spectrumOf = (fit) => Float64Array.from(fit.z, Math.exp);

// core/ink/fit-paper.ts
var logit = (p) => Math.log(p / (1 - p));
var [, U2, U3] = DEFAULT_FIT.uptake;
var EXPECTED = [
  Math.log(DEFAULT_FIT.k1),
  logit(DEFAULT_FIT.k2),
  Math.log(U2 - 1),
  Math.log((U3 - U2) / (U2 - 1)),
  Math.log(DEFAULT_FIT.depth)
];
var PRIOR_SPREAD = [0.4, 0.4, 0.4, 0.4, 1.2];
var UNKNOWNS = EXPECTED.length;
var CROWDING_SHARE = 0.5;
var OUTLIER = 40;
var ENOUGH = 90;
var MOST_ROUNDS = 15;
var SMALL = 1e-3;
function fitOf(x) {
  const second = Math.exp(x[2]);
  const third = second * Math.exp(x[3]);
  const uptake = [1, 1 + second, 1 + second + third];
  const depth = Math.exp(x[4]);
  const base = {
    ...DEFAULT_FIT,
    k1: Math.exp(x[0]),
    k2: 1 / (1 + Math.exp(-x[1])),
    depth,
    uptake
  };
  const loss = 1 - Math.log(uptake[1]) / Math.LN2;
  return {
    ...base,
    crowding: Math.min(1, Math.max(0.5, 1 - CROWDING_SHARE * loss)),
    uptake: [...uptake, uptakeOf(base, 4)]
  };
}
var priorCost = (x) => x.reduce((sum, v, k) => sum + ((v - EXPECTED[k]) / PRIOR_SPREAD[k]) ** 2, 0);
var AT_ONCE = 12;
function* settle(x, sheet, inks, before) {
  const paper = refit(sheet, fitOf(x));
  const fits = [];
  for (const [i, coats] of inks.entries()) {
    fits.push(fitInkSpectrum(coats, paper, before?.[i]?.z, before ? 3 : 12));
    if (i % AT_ONCE === AT_ONCE - 1) yield i / inks.length;
  }
  return { x, fits, cost: fits.reduce((sum, f) => sum + Math.min(f.cost, OUTLIER), priorCost(x)) };
}
function stepOf({ x, fits }, sheet, inks, damping) {
  const normal2 = new Float64Array(UNKNOWNS * UNKNOWNS);
  const right = new Float64Array(UNKNOWNS);
  x.forEach((v, k) => {
    normal2[k * UNKNOWNS + k] += 1 / PRIOR_SPREAD[k] ** 2;
    right[k] += (EXPECTED[k] - v) / PRIOR_SPREAD[k] ** 2;
  });
  const nudged = x.map((_, k) => refit(sheet, fitOf(x.map((v, j) => j === k ? v + SMALL : v))));
  fits.forEach((f, n) => {
    if (f.cost > OUTLIER) return;
    const m = f.residual.length;
    const trust = invert(readingSpread(f), m);
    const open = f.residual.map((v, r) => {
      let sum = v;
      for (let i = 0; i < BANDS; i++) sum += f.slopes[r * BANDS + i] * (f.z[i] - RESTING_Z);
      return sum;
    });
    const moved = nudged.map((paper) => {
      const residual = new Float64Array(m);
      weighInk(f.z, inks[n], paper, residual);
      return residual.map((v, r) => (f.residual[r] - v) / SMALL);
    });
    const trusted = moved.map(
      (row) => row.map((_, c) => row.reduce((sum, v, r) => sum + v * trust[r * m + c], 0))
    );
    const dot = (a, b) => a.reduce((sum, v, i) => sum + v * b[i], 0);
    trusted.forEach((row, a) => {
      moved.forEach((column, b) => normal2[a * UNKNOWNS + b] += dot(row, column));
      right[a] += dot(row, open);
    });
  });
  for (let k = 0; k < UNKNOWNS; k++) normal2[k * UNKNOWNS + k] *= 1 + damping;
  return Array.from(solve(normal2, right));
}
function readingSpread({ slopes, residual }) {
  const m = residual.length;
  const out = new Float64Array(m * m);
  const carried = carryAlong(slopes.slice());
  for (let r = 0; r < m; r++)
    for (let c = 0; c < m; c++) {
      let dot = r === c ? 1 : 0;
      for (let i = 0; i < 36; i++) dot += carried[r * 36 + i] * slopes[c * 36 + i];
      out[r * m + c] = dot;
    }
  return out;
}
function telling(inks) {
  const full2 = inks.filter((c) => c.length > 1);
  const stride = Math.max(1, full2.length / ENOUGH);
  return Array.from({ length: Math.min(ENOUGH, full2.length) }, (_, i) => full2[Math.floor(i * stride)]);
}
var PAPER_SHARE = 0.7;
function* fittingPaper(lab, inks, illuminant = "D65") {
  const sheet = makePaper(lab, DEFAULT_FIT, illuminant);
  const used = telling(inks);
  const share = PAPER_SHARE / (MOST_ROUNDS + 1);
  let state = yield* part(settle(EXPECTED, sheet, used), 0, share);
  let damping = 0.01;
  for (let round = 0; used.length && round < MOST_ROUNDS && damping < 1e4; round++) {
    const step = stepOf(state, sheet, used, damping);
    const nudged = state.x.map((v, k) => v + Math.max(-0.7, Math.min(0.7, step[k])));
    const next = yield* part(settle(nudged, sheet, used, state.fits), (round + 1) * share, share);
    if (!(next.cost < state.cost)) {
      damping *= 8;
      continue;
    }
    const gain = state.cost - next.cost;
    state = next;
    damping /= 5;
    if (gain < 0.05) break;
  }
  const paper = refit(sheet, fitOf(state.x));
  const spectra = [];
  for (const [i, coats] of inks.entries()) {
    spectra.push(spectrumOf(fitInkSpectrum(coats, paper)));
    if (i % AT_ONCE === AT_ONCE - 1) yield PAPER_SHARE + (1 - PAPER_SHARE) * i / inks.length;
  }
  return { paper, inks: spectra, residual: medianResidual(paper, inks, spectra) };
}
function medianResidual(paper, inks, spectra) {
  const errors = inks.flatMap(
    (coats, n) => coats.map((reading, c) => {
      const found = inkedLab(
        paper,
        spectra[n].map((k) => k * uptakeOf(paper.fit, c + 1))
      );
      return deltaE00(found, wantedColour(reading, found));
    })
  );
  return errors.length ? median(errors) : 0;
}

// core/ink/dose.ts
var doseOfK = (k, { crowding }) => power2(k, 1 / crowding);
var kOfDose = (dose, { crowding }) => power2(dose, crowding);
var power2 = (x, p) => p === 1 ? x : x > 0 ? Math.exp(p * Math.log(x)) : 0;

// core/ink/weights.ts
function uptakeAt(fit, coats) {
  const whole = Math.floor(coats);
  const part2 = coats - whole;
  return uptakeOf(fit, whole) + (part2 ? part2 * (uptakeOf(fit, whole + 1) - uptakeOf(fit, whole)) : 0);
}
var liftingOf = (fit, wet) => wet ? fit.wetLifting : fit.lifting;
function passWeights(coats, fit) {
  const held = [];
  const left = [];
  let [total, sum] = [0, 0];
  for (const pass of coats) {
    const amount = Math.min(1, pass.coats);
    const stays = 1 - fit.lifting * amount;
    const seen = pass.wet ? 1 - Math.max(0, liftingOf(fit, true) - fit.lifting) * amount : 1;
    sum = sum * stays + pass.coats;
    for (let i = 0; i < held.length; i++) {
      held[i] *= stays;
      left[i] *= seen;
    }
    held.push(pass.coats);
    left.push(1);
    total += pass.coats;
  }
  if (sum <= 0) return held;
  const taken = doseOfK(uptakeAt(fit, total), fit) / sum;
  return held.map((h, i) => h * left[i] * taken);
}
var A_COAT = { coats: 1, wet: false };
var coatWeights = (n, fit) => passWeights(Array(n).fill(A_COAT), fit);

// core/ink/stack.ts
function stackAbsorbance(coats, fit) {
  const out = new Float64Array(BANDS);
  const weights = coatWeights(coats.length, fit);
  for (let i = 0; i < BANDS; i++) {
    let dose = 0;
    for (let j = 0; j < coats.length; j++) dose += weights[j] * doseOfK(coats[j][i], fit);
    out[i] = kOfDose(dose, fit);
  }
  return out;
}
var stackLab = (paper, coats) => inkedLab(paper, stackAbsorbance(coats, paper.fit));

// core/ink/desk.ts
var keyOf = (stack) => stack.join();
function* layingDesk(paper, inks) {
  const fitted = yield* fittingPaper(
    paper,
    inks.map((i) => i.coats)
  );
  return {
    paper: fitted.paper,
    inks: inks.map((ink, i) => ({ ...ink, spectrum: fitted.inks[i] })),
    residual: fitted.residual
  };
}
var layDesk = (paper, inks) => finish(layingDesk(paper, inks));
var absorbanceOf = (desk, stack) => stackAbsorbance(
  stack.map((i) => desk.inks[i].spectrum),
  desk.paper.fit
);
var LEAST_K = 1e-3;
var logOf = (added) => added.map((k) => Math.log(k + LEAST_K));
var leanOf = ({ overlays }, added) => overlays ? overlays.lean.shift(logOf(added)) : [0, 0, 0];
function seenLab(desk, stack) {
  if (!stack.length) return desk.paper.lab;
  const overlay = desk.overlays?.seen.get(keyOf(stack));
  if (overlay) return overlay;
  const one = new Set(stack).size === 1;
  const reading = one ? desk.inks[stack[0]].coats[stack.length - 1] : void 0;
  if (reading && !reading.clipping) return reading.lab;
  if (one || !desk.overlays)
    return stackLab(
      desk.paper,
      stack.map((i) => desk.inks[i].spectrum)
    );
  const added = absorbanceOf(desk, stack);
  const [L, a, b] = inkedLab(desk.paper, added);
  const [dL, da, db] = leanOf(desk, added);
  return [Math.min(100, Math.max(0, L + dL)), a + da, b + db];
}

// sim/random.ts
function seeded(seed) {
  let state = seed >>> 0;
  return () => {
    state = state + 1831565813 >>> 0;
    let t = state;
    t = Math.imul(t ^ t >>> 15, t | 1);
    t ^= t + Math.imul(t ^ t >>> 7, t | 61);
    return ((t ^ t >>> 14) >>> 0) / 4294967296;
  };
}
function normal(random) {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

// sim/demo-range.ts
var all = [1, 2, 3, 4, 5, 6, 7, 8, 9];
var families = {
  rose: {
    dyes: { magenta: 0.9, orange: 0.12 },
    dull: { earth: 0.4, cyan: 0.18 },
    start: 0.012,
    growth: 1.62,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [1, 2, 3, 5, 7] }
  },
  ruby: {
    dyes: { scarlet: 0.95, magenta: 0.22, orange: 0.55, yellow: 0.3, carbon: 0.035 },
    dull: { carbon: 0.3, violet: 0.1 },
    start: 0.015,
    growth: 1.78,
    depths: { c: [2, 4, 5, 6, 7, 8, 9], m: [3, 5, 8], d: [4, 6, 9] }
  },
  rust: {
    dyes: { scarlet: 0.6, yellow: 0.5 },
    dull: { carbon: 0.32 },
    start: 0.014,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [3, 4, 6, 7, 9], d: [5, 8] }
  },
  clay: {
    dyes: { orange: 0.5, magenta: 0.3 },
    dull: { earth: 0.5, cyan: 0.2 },
    start: 0.011,
    growth: 1.56,
    depths: { c: [1, 2, 3, 4, 5, 6], m: [1, 2, 3, 4, 5, 6, 7, 8, 9], d: [3, 5, 7, 8] }
  },
  corn: {
    dyes: { yellow: 1, orange: 0.1 },
    dull: { earth: 0.35, violet: 0.12 },
    start: 0.016,
    growth: 1.58,
    depths: { c: [1, 2, 3, 4, 5, 6, 8], m: [2, 4, 5, 7] }
  },
  sand: {
    dyes: { yellow: 0.5, orange: 0.28, carbon: 0.1 },
    dull: { carbon: 0.4, magenta: 0.12 },
    start: 0.011,
    growth: 1.52,
    depths: { c: [1, 2, 3, 4, 5, 6], m: [1, 2, 3, 4, 5, 6, 8], d: [4, 6] }
  },
  bark: {
    dyes: { earth: 0.9, orange: 0.3, carbon: 0.22 },
    dull: { carbon: 0.6 },
    start: 85e-4,
    growth: 1.68,
    depths: { c: [1, 3, 4, 5, 6, 7], m: [2, 3, 4, 5, 6, 7, 8, 9], d: [5, 7, 8, 9] }
  },
  reed: {
    dyes: { lemon: 0.85, leaf: 0.22 },
    dull: { earth: 0.4, magenta: 0.1 },
    start: 0.014,
    growth: 1.57,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [2, 3, 4, 5, 7], d: [6, 8] }
  },
  fern: {
    dyes: { leaf: 0.8, lemon: 0.25 },
    dull: { scarlet: 0.2, carbon: 0.2 },
    start: 0.013,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [2, 3, 4, 5, 6, 7, 9], d: [5, 8] }
  },
  tarn: {
    dyes: { turquoise: 0.9, leaf: 0.15 },
    dull: { carbon: 0.35, scarlet: 0.08 },
    start: 0.013,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [2, 4, 5, 6, 8, 9], d: [4, 7] }
  },
  lake: {
    dyes: { cyan: 0.9, ultramarine: 0.22 },
    dull: { carbon: 0.4, orange: 0.06 },
    start: 0.013,
    growth: 1.62,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [1, 2, 3, 5, 6, 8, 9] }
  },
  dusk: {
    dyes: { ultramarine: 0.75, violet: 0.35 },
    dull: { carbon: 0.4 },
    start: 0.012,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7, 8], m: [1, 2, 3, 4, 6, 9], d: [5, 7] }
  },
  plum: {
    dyes: { violet: 0.7, magenta: 0.42 },
    dull: { carbon: 0.4, earth: 0.1 },
    start: 0.012,
    growth: 1.6,
    depths: { c: [1, 2, 3, 4, 5, 6, 7], m: [1, 2, 4, 5, 6, 7, 9], d: [4, 8] }
  },
  flax: {
    dyes: { yellow: 0.35, orange: 0.3, magenta: 0.08 },
    dull: { earth: 0.25, cyan: 0.05 },
    start: 9e-3,
    growth: 1.45,
    depths: { c: [1, 2, 3, 4, 5], m: [1, 2, 3, 4, 5, 6] }
  },
  tide: {
    dyes: { carbon: 0.85, ultramarine: 0.22, cyan: 0.1 },
    dull: { ultramarine: 0.3, violet: 0.1 },
    start: 65e-4,
    growth: 1.68,
    depths: { c: all, m: [2, 3, 5, 7] }
  },
  soot: {
    dyes: { carbon: 1.1, earth: 0.12 },
    dull: { earth: 0.3, orange: 0.08 },
    start: 55e-4,
    growth: 1.86,
    depths: { c: all, m: [2, 3, 4, 6, 8] }
  }
};
var DULLNESS = { c: 0, m: 0.55, d: 1.15 };
var BATCH_SPREAD = 0.12;
function mix(family, depth, clarity, random) {
  const strength = family.start * family.growth ** (depth - 1);
  const out = {};
  const add = (part2, scale) => {
    for (const [dye, share] of Object.entries(part2))
      out[dye] = (out[dye] ?? 0) + strength * share * scale * (1 + BATCH_SPREAD * (2 * random() - 1));
  };
  add(family.dyes, 1);
  if (clarity !== "c") add(family.dull, DULLNESS[clarity]);
  return out;
}
function demoRange(seed = 1) {
  const random = seeded(seed);
  return Object.entries(families).flatMap(
    ([family, f]) => Object.entries(f.depths).flatMap(
      ([clarity, depths2]) => depths2.map((depth) => ({
        code: `${family}${depth}${clarity}`,
        family,
        depth,
        clarity,
        recipe: mix(f, depth, clarity, random)
      }))
    )
  );
}
function strangeInks(count, seed) {
  const random = seeded(seed);
  const names = [
    "lemon",
    "yellow",
    "orange",
    "scarlet",
    "magenta",
    "violet",
    "ultramarine",
    "cyan",
    "turquoise",
    "leaf",
    "earth",
    "carbon"
  ];
  return Array.from({ length: count }, (_, i) => {
    const recipe = {};
    const strength = 0.012 * 45 ** random();
    const parts = 1 + Math.floor(random() * 3);
    for (let p = 0; p < parts; p++)
      recipe[names[Math.floor(random() * names.length)]] = strength * (p ? 0.5 * random() : 1);
    return { code: `ink${i + 1}`, family: "ink", depth: 1, clarity: "c", recipe };
  });
}

// sim/observer.ts
var STEP_NM = 5;
var SAMPLES = 71;
var wavelength = (i) => 380 + STEP_NM * i;
var between = (table) => (i) => i % 2 ? (table[(i - 1) / 2] + table[(i + 1) / 2]) / 2 : table[i / 2];
var bars = [cie_1931_10nm_default.xbar, cie_1931_10nm_default.ybar, cie_1931_10nm_default.zbar].map(between);
var daylight = between(cie_1931_10nm_default.d65);
var full = Array.from({ length: SAMPLES }, (_, i) => daylight(i) * bars[1](i)).reduce((a, b) => a + b, 0);
function look(reflectance2) {
  const out = [0, 0, 0];
  for (let i = 0; i < SAMPLES; i++)
    for (let c = 0; c < 3; c++) out[c] += reflectance2[i] * daylight(i) * bars[c](i) / full;
  return out;
}

// sim/paper-stock.ts
var pile = (count, first, growth) => Array.from({ length: count }, (_, i) => first * growth ** i);
var whiteCard = {
  name: "Smooth white card",
  slabs: pile(22, 1.6, 1.16),
  scatter: 0.11,
  scatterSlope: 0.25,
  tint: [
    [400, 40, 6e-4],
    [600, 300, 12e-5]
  ],
  sinkDepth: 11,
  sinkGrowth: 0.12,
  push: 0.16,
  wash: 0.5,
  flow: 1.1,
  creep: 0.06,
  thirst: 0.96,
  gloss: 0.026,
  innerReflection: 0.42
};
var warmToned = {
  name: "Warm toned paper",
  slabs: pile(22, 1.9, 1.16),
  scatter: 0.085,
  scatterSlope: 0.15,
  tint: [
    [390, 75, 0.02],
    [480, 90, 75e-4],
    [620, 320, 22e-4]
  ],
  sinkDepth: 16,
  sinkGrowth: 0.08,
  push: 0.2,
  wash: 0.38,
  flow: 1.8,
  creep: 0.11,
  thirst: 0.93,
  gloss: 0.02,
  innerReflection: 0.36
};
var thinMarker = {
  name: "Thin marker paper",
  slabs: pile(18, 1.5, 1.14),
  scatter: 0.13,
  scatterSlope: 0.3,
  tint: [
    [395, 38, 4e-4],
    [610, 300, 2e-4]
  ],
  sinkDepth: 8,
  sinkGrowth: 0.05,
  push: 0.12,
  wash: 0.58,
  flow: 0.6,
  creep: 0.03,
  thirst: 0.92,
  gloss: 0.03,
  innerReflection: 0.44
};

// sim/dyes.ts
var dyes = {
  lemon: [[412, 34, 26, 1]],
  yellow: [[436, 44, 30, 1]],
  orange: [
    [478, 46, 30, 1],
    [390, 30, 30, 0.25]
  ],
  scarlet: [
    [508, 44, 30, 1],
    [400, 28, 40, 0.3]
  ],
  magenta: [
    [552, 40, 22, 1],
    [516, 22, 22, 0.55],
    [385, 20, 30, 0.18]
  ],
  violet: [
    [588, 46, 28, 1],
    [548, 26, 26, 0.5]
  ],
  ultramarine: [
    [618, 52, 34, 1],
    [570, 30, 30, 0.45]
  ],
  cyan: [
    [672, 46, 34, 1],
    [616, 30, 30, 0.55],
    [392, 20, 26, 0.12]
  ],
  turquoise: [
    [642, 50, 40, 1],
    [415, 22, 30, 0.2]
  ],
  leaf: [
    [652, 46, 38, 1],
    [432, 34, 34, 0.85]
  ],
  earth: [
    [420, 60, 90, 1],
    [530, 70, 90, 0.42]
  ],
  carbon: [
    [470, 110, 120, 0.72],
    [640, 110, 120, 0.8]
  ]
};
var bell = (nm, [centre, blueward, redward, strength]) => strength * Math.exp(-(((nm - centre) / (nm < centre ? blueward : redward)) ** 2) / 2);
function absorption(recipe) {
  const out = new Float64Array(SAMPLES);
  for (const [name, amount] of Object.entries(recipe))
    for (const band of dyes[name])
      for (let i = 0; i < SAMPLES; i++) out[i] += amount * bell(wavelength(i), band);
  return out;
}

// sim/sheet.ts
function depths(stock) {
  let top = 0;
  return stock.slabs.map((t) => (top += t) - t / 2);
}
function soak(stock, sink) {
  const share = depths(stock).map((z, i) => Math.exp(-z / sink) * stock.slabs[i]);
  const total = share.reduce((a, b) => a + b, 0);
  return share.map((s) => s / total);
}
var BLENDER = "blender";
function wash(stain, stock) {
  const loosened = push(stain, { ...stock, push: Math.min(0.6, 2.2 * stock.push) });
  const z = depths(stock);
  return loosened.map(
    (slab, k) => slab.map((v) => v * (1 - stock.wash * Math.exp(-z[k] / (2.5 * stock.sinkDepth))))
  );
}
function push(stain, stock) {
  const moved = stain.map((s) => new Float64Array(s));
  const z = depths(stock);
  for (let from = 0; from < stain.length - 1; from++) {
    const loose = stock.push * Math.exp(-z[from] / stock.sinkDepth);
    const to = Math.min(stain.length - 1, from + 3);
    const thickness = stock.slabs[from] / stock.slabs[to];
    for (let i = 0; i < SAMPLES; i++) {
      const dye = stain[from][i] * loose;
      moved[from][i] -= dye;
      moved[to][i] += dye * thickness;
    }
  }
  return moved;
}
function plate(scatter, absorb, thickness) {
  const survive = Math.exp(-2 * absorb * thickness);
  const bounce = scatter * thickness / (1 + scatter * thickness);
  return [bounce * Math.sqrt(survive), (1 - bounce) * survive];
}
var WET_PUSH = 1.7;
var colourSheet = (stock, coats) => layOnSheet(
  stock,
  coats.map((ink) => ({ ink, coats: 1, wet: false }))
);
var bareStain = (stock) => stock.slabs.map(() => new Float64Array(SAMPLES));
function loosen(stain, stock, { ink, coats, wet }, before) {
  if (ink === BLENDER) return wash(stain, stock);
  const loosened = Math.min(0.6, stock.push * Math.min(1, coats) * (wet ? WET_PUSH : 1));
  return before > 0 ? push(stain, { ...stock, push: loosened }) : stain;
}
function freshDye(stock, { ink, coats }, before) {
  if (ink === BLENDER) return bareStain(stock);
  const dye = absorption(ink);
  const share = soak(stock, stock.sinkDepth * (1 + stock.sinkGrowth * before));
  const volume = coats * stock.thirst ** before * 10;
  return share.map((s, k) => dye.map((d) => volume * s / stock.slabs[k] * d));
}
var together = (a, b) => a.map((slab, k) => slab.map((v, i) => v + b[k][i]));
var coatsOf = ({ ink, coats }) => ink === BLENDER ? 1 : coats;
function layOnSheet(stock, passes) {
  let stain = bareStain(stock);
  let before = 0;
  for (const pass of passes) {
    stain = together(loosen(stain, stock, pass, before), freshDye(stock, pass, before));
    before += coatsOf(pass);
  }
  return seenThrough(stock, stain);
}
function seenThrough(stock, stain) {
  const out = new Float64Array(SAMPLES);
  for (let i = 0; i < SAMPLES; i++) {
    const nm = wavelength(i);
    const scatter = stock.scatter * (550 / nm) ** stock.scatterSlope;
    const paper = stock.tint.reduce((sum, [c, w, h]) => sum + h * Math.exp(-(((nm - c) / w) ** 2) / 2), 0);
    let below = 0.8;
    for (let k = stock.slabs.length - 1; k >= 0; k--) {
      const [r, t] = plate(scatter, paper + stain[k][i], stock.slabs[k]);
      below = r + t * t * below / (1 - r * below);
    }
    const { gloss, innerReflection } = stock;
    out[i] = gloss + (1 - gloss) * (1 - innerReflection) * below / (1 - innerReflection * below);
  }
  return out;
}

// sim/scanner.ts
var MATRIX = [
  [3.2406, -1.5372, -0.4986],
  [-0.9689, 1.8758, 0.0415],
  [0.0557, -0.204, 1.057]
];
var encode = (v) => v <= 31308e-7 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055;
var NOISE = 0.35;
function scan(reflectance2, random) {
  const xyz = look(reflectance2);
  const bytes = MATRIX.map((row) => {
    const linear = row[0] * xyz[0] + row[1] * xyz[1] + row[2] * xyz[2];
    const level = encode(Math.min(1, Math.max(0, linear))) * 255 + NOISE * normal(random);
    return Math.min(255, Math.max(0, Math.round(level)));
  });
  return `#${bytes.map((b) => b.toString(16).padStart(2, "0")).join("")}`;
}

// fixtures/scanned-desk.ts
function scanInks(stock, inks, seed) {
  const random = seeded(seed);
  const read = (coats) => scan(
    colourSheet(
      stock,
      coats.map((c) => c.recipe)
    ),
    random
  );
  const measured = inks.map((ink) => ({
    code: ink.code,
    coats: [1, 2, 3].map((n) => hexReading(read(Array(n).fill(ink))))
  }));
  return [hexToLab(read([])), measured];
}

// scripts/zz-spec.ts
var papers = [
  whiteCard,
  warmToned,
  { ...whiteCard, name: "deep", sinkDepth: 25, push: 0.05 },
  { ...whiteCard, name: "plate", sinkDepth: 6, push: 0.1 },
  { ...whiteCard, name: "soon", thirst: 0.9 }
];
var NOISE2 = Number(process.env.NOISE ?? 1e-3);
var every = (r, random) => Float64Array.from({ length: 36 }, (_, i) => Math.max(5e-4, r[2 * i] + NOISE2 * normal(random)));
var logit2 = (p) => Math.log(p / (1 - p));
var E = [Math.log(0.028), logit2(0.35), Math.log(0.75), Math.log(0.6 / 0.75), Math.log(1.3), logit2((0.9 - 0.5) / 0.6)];
var SP = [0.4, 0.4, 0.4, 0.4, 1.2, 1];
var fitOf2 = (x) => {
  const second = Math.exp(x[2]), third = second * Math.exp(x[3]);
  const uptake = [1, 1 + second, 1 + second + third];
  const base = { ...DEFAULT_FIT, k1: Math.exp(x[0]), k2: 1 / (1 + Math.exp(-x[1])), depth: Math.exp(x[4]), uptake };
  const loss = 1 - Math.log(uptake[1]) / Math.LN2;
  return { ...base, crowding: process.env.CROWD ? Number(process.env.CROWD) : Math.min(1, Math.max(0.5, 1 - Number(process.env.SH ?? 0.5) * loss)), uptake: [...uptake, uptakeOf(base, 4)] };
};
function invertK(paper, band, R) {
  let lo = -12, hi = 8;
  for (let s = 0; s < 40; s++) {
    const m = (lo + hi) / 2;
    if (sheetReflectance(paper, band, Math.exp(m)) > R) lo = m;
    else hi = m;
  }
  return (lo + hi) / 2;
}
var SIG = Number(process.env.SIG ?? 0.6);
var Lof = (r) => 116 * Math.cbrt(Math.max(1e-6, r)) - 16;
function inkOf(paper, coats) {
  const z = new Float64Array(36);
  const res = [];
  for (let i = 0; i < 36; i++) {
    let sw = 0, s = 0;
    coats.forEach((c, n) => {
      const lk = invertK(paper, i, c[i]);
      const up = sheetReflectance(paper, i, Math.exp(lk) * 1.01), at = sheetReflectance(paper, i, Math.exp(lk));
      const slope = (Lof(up) - Lof(at)) / 0.01;
      const w = slope * slope / (n ? 4 : 1) + 1e-9;
      sw += w;
      s += w * (lk - Math.log(uptakeOf(paper.fit, n + 1)));
    });
    z[i] = s / sw;
    coats.forEach((c, n) => res.push((Lof(sheetReflectance(paper, i, Math.exp(z[i]) * uptakeOf(paper.fit, n + 1))) - Lof(c[i])) / (SIG * (n ? 2 : 1))));
  }
  return { z, res };
}
function fitSpectral(sheet, inks) {
  let x = E.slice(0, 5);
  const step = 0.02;
  const all2 = (x2) => {
    const p = refit(sheet, fitOf2(x2));
    return inks.flatMap((c) => inkOf(p, c).res);
  };
  const pri = (x2) => x2.map((v, k) => (v - E[k]) / SP[k]);
  let r = [...all2(x), ...pri(x)];
  let lam = 0.01;
  let cost = r.reduce((a, b) => a + b * b, 0);
  for (let it = 0; it < 15; it++) {
    const J = x.map((_, k) => {
      const y2 = x.slice();
      y2[k] += step;
      const q2 = [...all2(y2), ...pri(y2)];
      return q2.map((v, i) => (v - r[i]) / step);
    });
    const n = x.length;
    const A = Array.from({ length: n }, (_, a) => Array.from({ length: n }, (_2, b) => J[a].reduce((s, v, i) => s + v * J[b][i], 0) * (a === b ? 1 + lam : 1)));
    const g = J.map((row) => -row.reduce((s, v, i) => s + v * r[i], 0));
    for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) {
      const f = A[j][i] / A[i][i];
      for (let k = i; k < n; k++) A[j][k] -= f * A[i][k];
      g[j] -= f * g[i];
    }
    const d = new Array(n).fill(0);
    for (let i = n - 1; i >= 0; i--) {
      let s = g[i];
      for (let k = i + 1; k < n; k++) s -= A[i][k] * d[k];
      d[i] = s / A[i][i];
    }
    const y = x.map((v, k) => v + Math.max(-0.7, Math.min(0.7, d[k])));
    const q = [...all2(y), ...pri(y)];
    const c = q.reduce((a, b) => a + b * b, 0);
    if (c < cost) {
      const gain = cost - c;
      x = y;
      r = q;
      cost = c;
      lam /= 5;
      if (gain < 1e-3 * cost) break;
    } else {
      lam *= 8;
      if (lam > 1e4) break;
    }
  }
  return { x, fit: fitOf2(x), rms: Math.sqrt(cost / r.length) * SIG };
}
for (const stock of papers) for (const [nm, inks] of [["demo", demoRange()], ["strange", strangeInks(120, 5)]]) {
  const random = seeded(5);
  const desk = layDesk(...scanInks(stock, inks, 31));
  const bare = every(colourSheet(stock, []), random);
  const coats = inks.map((k) => [1, 2, 3].map((n) => every(colourSheet(stock, Array(n).fill(k.recipe)), random)));
  const sheet = { ...desk.paper, reflectance: bare, lab: labOf(bare) };
  const some = coats.filter((_, i) => i % Math.ceil(coats.length / 60) === 0);
  const t = performance.now();
  const f = fitSpectral(sheet, some);
  const ms = performance.now() - t;
  const mk = (fit) => {
    const paper = refit(sheet, fit);
    return { paper, inks: inks.map((k, i) => ({ code: k.code, coats: [{ lab: labOf(coats[i][0]) }], spectrum: inkOf(paper, coats[i]).z.map(Math.exp) })), residual: 0 };
  };
  const same = mk(desk.paper.fit), own = mk(f.fit);
  const crowds = [0.95, 1].map((c) => mk({ ...f.fit, crowding: c }));
  const rnd = seeded(77);
  const out = [];
  for (const n of [2, 3]) {
    const errs = [[], [], [], ...crowds.map(() => [])];
    for (let k = 0; k < 300; k++) {
      const picks = Array.from({ length: n }, () => Math.floor(rnd() * inks.length));
      const truth = xyzToLab(look(colourSheet(stock, picks.map((i) => inks[i].recipe))));
      [desk, same, own, ...crowds].forEach((d, j) => errs[j].push(deltaE00(truth, j ? stackLab(d.paper, picks.map((i) => d.inks[i].spectrum)) : seenLab(d, picks))));
    }
    out.push(errs.map((e) => `${quantile(e, 0.5).toFixed(2)}/${quantile(e, 0.95).toFixed(2)}`).join(" "));
  }
  console.log(stock.name, nm, "rms", f.rms.toFixed(2), "k1", f.fit.k1.toFixed(3), "k2", f.fit.k2.toFixed(2), "u", f.fit.uptake.map((v) => v.toFixed(2)).join(), "depth", f.fit.depth.toFixed(2), "crowd", f.fit.crowding.toFixed(2), Math.round(ms) + "ms\n   ", out.join("   |   "));
}
