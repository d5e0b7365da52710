import type { ClassConstructor } from "class-transformer";
import { assess, group, type GroupOutput } from "./group";
import { AssessInput, GroupInput, MatchInput, PredictInput } from "./inputs/operations";
import { match, type MatchOutput } from "./match";
import {
  AuditCodesInput,
  FitPaperInput,
  ParseCodeInput,
  ReadChartInput,
  SubstituteInput,
  TwinsInput,
} from "./inputs/swatchbook";
import type { ReadPage } from "@/core/chart/read-chart";
import {
  NeutralPairsInput,
  PencilPlanInput,
  PlanPieceInput,
  SchoolsInput,
  ShadowInput,
  SubstituteGroupInput,
} from "./inputs/planning";
import { neutralPairs, pencilPlan, type NeutralPairsOutput, type PencilPlanOutput } from "./pencil";
import { planPiece, substituteGroup, type PlanPieceOutput, type SubstituteGroupOutput } from "./piece";
import { predict, type PredictOutput } from "./predict";
import { schools, type SchoolOutput } from "./schools";
import { shadow, type ShadowsOutput } from "./shadow";
import {
  auditCodes,
  fitPaper,
  parseCode,
  readChart,
  substitute,
  twins,
  type FitPaperOutput,
  type SubstituteOutput,
} from "./swatchbook";

/** An operation: its input class, and what it does; long work yields its progress (0–1) so that it can be watched and stopped. */
interface Operation<I extends object, O> {
  readonly input: ClassConstructor<I>;
  readonly run: (input: I) => O | Generator<number, O>;
}

const operation = <I extends object, O>(
  input: ClassConstructor<I>,
  run: Operation<I, O>["run"],
): Operation<I, O> => ({ input, run });

/** Every operation of Blendt. The browser worker, POST /api/compute/NAME and `./blendt compute NAME` run this one table. */
export const table = {
  predict: operation<PredictInput, PredictOutput>(PredictInput, predict),
  match: operation<MatchInput, MatchOutput>(MatchInput, match),
  group: operation<GroupInput, { groups: GroupOutput[] }>(GroupInput, group),
  assess: operation<AssessInput, { group: GroupOutput }>(AssessInput, assess),
  readChart: operation<ReadChartInput, ReadPage>(ReadChartInput, readChart),
  fitPaper: operation<FitPaperInput, FitPaperOutput>(FitPaperInput, fitPaper),
  twins: operation<TwinsInput, ReturnType<typeof twins>>(TwinsInput, twins),
  parseCode: operation<ParseCodeInput, ReturnType<typeof parseCode>>(ParseCodeInput, parseCode),
  auditCodes: operation<AuditCodesInput, ReturnType<typeof auditCodes>>(AuditCodesInput, auditCodes),
  substitute: operation<SubstituteInput, SubstituteOutput>(SubstituteInput, substitute),
  schools: operation<SchoolsInput, { schools: SchoolOutput[] }>(SchoolsInput, schools),
  shadow: operation<ShadowInput, ShadowsOutput>(ShadowInput, shadow),
  pencilPlan: operation<PencilPlanInput, PencilPlanOutput>(PencilPlanInput, pencilPlan),
  neutralPairs: operation<NeutralPairsInput, NeutralPairsOutput>(NeutralPairsInput, neutralPairs),
  planPiece: operation<PlanPieceInput, PlanPieceOutput>(PlanPieceInput, planPiece),
  substituteGroup: operation<SubstituteGroupInput, SubstituteGroupOutput>(
    SubstituteGroupInput,
    substituteGroup,
  ),
};

export type OperationName = keyof typeof table;
export type OutputOf<N extends OperationName> =
  (typeof table)[N] extends Operation<infer _I, infer O> ? O : never;

export const isOperation = (name: string): name is OperationName => Object.hasOwn(table, name);
export const operationNames = Object.keys(table) as OperationName[];
