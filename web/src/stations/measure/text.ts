export const text = {
  toMeasure: (n: number) => `To measure, ${n}`,
  done: (n: number) => `Done, ${n}`,
  says: "What the readings say so far",
  nothingYet: "Two different lengths on an axis tell its scale from the wall offset.",
  empty: "Nothing to measure yet",
  emptyWhy: "A good print becomes a specimen with a blind code. Start prints at station 3.",
  noCaliper: "No caliper is listed. Add one under Instruments, with its resolution and calibration.",
  allDone: "Every face of this specimen is measured.",
  notSent: (n: number) => `${n} not sent yet`,
  offline: "The server is away. Readings are kept on this device and sent, once, when it is back.",
  zeroHint: "U is the calibration's expanded uncertainty, k = 2, in mm. Press to enter a zero check.",
  wrong: "A reading is a number in mm, such as 30.07.",
};
