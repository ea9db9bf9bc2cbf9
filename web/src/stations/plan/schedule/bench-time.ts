/** Times come with the bench's own offset; they are shown as the clock on the bench's wall shows them. */
const DAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

export function hour(iso: string): string {
  return iso.slice(11, 16);
}

export function weekday(iso: string): string {
  const [y, m, d] = iso.slice(0, 10).split("-").map(Number);
  return `${DAYS[new Date(Date.UTC(y!, m! - 1, d!)).getUTCDay()]} ${d} ${MONTHS[m! - 1]}`;
}

export function when(iso: string): string {
  return `${weekday(iso)}, ${hour(iso)}`;
}

export function ms(iso: string): number {
  return Date.parse(iso);
}
