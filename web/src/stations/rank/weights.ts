/**
 * The sliders' own arithmetic: raising one weight takes from the others in proportion, from its unlocked partner
 * alone, or within its group. What the weights do to the ranking is computed by the server.
 */
type Weights = Record<string, number>;

/** The last weights by which several had any, by their codes: raised from nothing they get their proportions back. */
export type Proportions = Map<string, Weights>;

export function trade(
  weights: Weights,
  code: string,
  wanted: number,
  pair: readonly string[],
  group: readonly string[],
  last: Proportions,
): Weights {
  const partner = pair.length === 2 && pair.includes(code) ? pair.filter((c) => c !== code) : undefined;
  const among = partner ?? (group.length > 1 ? group : Object.keys(weights));
  return move(
    weights,
    [code],
    among.filter((c) => c !== code),
    wanted,
    last,
  );
}

/** A whole group weighs what is wanted; what is in it keeps its proportions, and so does what is not. */
export function tradeGroup(
  weights: Weights,
  group: readonly string[],
  wanted: number,
  last: Proportions,
): Weights {
  const others = Object.keys(weights).filter((c) => !group.includes(c));
  return move(weights, group, others, wanted, last);
}

export function sumOf(weights: Weights, codes: readonly string[]): number {
  return codes.reduce((sum, c) => sum + (weights[c] ?? 0), 0);
}

function move(
  weights: Weights,
  moved: readonly string[],
  against: readonly string[],
  wanted: number,
  last: Proportions,
): Weights {
  if (against.length === 0) return weights;
  const both = sumOf(weights, [...moved, ...against]);
  const value = Math.max(0, Math.min(both, wanted));
  return {
    ...weights,
    ...spread(weights, moved, value, last),
    ...spread(weights, against, both - value, last),
  };
}

/** So much in all, in the proportions that these codes have now, or had last. */
export function spread(weights: Weights, codes: readonly string[], to: number, last: Proportions): Weights {
  const key = codes.join(" ");
  if (sumOf(weights, codes) > 0) last.set(key, weights);
  const by = last.get(key) ?? {};
  const sum = sumOf(by, codes);
  return Object.fromEntries(codes.map((c) => [c, sum > 0 ? ((by[c] ?? 0) * to) / sum : to / codes.length]));
}

/** Weights as points of 100. */
export function toHundred(weights: Weights): Weights {
  const sum = Object.values(weights).reduce((a, b) => a + b, 0) || 1;
  return Object.fromEntries(Object.entries(weights).map(([c, w]) => [c, (100 * w) / sum]));
}
