export const text = {
  jobs: (done: number, of: number) => `Prints, ${done} of ${of} good`,
  empty: "Nothing to print yet",
  emptyWhy: "Freezing the protocol at station 1 makes the prints and shuffles their order.",
  bench: (printing: number, urgent: number) =>
    `${printing === 0 ? "Nothing is printing" : `${printing} ${printing === 1 ? "machine is" : "machines are"} printing`}${urgent === 0 ? "; none needs anyone." : `; ${urgent} ${urgent === 1 ? "needs" : "need"} someone.`}`,
  energyFrom: {
    meter: "read off the meter",
    trace: "from the power log",
    live: "sent by its meter",
  },
  dropFile: "Drop the sliced file",
  dropHint: "G-code as text, up to 160 MB. Time, filament, layers and settings are read from it.",
  dropTrace: "or drop a power log, CSV",
  noEstimate: "The file gives no time estimate, so there is none to run down.",
  motionSays: (m: { planned_s: number; at_asked_s: number; speeding_s: number }) =>
    `${(m.planned_s / 60).toFixed(0)} min of motion, ${((100 * m.at_asked_s) / m.planned_s).toFixed(0)} % of it at the speed asked for and ${((100 * m.speeding_s) / m.planned_s).toFixed(0)} % speeding up or slowing down.`,
  limits: {
    asked: "at the speeds asked for",
    flow: "added by the flow limit",
    axes: "added by the axes' top speeds",
    acceleration: "added by acceleration",
    corners: "added by corners",
    waits: "waits",
  } as Record<string, string>,
  start: "Start the print",
  stop: "Stop the timer",
  deviates: "This file departs from the protocol",
  reason: "Reason to print it all the same",
  changed: "What changed since the last attempt",
  silent: (names: string[]) => `The file does not say its ${names.join(", ").toLowerCase()}; not compared.`,
  unattended: "Leave it running unattended",
  bag: (code: string) => `Write ${code} on the bag. From here on the part goes by this code alone.`,
  following: (machine: string) => `Next print: ${machine}`,
  used: (n: number) => `All ${n} attempts of the protocol are used.`,
  caution:
    "Nozzle, bed and fresh prints burn; moving axes pinch. Scrapers slip: work away from the hand, wear eye protection. Ventilate; the filament's data sheet says what it needs.",
  unattendedCaution:
    "Only with a working smoke alarm and clear surroundings, and where the maker and local rules allow it.",
  outcomes: { done: "Good", failed: "Failed", stopped: "Stopped by me" },
  outcomeHints: {
    done: "The part came off whole.",
    failed: "Counts by its cause, as the protocol says.",
    stopped: "For a reason outside the print; does not count.",
  },
  causes: {
    machine: "machine",
    profile: "slicing profile",
    material: "filament",
    operator: "operator",
    power: "power cut",
    unknown: "unknown",
  },
} as const;
