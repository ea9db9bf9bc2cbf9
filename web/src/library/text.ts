export const text = {
  shelf: "Shelf",
  wholeSet: "All, zip",
  isolates: "What it tells",
  isolatesNot: "What it does not tell",
  sizes: "Sizes",
  features: "To measure or judge",
  beds: "Fits on",
} as const;
