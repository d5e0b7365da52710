import { colourings, drawings, pictures, pieces, workEvents } from "./piece-schema";
import { eyeAnswers, sheetScores } from "./practice-schema";
import {
  blends,
  charts,
  deskFits,
  inkEvents,
  inks,
  judgedGroups,
  keptGroups,
  papers,
  ranges,
  readings,
  scans,
  trials,
} from "./schema";

/** What is in a studio, in an order in which nothing names what comes after it. People, invitations and links are not of it. */
export const CONTENT = [
  papers,
  ranges,
  inks,
  inkEvents,
  eyeAnswers,
  sheetScores,
  pictures,
  drawings,
  charts,
  scans,
  readings,
  blends,
  trials,
  keptGroups,
  pieces,
  workEvents,
  colourings,
  judgedGroups,
  deskFits,
] as const;
