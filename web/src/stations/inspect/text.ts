export const text = {
  empty: "Nothing to inspect yet",
  emptyWhy: "A good print becomes a specimen with a blind code. Start prints at station 3.",
  toInspect: (n: number) => `To inspect, ${n}`,
  again: (n: number) => `Scored by another rater, ${n}`,
  locked: (n: number) => `Locked by you, ${n}`,
  lock: "Lock these scores",
  lockHint: "Locked scores are final. Machines can be revealed once every specimen is locked.",
  reveal: "Reveal the machines",
  blind: "Machine hidden",
  shown: "Machines revealed",
  caution: "Fresh prints and cut supports have sharp edges. Cut away from the hand and wear eye protection.",
};
