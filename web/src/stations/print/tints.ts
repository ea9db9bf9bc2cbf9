/** Colours of what a print's time goes on. */
export const TINT: Record<string, string> = {
  asked: "var(--c1)",
  flow: "var(--c6)",
  axes: "var(--c8)",
  acceleration: "var(--c3)",
  corners: "var(--c4)",
  waits: "var(--c7)",
  file: "var(--c2)",
};
