const sign = new Intl.NumberFormat().formatToParts(1.5).find((p) => p.type === "decimal")?.value ?? ".";

/** The number that a person typed, with a point or a comma as decimals are written where they live; null where it is none. */
export function typedNumber(text: string): number | null {
  let plain = text.replace(/[\s\u00a0\u202f]/g, "").replace("−", "-");
  const points = plain.split(".").length - 1;
  const commas = plain.split(",").length - 1;
  // With both signs in it, the one that is not this person's decimal sign parts thousands.
  if (points && commas) plain = plain.replaceAll(sign === "," ? "." : ",", "");
  plain = plain.replace(",", ".");
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}
