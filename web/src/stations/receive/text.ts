export const text = {
  soundMeter: "Sound meter",
  currency: "Currency of these amounts",
  currencySame: "As the study",
  currencyOther: (of: string) => `Turned into ${of} by a rate stated at Cost`,
  currencyShape: "Three letters, as in EUR",
  amountPattern: "[0-9.,\\s]*",
  amountHint: "A number, such as 539.50 or 539,50",
  units: (n: number) => `Units, ${n}`,
  intake: "Intake",
  obtained: { bought: "Bought", lent: "Lent", given: "Given" },
  fields: {
    obtained: "How obtained",
    obtained_from: "By whom",
    price_paid: "Price paid",
    upgrades: "To make it usable",
    residual: "Worth at the end",
    received_on: "Received on",
    serial: "Serial number",
    disclosure: "Added to the disclosure",
    day_price: "Elsewhere on the day",
    day_price_on: "On which day",
    first_power_on: "First power-on",
  },
  disclosure: "Goes into the report",
  noDisclosure: "How it was obtained is not recorded yet; the report says so until it is.",
  checks: "Safety checks",
  open: "The gate is open: this unit may run unattended where the protocol allows it.",
  closed: "The gate is closed: no unattended print until a re-check passes.",
  waiting: (n: number, of: number) => `${n} of ${of} checks still to do before any unattended print.`,
  ended: "Testing has ended on this unit: nothing is printed on it until a re-check passes.",
  onRecord: "On record for good, beside its rank and in the report",
  notRecommended: "Not recommended",
  notRecommendedWhy: "Not recommended, whatever its rank: why. Shown wherever its rank is",
  notRecommendedSet: "Do not recommend it",
  notRecommendedBack: "Take that back",
  empty: "No units yet",
  emptyWhy: "Machines picked at station 1 arrive here as units, one of each model.",
  doneBy: "Done by",
  earthBy: "Earth and touch current by a qualified person",
  round: "All checks passed in one round",
  roundHow: "Tick each as it is looked at. One that fails is recorded by itself, below.",
  roundPhoto: "A photo of the round",
  roundRecord: (n: number) => `Record all ${n} as passed`,
  failNote: "What failed",
  passNote: "Remark, if any",
  lift: (kg: number | null) =>
    kg !== null && kg > 25
      ? `This one weighs ${kg.toFixed(1)} kg by its sheet: two people lift it. The maker's instructions and local codes come first.`
      : "Over 25 kg, or by local rule, two people lift. The maker's instructions and local codes come first.",
  claims: (all: number, judged: number, short: number) => {
    const waiting = all - judged;
    const open = `${waiting} ${waiting === 1 ? "waits" : "wait"} for a measurement.`;
    if (judged === 0) return `Nothing is measured against what the maker says yet; ${open}`;
    const fell =
      short === 0
        ? judged === 1
          ? "The one claim measured holds"
          : `All ${judged} claims measured hold`
        : `${short} of ${judged} ${judged === 1 ? "claim" : "claims"} measured ${short === 1 ? "falls" : "fall"} short`;
    return waiting ? `${fell}; ${open}` : `${fell}.`;
  },
  steps: {
    box: "Box",
    assembly: "Assembly",
    checks: "Safety",
    measured: "Measured",
    claims: "Claims",
    changes: "Power-on, changes",
    worth: "Worth",
    log: "Log",
  },
} as const;
