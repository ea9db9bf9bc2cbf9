/** Changes that are on their way to the server: of two at once neither answer need know of the other. */
export type Flight = { study: string; alone: boolean };

const under = new Set<Flight>();

/** A change of a study leaves. */
export function leave(study: string): Flight {
  const flight = { study, alone: true };
  for (const other of under)
    if (other.study === study) {
      other.alone = false;
      flight.alone = false;
    }
  under.add(flight);
  return flight;
}

/** Its answer is there, or it has failed. */
export function arrive(flight: Flight): void {
  under.delete(flight);
}
