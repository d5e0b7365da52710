import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { DEFAULT_FIT, refit, uptakeOf, type Paper, type PaperFit } from "@/core/ink/paper";
import { sheetReflectance } from "@/core/ink/sheet";
import { stackLab } from "@/core/ink/stack";
import { demoRange, strangeInks } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { warmToned, whiteCard } from "@/sim/paper-stock";
import { seeded, normal } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { scanInks } from "@/fixtures/scanned-desk";

const papers = [whiteCard, warmToned,
  { ...whiteCard, name: "deep", sinkDepth: 25, push: 0.05 },
  { ...whiteCard, name: "plate", sinkDepth: 6, push: 0.1 },
  { ...whiteCard, name: "soon", thirst: 0.9 }];
const NOISE = Number(process.env.NOISE ?? 0.001);
const every = (r: ArrayLike<number>, random: () => number) => Float64Array.from({ length: 36 }, (_, i) => Math.max(0.0005, r[2 * i]! + NOISE * normal(random)));

const logit = (p: number) => Math.log(p / (1 - p));
const E = [Math.log(0.028), logit(0.35), Math.log(0.75), Math.log(0.6 / 0.75), Math.log(1.3), logit((0.9 - 0.5) / 0.6)];
const SP = [0.4, 0.4, 0.4, 0.4, 1.2, 1];
const fitOf = (x: number[]): PaperFit => {
  const second = Math.exp(x[2]!), third = second * Math.exp(x[3]!);
  const uptake = [1, 1 + second, 1 + second + third];
  const base = { ...DEFAULT_FIT, k1: Math.exp(x[0]!), k2: 1 / (1 + Math.exp(-x[1]!)), depth: Math.exp(x[4]!), uptake };
  const loss = 1 - Math.log(uptake[1]!) / Math.LN2;
  return { ...base, crowding: process.env.CROWD ? Number(process.env.CROWD) : Math.min(1, Math.max(0.5, 1 - Number(process.env.SH ?? 0.5) * loss)), uptake: [...uptake, uptakeOf(base as any, 4)] };
};
function invertK(paper: Paper, band: number, R: number): number {
  let lo = -12, hi = 8;
  for (let s = 0; s < 40; s++) { const m = (lo + hi) / 2; if (sheetReflectance(paper, band, Math.exp(m)) > R) lo = m; else hi = m; }
  return (lo + hi) / 2;
}
const SIG = Number(process.env.SIG ?? 0.6); // L* units
const Lof = (r: number) => 116 * Math.cbrt(Math.max(1e-6, r)) - 16;
function inkOf(paper: Paper, coats: Float64Array[]): { z: Float64Array; res: number[] } {
  const z = new Float64Array(36); const res: number[] = [];
  for (let i = 0; i < 36; i++) {
    let sw = 0, s = 0;
    coats.forEach((c, n) => {
      const lk = invertK(paper, i, c[i]!);
      const up = sheetReflectance(paper, i, Math.exp(lk) * 1.01), at = sheetReflectance(paper, i, Math.exp(lk));
      const slope = (Lof(up) - Lof(at)) / 0.01; const w = slope * slope / (n ? 4 : 1) + 1e-9;
      sw += w; s += w * (lk - Math.log(uptakeOf(paper.fit, n + 1)));
    });
    z[i] = s / sw;
    coats.forEach((c, n) => res.push((Lof(sheetReflectance(paper, i, Math.exp(z[i]!) * uptakeOf(paper.fit, n + 1))) - Lof(c[i]!)) / (SIG * (n ? 2 : 1))));
  }
  return { z, res };
}
function fitSpectral(sheet: Paper, inks: Float64Array[][]) {
  let x = E.slice(0, 5); const step = 0.02;
  const all = (x: number[]) => { const p = refit(sheet, fitOf(x)); return inks.flatMap((c) => inkOf(p, c).res); };
  const pri = (x: number[]) => x.map((v, k) => (v - E[k]!) / SP[k]!);
  let r = [...all(x), ...pri(x)]; let lam = 1e-2; let cost = r.reduce((a, b) => a + b * b, 0);
  for (let it = 0; it < 15; it++) {
    const J = x.map((_, k) => { const y = x.slice(); y[k]! += step; const q = [...all(y), ...pri(y)]; return q.map((v, i) => (v - r[i]!) / step); });
    const n = x.length; const A = Array.from({ length: n }, (_, a) => Array.from({ length: n }, (_, b) => J[a]!.reduce((s, v, i) => s + v * J[b]![i]!, 0) * (a === b ? 1 + lam : 1)));
    const g = J.map((row) => -row.reduce((s, v, i) => s + v * r[i]!, 0));
    for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) { const f = A[j]![i]! / A[i]![i]!; for (let k = i; k < n; k++) A[j]![k]! -= f * A[i]![k]!; g[j]! -= f * g[i]!; }
    const d = new Array(n).fill(0); for (let i = n - 1; i >= 0; i--) { let s = g[i]!; for (let k = i + 1; k < n; k++) s -= A[i]![k]! * d[k]; d[i] = s / A[i]![i]!; }
    const y = x.map((v, k) => v + Math.max(-0.7, Math.min(0.7, d[k]))); const q = [...all(y), ...pri(y)]; const c = q.reduce((a, b) => a + b * b, 0);
    if (c < cost) { const gain = cost - c; x = y; r = q; cost = c; lam /= 5; if (gain < 1e-3 * cost) break; } else { lam *= 8; if (lam > 1e4) break; }
  }
  return { x, fit: fitOf(x), rms: Math.sqrt(cost / r.length) * SIG };
}
for (const stock of papers) for (const [nm, inks] of [["demo", demoRange()], ["strange", strangeInks(120, 5)]] as const) {
  const random = seeded(5);
  const desk = layDesk(...scanInks(stock, inks, 31));
  const bare = every(colourSheet(stock, []), random);
  const coats = inks.map((k) => [1, 2, 3].map((n) => every(colourSheet(stock, Array(n).fill(k.recipe)), random)));
  const sheet = { ...desk.paper, reflectance: bare, lab: labOf(bare) };
  const some = coats.filter((_, i) => i % Math.ceil(coats.length / 60) === 0);
  const t = performance.now();
  const f = fitSpectral(sheet as Paper, some);
  const ms = performance.now() - t;
  const mk = (fit: PaperFit): Desk => { const paper = refit(sheet as Paper, fit); return { paper, inks: inks.map((k, i) => ({ code: k.code, coats: [{ lab: labOf(coats[i]![0]!) }], spectrum: inkOf(paper, coats[i]!).z.map(Math.exp) })), residual: 0 } as Desk; };
  const same = mk(desk.paper.fit), own = mk(f.fit);
  const crowds = [0.95, 1].map((c) => mk({ ...f.fit, crowding: c }));
  const rnd = seeded(77); const out: string[] = [];
  for (const n of [2, 3]) {
    const errs: number[][] = [[], [], [], ...crowds.map(() => [])];
    for (let k = 0; k < 300; k++) {
      const picks = Array.from({ length: n }, () => Math.floor(rnd() * inks.length));
      const truth = xyzToLab(look(colourSheet(stock, picks.map((i) => inks[i]!.recipe))));
      [desk, same, own, ...crowds].forEach((d, j) => errs[j]!.push(deltaE00(truth, j ? stackLab(d.paper, picks.map((i) => d.inks[i]!.spectrum)) : seenLab(d, picks))));
    }
    out.push(errs.map((e) => `${quantile(e, 0.5).toFixed(2)}/${quantile(e, 0.95).toFixed(2)}`).join(" "));
  }
  console.log(stock.name, nm, "rms", f.rms.toFixed(2), "k1", f.fit.k1.toFixed(3), "k2", f.fit.k2.toFixed(2), "u", f.fit.uptake.map((v) => v.toFixed(2)).join(), "depth", f.fit.depth.toFixed(2), "crowd", f.fit.crowding.toFixed(2), Math.round(ms) + "ms\n   ", out.join("   |   "));
}
