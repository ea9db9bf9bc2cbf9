/** A moment as the field for local times shows it, to the minute. */
function shown(at: Date): string {
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

/** The moments that a local time can stand for: two in the hour that a clock set back has twice, none where it is no time. */
export function moments(local: string): string[] {
  const near = new Date(local).getTime();
  if (Number.isNaN(near)) return [];
  return [-3_600_000, 0, 3_600_000]
    .map((off) => new Date(near + off))
    .filter((at) => shown(at) === local.slice(0, 16))
    .map((at) => at.toISOString());
}
