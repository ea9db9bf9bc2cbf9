export const text = {
  machines: "Machines",
  conditions: "Print conditions",
  policies: "Policies",
  noMachines: "Pick at least two machines to compare.",
  freeze: "Freeze the protocol",
  frozenNote: "Frozen. A later change is a deviation with its reason and stays visible in the report.",
  slicing: {
    common: [
      "Common slicer, matched settings",
      "Isolates the hardware; says little about what a buyer gets on day one.",
    ],
    own: [
      "Each maker's own slicer and stock profile",
      "Shows what a buyer gets; mixes profile quality with the hardware.",
    ],
  },
  unattended: {
    never: ["Never unattended", "Long prints need somebody in the room."],
    "after checks": ["Unattended after passed safety checks", "Only units whose three checks passed last."],
  },
  fields: {
    question: "Question",
    candidates: "Machines",
    spool: "Spool",
    repeats: "Readings of a face",
    conditions: "Print conditions",
    policies: "Policies",
  },
  causes: "Failures that count against the machine",
  causesWhy: "The other count is always shown beside it.",
} as const;

export const CONDITIONS = [
  ["layer_height_mm", "Layer height", "mm"],
  ["infill_percent", "Infill", "%"],
  ["walls", "Walls", ""],
  ["nozzle_mm", "Nozzle", "mm"],
  ["nozzle_c", "Nozzle temperature", "°C"],
  ["bed_c", "Bed temperature", "°C"],
] as const;
