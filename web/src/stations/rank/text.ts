export const text = {
  weights: "Weights",
  mustHave: "Must have",
  gates: {
    price: { name: "All in at most", unit: "", usual: 700 },
    noise: { name: "Noise at 1 m at most", unit: "dB", usual: 55 },
    length: { name: "Longest part, flat", unit: "mm", usual: 180 },
    safety: { name: "Safety checks passed", unit: null, usual: 0 },
    success: { name: "Good prints at least", unit: "%", usual: 0.5 },
  } as Record<
    "price" | "noise" | "length" | "safety" | "success",
    { name: string; unit: string | null; usual: number }
  >,
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
