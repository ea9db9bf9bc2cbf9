export const text = {
  weights: "Weights",
  mustHave: "Must have",
  noMustHave: "None: no machine is left out.",
  buyers: "Buyers",
  buyersTitle: "Whom this study recommends for",
  newBuyer: "Another buyer",
  newBuyerName: "A school with ten pupils a week",
  fromNothing: "nothing: all criteria alike, safety first",
  lastBuyer: "A study recommends to somebody: its last buyer stays.",
  dragHint: "Drag or use the arrow keys to trade weights.",
  verdictFor: "Verdict for",
  flip: "What would flip it",
  why: (a: string, b: string) => `Points of ${a} over ${b}`,
  chances: (spread: number) =>
    `Chance of each rank, weights ± ${spread} %, readings within their uncertainty`,
  save: "Keep these weights for this buyer",
};
