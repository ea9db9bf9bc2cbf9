export const text = {
  asOfNow: "The report as it stands now",
  publish: "Freeze and publish this revision",
  changedHint: "Left empty, the difference to the last revision is worked out from the figures.",
  frozen: "A published revision never changes. A later one says what changed.",
  revisions: (n: number) => `Revisions, ${n}`,
  none: "Nothing published yet. A revision is one file that opens anywhere, without a network.",
  standings: "Standings",
  sample: "Sample",
  disclosure: "Disclosure",
  missing: (n: number) => (n ? `Still missing, ${n}` : "Nothing is missing"),
  data: "Data behind it",
  withheld: (n: number) =>
    `The machines are not revealed yet: readings of ${n} ${n === 1 ? "specimen" : "specimens"} are withheld, so that nobody can tell machines by them.`,
  revisions2: "Revisions",
  whatChanged: "What changed",
};
