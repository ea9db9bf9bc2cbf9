export const text = {
  toMeasure: (n: number) => `To measure, ${n}`,
  done: (n: number) => `Done, ${n}`,
  says: "What the readings say so far",
  nothingYet: "Two different lengths on an axis tell its scale from the wall offset.",
  empty: "Nothing to measure yet",
  emptyWhy: "A good print becomes a specimen with a blind code. Start prints at station 3.",
  noCaliper: "No caliper is listed. Add one under Instruments, with its resolution and calibration.",
  allDone: "Every face of this specimen is measured.",
  following: (code: string) => `Take specimen ${code} next`,
  hidden: "Machines hidden",
  revealed: "Machines revealed",
  lateHint:
    "Machines are known by now. Why is it measured all the same? It is marked, and no blind figure has it.",
  lateReason: "The machines of this study are known. Say why this is measured all the same.",
  noRoom: "This device has no room left to keep it. Free some, then type it again.",
  readingLabel: (code: string, face: string, repeat: number, value: number | undefined) =>
    `${code} ${face}, reading ${repeat}: ${value === undefined ? "can't be measured" : `${value.toFixed(2)} mm`}`,
  correctionLabel: (code: string, face: string, repeat: number, value: number | null) =>
    `${code} ${face}, reading ${repeat} corrected to ${value?.toFixed(2) ?? "none"} mm`,
  zeroLabel: (caliper: string, value: number) => `${caliper}, zero check ${value.toFixed(2)} mm`,
  zeroHint: "U is the calibration's expanded uncertainty, k = 2, in mm. Press to enter a zero check.",
  wrong: "A reading is a number in mm, such as 30.07.",
};
