import type { Schemas } from "../../api/client";

/** The colour of a phase, the same in beads, behind the trace and in its table. */
export const PHASE: Record<Schemas["Phase"], string> = {
  standby: "var(--track)",
  levelling: "var(--c8)",
  "warm-up": "var(--c4)",
  printing: "var(--c2)",
  paused: "var(--c7)",
  "filament change": "var(--c6)",
  cooling: "var(--c3)",
  removal: "var(--c5)",
  fault: "var(--needle)",
};
