import { execFileSync } from "node:child_process";
import { cpus } from "node:os";
import { readFileSync, writeFileSync } from "node:fs";
import { judgeAlong } from "./along";
import { judgeAreas } from "./areas";
import { judgeCharts } from "./chart";
import { judgeGroups } from "./groups";
import { judgeInk } from "./ink";
import { judgeJoint } from "./joint";
import { judgeKnown } from "./known";
import { judgeLearning } from "./learn";
import { judgeLight } from "./light";
import { judgeMatch } from "./match";
import { judgePencil } from "./pencil";
import { judgePencilScales, judgeToothScales } from "./pencil-scale";
import { judgePrediction } from "./prediction";
import { judgePurchases } from "./purchases";
import { judgeQuestions } from "./questions";
import { judgeRepairs } from "./repair";
import { judgeShadows } from "./shadow";
import { judgeSpectra } from "./spectra";
import { judgeSheets } from "./sheet";
import { judgeTeeth } from "./teeth";
import { judgeTrials } from "./trials";
import { judgeReasons } from "./why";
import { judgeWork } from "./work";

/** Every part of docs/measurements.md: `npm run bench` measures all of them, `npm run bench -- joint shadow` only some. */
const parts: Readonly<Record<string, () => string | Promise<string>>> = {
  prediction: judgePrediction,
  spectra: judgeSpectra,
  trials: judgeTrials,
  charts: judgeCharts,
  known: judgeKnown,
  shadow: judgeShadows,
  pencil: judgePencil,
  teeth: judgeTeeth,
  scales: judgePencilScales,
  toothScales: judgeToothScales,
  groups: judgeGroups,
  along: judgeAlong,
  joint: judgeJoint,
  match: judgeMatch,
  questions: judgeQuestions,
  areas: judgeAreas,
  light: judgeLight,
  work: judgeWork,
  repair: judgeRepairs,
  why: judgeReasons,
  learn: judgeLearning,
  sheets: judgeSheets,
  ink: judgeInk,
  purchases: judgePurchases,
};

const FILE = new URL("../docs/measurements.md", import.meta.url);
const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !(name in parts));
if (unknown.length) {
  console.error(`There is no part ${unknown.join(", ")}; there are ${Object.keys(parts).join(", ")}.`);
  process.exit(2);
}
const commit = execFileSync("git", ["rev-parse", "--short", "HEAD"], { encoding: "utf8" }).trim();
for (const name of asked.length ? asked : Object.keys(parts)) {
  const measured = `${await parts[name]!()}\n\n*${new Date().toISOString().slice(0, 10)}, at ${commit}, Node ${process.version}, ${cpus().length} cores.*`;
  console.log(measured);
  const page = readFileSync(FILE, "utf8");
  const [begin, end] = [`<!-- ${name} -->`, `<!-- end ${name} -->`];
  const [from, to] = [page.indexOf(begin), page.indexOf(end)];
  writeFileSync(
    FILE,
    from < 0
      ? `${page.trimEnd()}\n\n${begin}\n${measured}\n${end}\n`
      : `${page.slice(0, from + begin.length)}\n${measured}\n${page.slice(to)}`,
  );
}
