import type { Operation } from "./operation";
import { areas } from "./operations/areas";
import { assess, assessAreas } from "./operations/assess";
import { auditCodes } from "./operations/audit-codes";
import { cutLines } from "./operations/cut-lines";
import { findPatches } from "./operations/find-patches";
import { findSheet } from "./operations/find-sheet";
import { fitPaper } from "./operations/fit-paper";
import { gather, gatherings } from "./operations/gather";
import { group } from "./operations/group";
import { inkUse } from "./operations/ink-use";
import { line } from "./operations/line";
import { learnSheet } from "./operations/learn-sheet";
import { light } from "./operations/light";
import { lookOver } from "./operations/look-over";
import { match } from "./operations/match";
import { mends } from "./operations/mends";
import { neutralPairs } from "./operations/neutral-pairs";
import { open } from "./operations/open";
import { parseCode } from "./operations/parse-code";
import { pencilPlan } from "./operations/pencil-plan";
import { pencilStrips } from "./operations/pencil-strips";
import { planPiece } from "./operations/plan-piece";
import { predict } from "./operations/predict";
import { purchases } from "./operations/purchases";
import { readAreas } from "./operations/read-areas";
import { readChart } from "./operations/read-chart";
import { readPatch } from "./operations/read-patch";
import { practiceSheet } from "./operations/practice-sheet";
import { eye } from "./operations/eye";
import { compareSheet } from "./operations/compare-sheet";
import { readSheet } from "./operations/read-sheet";
import { readSwatches } from "./operations/read-swatches";
import { render } from "./operations/render";
import { repair } from "./operations/repair";
import { scatter } from "./operations/scatter";
import { schools } from "./operations/schools";
import { sections } from "./operations/sections";
import { setUp } from "./operations/set-up";
import { shadow } from "./operations/shadow";
import { proposeForms } from "./operations/propose-forms";
import { sparks } from "./operations/sparks";
import { substitute } from "./operations/substitute";
import { substituteGroup } from "./operations/substitute-group";
import { toneMap } from "./operations/tone-map";
import { twins } from "./operations/twins";
import { waysOut } from "./operations/ways-out";
import { workOrder } from "./operations/work-order";

/** Every operation of Blendt. The browser worker, POST /api/compute/NAME and `./blendt compute NAME` run this one table. */
export const table = {
  predict,
  match,
  group,
  assess,
  assessAreas,
  open,
  readChart,
  readPatch,
  fitPaper,
  twins,
  parseCode,
  auditCodes,
  substitute,
  schools,
  shadow,
  pencilPlan,
  pencilStrips,
  neutralPairs,
  planPiece,
  substituteGroup,
  findSheet,
  line,
  areas,
  readAreas,
  readSheet,
  compareSheet,
  learnSheet,
  eye,
  practiceSheet,
  findPatches,
  readSwatches,
  setUp,
  gather,
  gatherings,
  cutLines,
  light,
  proposeForms,
  sparks,
  scatter,
  toneMap,
  render,
  lookOver,
  waysOut,
  mends,
  repair,
  sections,
  workOrder,
  inkUse,
  purchases,
};

export type OperationName = keyof typeof table;
export type OutputOf<N extends OperationName> =
  (typeof table)[N] extends Operation<infer _Q, infer O> ? O : never;

export const isOperation = (name: string): name is OperationName => Object.hasOwn(table, name);
export const operationNames = Object.keys(table) as OperationName[];
