export const text = {
  weights: "Weights",
  mustHave: "Must have",
  dragHint: "Drag or use the arrow keys to trade weights.",
  verdictFor: "Verdict for",
  flip: "What would flip it",
  noFlip: "No single weight changes the order of the first two.",
  why: (a: string, b: string) => `Why ${a} beats ${b}`,
  chances: (spread: number) =>
    `Chance of each rank, weights ± ${spread} %, readings within their uncertainty`,
  missing: (n: number, of: number) =>
    n === 0
      ? `All ${of} cells are measured.`
      : `${n} of ${of} cells not yet measured; the totals are intervals.`,
  save: "Keep these weights for this buyer",
};
