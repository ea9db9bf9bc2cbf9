/** The eight stations in working order; the key is the position. */
export const STATIONS = [
  { id: "plan", name: "Plan" },
  { id: "receive", name: "Receive" },
  { id: "print", name: "Print" },
  { id: "measure", name: "Measure" },
  { id: "inspect", name: "Inspect" },
  { id: "cost", name: "Cost" },
  { id: "rank", name: "Rank" },
  { id: "publish", name: "Publish" },
] as const;

export type StationId = (typeof STATIONS)[number]["id"];

/** What a rater may open: everything else would tell which machine is which. */
export const RATER_STATIONS: readonly StationId[] = ["measure", "inspect"];

export const LIBRARY = [
  { id: "artifacts", name: "Artifacts", key: "a" },
  { id: "machines", name: "Machines", key: "m" },
  { id: "spools", name: "Spools", key: "s" },
  { id: "instruments", name: "Instruments", key: "i" },
] as const;
