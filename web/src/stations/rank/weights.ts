/**
 * The sliders' own arithmetic: raising one weight takes from the others in proportion, or from its
 * unlocked partner alone. What the weights do to the ranking is computed by the server.
 */
export function trade(
  weights: Record<string, number>,
  code: string,
  wanted: number,
  pair: readonly string[],
): Record<string, number> {
  const partner = pair.length === 2 && pair.includes(code) ? pair.find((c) => c !== code) : undefined;
  const now = weights[code] ?? 0;
  if (partner !== undefined) {
    const both = now + (weights[partner] ?? 0);
    const value = Math.min(wanted, both);
    return { ...weights, [code]: value, [partner]: both - value };
  }
  const rest = 100 - now;
  const value = Math.max(0, Math.min(100, wanted));
  const others = Object.keys(weights).filter((c) => c !== code);
  return Object.fromEntries(
    Object.entries(weights).map(([c, w]) => {
      if (c === code) return [c, value];
      return [c, rest > 0 ? (w * (100 - value)) / rest : (100 - value) / others.length];
    }),
  );
}

/** Weights as points of 100. */
export function toHundred(weights: Record<string, number>): Record<string, number> {
  const sum = Object.values(weights).reduce((a, b) => a + b, 0) || 1;
  return Object.fromEntries(Object.entries(weights).map(([c, w]) => [c, (100 * w) / sum]));
}
