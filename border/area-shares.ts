import { SHARE_STEPS } from "@/core/group/area-shares";
import { Rule } from "./fields";

/** How an area is divided from its light end to its dark one. */
export const AreaShares = (): PropertyDecorator =>
  Rule(
    `expected ${SHARE_STEPS} shares of an area from 0 to 1, at least one of them more than 0`,
    (v) =>
      Array.isArray(v) &&
      v.length === SHARE_STEPS &&
      v.every((n) => typeof n === "number" && n >= 0 && n <= 1) &&
      v.some((n) => n > 0),
  );
