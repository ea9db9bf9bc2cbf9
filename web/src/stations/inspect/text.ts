export const text = {
  empty: "Nothing to inspect yet",
  emptyWhy: "A good print becomes a specimen with a blind code. Start prints at station 3.",
  toInspect: (n: number) => `To inspect, ${n}`,
  again: (n: number) => `Scored by another rater, ${n}`,
  locked: (n: number) => `Locked by you, ${n}`,
  lock: "Lock these scores",
  scoreLabel: (code: string, defect: string, severity: number) =>
    `${code}, ${defect.toLowerCase()}: ${severity}`,
  notScored: (defects: string[]) => `Nothing is locked: not scored yet are ${defects.join(", ")}.`,
  lockLabel: (code: string) => `${code}: scores locked`,
  lateHint:
    "Machines are known by now. Why is it scored all the same? It is marked, and no blind figure has it.",
  lateReason: "The machines of this study are known. Say why this is scored all the same.",
  slip: "The next digit takes the place of the score just given; both stay on record.",
  slipReason: "slip of the finger, put right at once",
  follows: (n: number, of: number) => `${n} of ${of} codes follow from the secret, opened at the reveal`,
  lockHint: "Locked scores are final. Machines can be revealed once every specimen is locked.",
  reveal: "Reveal the machines",
  blind: "Machines hidden",
  shown: "Machines revealed",
  caution: "Fresh prints and cut supports have sharp edges. Cut away from the hand and wear eye protection.",
};
