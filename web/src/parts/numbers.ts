/** The number that a person typed, with a point or a comma for decimals; null where it is none. */
export function typedNumber(text: string): number | null {
  const plain = text.replace(/[\s\u00a0\u202f]/g, "").replace("−", "-");
  // With both signs in it the last one is the decimal sign, and the other parts thousands.
  const decimal = plain.lastIndexOf(",") > plain.lastIndexOf(".") ? "," : ".";
  const both = plain.includes(",") && plain.includes(".");
  const whole = both ? plain.replaceAll(decimal === "," ? "." : ",", "") : plain;
  const number = whole.replace(",", ".");
  return /^-?(\d+\.?\d*|\.\d+)$/.test(number) ? Number(number) : null;
}
