import { colourOf, type ColourInput } from "@/border/colour";
import { Code, Colour, Colours, List, Optional, Within } from "@/border/fields";
import type { Work } from "@/core/progress";
import { planPurchases, type Offer, type Purchases } from "@/core/stock/purchases";
import { operation } from "../operation";

/** Colours that are wanted, things that are owned or offered, and things of one pack. */
export const MOST_WANTED = 2000;
export const MOST_OFFERS = 2000;
const MOST_IN_PACK = 24;
const MOST_COATS = 3;
/** Most that anything costs, in whatever money. */
const MOST_MONEY = 1e6;

export class WantedInput {
  @Colour() color!: ColourInput;
  /** How much it is wanted; how often it is picked. */
  @Optional() @Within(0, 1e6) weight = 1;
}

export class KnownInkInput {
  @Code() code!: string;
  /** Colours of one coat, two and three, as far as they are known. */
  @Colours(1, MOST_COATS) coats!: ColourInput[];
}

export class OfferInput {
  /** What comes together: one, or a pack. */
  @List(() => KnownInkInput, 1, MOST_IN_PACK, '{"code","coats"}') inks!: KnownInkInput[];
  @Optional() @Within(0, MOST_MONEY) price = 1;
}

export class PurchasesQuestion {
  @List(() => WantedInput, 0, MOST_WANTED, '{"color","weight"}') wanted!: WantedInput[];
  @List(() => KnownInkInput, 0, MOST_OFFERS, '{"code","coats"}') owned!: KnownInkInput[];
  @List(() => OfferInput, 0, MOST_OFFERS, '{"inks","price"}') offers!: OfferInput[];
  @Within(0, MOST_MONEY) budget!: number;
  /** ΔE00 within which a colour counts as met. */
  @Optional() @Within(0.5, 20, "ΔE00") within = 3;
}

export interface PurchasesOutput extends Omit<Purchases, "buy"> {
  readonly buy: readonly (Purchases["buy"][number] & {
    readonly codes: readonly string[];
    readonly price: number;
  })[];
}

const labsOf = (ink: KnownInkInput) => ink.coats.map((c) => colourOf(c).lab);

/** What to buy within a budget so that most of the wanted colours are met. */
export const purchases = operation(PurchasesQuestion, function* (question): Work<PurchasesOutput> {
  const offers = question.offers.map(({ inks, price }): Offer => ({
    codes: inks.map((i) => i.code),
    labs: inks.flatMap(labsOf),
    price,
  }));
  const plan = yield* planPurchases({
    wanted: question.wanted.map(({ color, weight }) => ({ lab: colourOf(color).lab, weight })),
    owned: question.owned.flatMap(labsOf),
    offers,
    budget: question.budget,
    within: question.within,
  });
  return {
    ...plan,
    buy: plan.buy.map((b) => ({ ...b, codes: offers[b.offer]!.codes, price: offers[b.offer]!.price })),
  };
});
