/** A criterion keeps its colour by its place in the scheme, on every screen. */
export function criterionColour(place: number): string {
  return `var(--c${(place % 12) + 1})`;
}
