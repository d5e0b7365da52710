import { execFileSync } from "node:child_process";
import { cpus } from "node:os";
import { readFileSync, writeFileSync } from "node:fs";
import { judgeCharts } from "./chart";
import { judgeMatch } from "./match";
import { judgePrediction } from "./prediction";
import { judgeTrials } from "./trials";

/** Writes what was measured between the markers of docs/measurements.md, and prints it. */
const FILE = new URL("../docs/measurements.md", import.meta.url);
const [BEGIN, END] = ["<!-- measured -->", "<!-- end -->"];

const commit = execFileSync("git", ["rev-parse", "--short", "HEAD"], { encoding: "utf8" }).trim();
const about = `Measured ${new Date().toISOString().slice(0, 10)} at ${commit} by \`npm run bench\`, Node ${process.version}, ${cpus().length} cores.`;
const text = [about, judgePrediction(), judgeTrials(), await judgeCharts(), judgeMatch()].join("\n\n");
console.log(text);
const page = readFileSync(FILE, "utf8");
writeFileSync(FILE, `${page.slice(0, page.indexOf(BEGIN) + BEGIN.length)}\n${text}\n${page.slice(page.indexOf(END))}`);
