export const text = {
  basis: "Cost basis",
  makeUp: "Cost per good part",
  inputs: "What goes in, per machine",
  empty: "No machine in this study yet",
  emptyWhy:
    "Machines are added at Plan. A good print with its energy, and the price paid at station 2, then make the first cost.",
  spool: (code: string, price: string) => `Spool ${code} at ${price} per kg.`,
  parts: {
    material: "Material",
    energy: "Energy",
    machine: "Machine time",
    labour: "Labour",
    failures: "Failed plates",
  } as Record<string, string>,
  fields: {
    tariff_per_kwh: ["Energy tariff", "per kWh"],
    wage_per_h: ["Wage", "per h"],
    labour_min: ["Labour per plate", "min"],
    failed_labour_min: ["Labour per failed plate", "min"],
    loss_fraction: ["Share lost when a plate fails", "0 to 1"],
    life_h: ["Machine life", "h"],
    upkeep_per_h: ["Upkeep", "per h"],
  } as const,
  onePerPlate: "One part per plate. Price paid, upgrades and residual are kept at station 2.",
};
