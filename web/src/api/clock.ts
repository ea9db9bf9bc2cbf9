/** The server's clock less this one, in ms: what a person pressed is told in the server's time, whatever this clock says. */
const STORE = "crevlo.clock";
/** How far two clocks may drift apart, in ms a ms. */
const DRIFT = 1e-4;
let ahead = Number(localStorage.getItem(STORE) ?? "0") || 0;
let within = Number.POSITIVE_INFINITY;
let learnt = Date.now();

/** From the header of an answer, which tells whole seconds. */
export function heardDate(header: string | null, began: number, ended: number): void {
  const told = header ? Date.parse(header) : Number.NaN;
  if (!Number.isNaN(told)) weigh(told + 500 - (began + ended) / 2, 500 + (ended - began) / 2);
}

/** From an answer that tells the server's moment itself, which lies somewhere between question and answer. */
export function heardNow(now: unknown, began: number, ended: number): void {
  const told = typeof now === "string" ? Date.parse(now) : Number.NaN;
  if (!Number.isNaN(told)) weigh(told - (began + ended) / 2, (ended - began) / 2);
}

export function clockAhead(): number {
  return ahead;
}

/** A figure good to `half` ms either way is taken where it is better than what is known, or where the two contradict. */
function weigh(found: number, half: number): void {
  const known = within + DRIFT * Math.abs(Date.now() - learnt);
  if (half >= known && Math.abs(found - ahead) <= half + known) return;
  ahead = found;
  within = half;
  learnt = Date.now();
  try {
    localStorage.setItem(STORE, String(Math.round(found)));
  } catch {}
}
