/** The server's clock less this one, in ms: what a person pressed is told in the server's time, whatever this clock says. */
const STORE = "crevlo.clock";
const FRESH_MS = 10 * 60_000;
let ahead = Number(localStorage.getItem(STORE) ?? "0") || 0;
let exactAt = 0;

/** From the header of an answer, which tells whole seconds. */
export function heardDate(header: string | null, began: number, ended: number): void {
  const told = header ? Date.parse(header) : Number.NaN;
  if (Number.isNaN(told)) return;
  const found = told + 500 - (began + ended) / 2;
  // A better figure stands, unless this clock has been moved meanwhile.
  if (Date.now() - exactAt < FRESH_MS && Math.abs(found - ahead) < 2000) return;
  keep(found);
}

/** From an answer that tells the server's moment itself. */
export function heardNow(now: unknown, began: number, ended: number): void {
  const told = typeof now === "string" ? Date.parse(now) : Number.NaN;
  if (Number.isNaN(told) || ended - began > 4000) return;
  exactAt = Date.now();
  keep(told - (began + ended) / 2);
}

export function clockAhead(): number {
  return ahead;
}

function keep(found: number): void {
  ahead = found;
  try {
    localStorage.setItem(STORE, String(Math.round(found)));
  } catch {}
}
