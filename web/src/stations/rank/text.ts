export const text = {
  weights: "Weights",
  mustHave: "Must have",
  figures: "Figures and the points they make",
  allOut: "Ease a must-have, or add a machine at Plan.",
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
  schemeChip: (n: number) => `Criteria, scheme v${n}`,
  schemeTitle: "What counts",
  schemeHint:
    "Everything that the prints, runs and machines of this study tell can be a criterion. The worst figure makes no points, the best all of its weight; both stay fixed whatever machine comes.",
  schemeWhat: "Criterion",
  schemeNow: "Machines now, worst to best",
  schemeWeight: "Weight",
  schemeWorst: "0 points at",
  schemeBest: "100 at",
  schemeNone: "not known of any machine yet",
  schemeKnown: (n: number, of: number) => `${n} of ${of}`,
  schemeEitherWay: "So far from 0, whichever way",
  schemePoints: (n: number) => `${n} points`,
  schemeChosen: (n: number) =>
    n === 0 ? "Nothing counts yet: choose one." : `${n} ${n === 1 ? "criterion" : "criteria"}`,
  schemeKeep: (n: number) => `Keep as scheme v${n}`,
  schemeNumber: (name: string) => `${name}: weight and both anchors are numbers.`,
  schemeField: (name: string, what: "weight" | "worst" | "best") =>
    what === "weight"
      ? `Weight of ${name} in the scheme`
      : `${name}, figure of ${what === "worst" ? "0" : "100"} points`,
  save: "Keep these weights for this buyer",
};
