import { inkInWords } from "./ink";

const use = {
  code: "a",
  left: { ml: 0.3, low: 0.1, high: 0.5 },
  after: { ml: 0, low: 0, high: 0 },
  takes: { ml: 0.042, low: 0.02, high: 0.06 },
  chance: 0.1,
  driesAt: null,
};

it("says what a piece takes of a marker, and warns with the way out where it may not last", () =>
  expect([
    inkInWords(use, false, 0),
    inkInWords(use, true, 1),
    inkInWords({ ...use, driesAt: 3 }, true, 0),
  ]).toEqual([
    "takes about 0.04 ml",
    "may not last: takes about 0.04 ml, and 0.1 to 0.5 ml may be in it; refill it before you begin",
    "will hardly last: takes about 0.04 ml, and 0.1 to 0.5 ml may be in it; have a refill or its nearest twin ready",
  ]));
