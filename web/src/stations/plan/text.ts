import type { Schemas } from "../../api/client";

export const text = {
  machines: "Machines",
  conditions: "Print conditions",
  policies: "Policies",
  looking: "Looking at what is planned …",
  freeze: "Freeze the protocol",
  saved: "Draft is saved",
  saving: "Saving as you type …",
  saveNow: "Save the draft again",
  freezeNote:
    "Jobs are made and shuffled within blocks. After that, a change is a deviation with its reason.",
  frozenNote: "Frozen. A later change is a deviation with its reason and stays visible in the report.",
  makersOwn: "Empty leaves it to the maker's profile.",
  ownFixed: "Each maker's own profile decides what is empty; what stands here is fixed all the same.",
  perMaterial: "Each material at its own temperatures",
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
  tuning: {
    stock: ["Stock", "As delivered, nothing adjusted."],
    tuned: ["Tuned", "Corrected after the stock results are in. Never replaces them."],
  },
  pieces: {
    isolating: [
      "Pieces that isolate one cause",
      "A fault can be traced to an axis, a fan or a profile; buyers recognise them less.",
    ],
    general: [
      "General pieces that buyers recognise",
      "Easy to judge at a glance; several causes mix in every fault.",
    ],
  },
  material: {
    "same spool": [
      "One spool moved from machine to machine",
      "No difference between lots; machines wait for each other.",
    ],
    "same lot": ["Spools of one lot", "Machines print at once; winding and moisture may differ a little."],
  },
  drying: {
    "dried before use": [
      "Dried before first use",
      "Takes moisture out of the comparison; adds drying time to the schedule.",
    ],
    "as received": [
      "As received",
      "What a buyer does on day one; a damp spool counts against whoever prints it.",
    ],
  },
  unattended: {
    never: ["Never unattended", "Somebody is in the room while a machine prints."],
    "after checks": ["Unattended after passed safety checks", "Only units whose safety checks passed last."],
  },
  fields: {
    question: "Question",
    candidates: "Machines",
    arms: "Arms and prints",
    repeats: "Readings of a face",
    policies: "Policies",
  },
  causes: "Failures that count against the machine",
  causesWhy: "The other count is always shown beside it.",
  addArtifact: "Add an artifact",
  addSpool: "Another spool",
  addArm: "Add an arm",
  noSpool: "Choose the spool",
  effort: "Effort",
  lookalike: "May be one machine under two names",
} as const;

/** Everything left to the maker's profile. */
export const LEFT_OPEN: Schemas["Conditions"] = {
  layer_height_mm: null,
  infill_percent: null,
  walls: null,
  nozzle_mm: null,
  nozzle_c: null,
  bed_c: null,
  material: null,
  temperatures: [],
};

export const CONDITIONS = [
  ["layer_height_mm", "Layer height", "mm"],
  ["infill_percent", "Infill", "%"],
  ["walls", "Walls", ""],
  ["nozzle_mm", "Nozzle", "mm"],
  ["nozzle_c", "Nozzle temperature", "°C"],
  ["bed_c", "Bed temperature", "°C"],
] as const;

export const CAUSES = ["machine", "profile", "material", "operator", "power", "unknown"] as const;
