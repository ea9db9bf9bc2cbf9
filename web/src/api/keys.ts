import type { QueryClient } from "@tanstack/react-query";

/**
 * Every key of kept data, in one place. All that belongs to a study stands under ["study", id, …]: one change of it reads
 * the whole study again.
 */
export const keys = {
  me: ["me"] as const,
  studies: ["studies"] as const,
  library: ["library"] as const,
  shelf: ["shelf"] as const,
  shelfPart: (ref: string, part: string, ...more: readonly unknown[]) =>
    ["shelf", ref, part, ...more] as const,
  anchors: ["anchors"] as const,
  copies: (wish: unknown) => ["copies", wish] as const,
  work: (id: string | null) => ["work", id] as const,
  source: (figure: unknown) => ["source", figure] as const,
  apiDocument: ["openapi"] as const,
  everyStudy: ["study"] as const,
  templates: ["templates"] as const,
  kinds: ["kinds"] as const,
  spreads: ["spreads"] as const,
  devices: ["devices"] as const,
  units: ["units"] as const,
  people: ["people"] as const,
  surroundings: ["surroundings"] as const,
  sessions: ["sessions"] as const,
  buyers: ["buyers"] as const,
  rates: ["rates"] as const,
  values: (kind: string) => ["values", kind] as const,
  spool: (id: string) => ["library", "spool", id] as const,
  study: (id: string) => ["study", id] as const,
  part: (id: string, part: string, ...more: readonly unknown[]) => ["study", id, part, ...more] as const,
  line: (id: string) => ["study", id, "line"] as const,
  measure: (id: string) => ["study", id, "measure"] as const,
  inspect: (id: string) => ["study", id, "inspect"] as const,
  scores: (id: string, specimenId: string) => ["study", id, "scores", specimenId] as const,
  looks: (id: string, specimenId: string) => ["study", id, "looks", specimenId] as const,
  photos: (id: string, specimenId: string) => ["study", id, "photos", specimenId] as const,
  duels: (id: string, line: number | null) => ["study", id, "duels", line] as const,
  ballots: (id: string) => ["study", id, "ballots"] as const,
  life: (unitId: string) => ["life", unitId] as const,
  reminders: ["reminders"] as const,
  packages: (id: string | null = null) => ["packages", id] as const,
  reader: (key: string, ...more: readonly unknown[]) => ["reader", key, ...more] as const,
  ballot: (key: string) => ["ballot", key] as const,
  gauges: (id: string) => ["study", id, "gauges"] as const,
  agreement: (id: string) => ["study", id, "agreement"] as const,
  revealed: (id: string) => ["study", id, "revealed"] as const,
  receive: (id: string) => ["study", id, "receive"] as const,
  record: (id: string, unitId: string) => ["study", id, "record", unitId] as const,
  job: (id: string, jobId: string | null, ...more: readonly unknown[]) =>
    ["study", id, "job", jobId, ...more] as const,
  run: (id: string, runId: string, part: string) => ["study", id, "run", runId, part] as const,
  specimen: (id: string, specimenId: string | null) => ["study", id, "specimen", specimenId] as const,
};

/** The library is shared: machines, materials and spools stand in every study's figures, so what is shown of a study is read again. */
export async function readLibraryAgain(client: QueryClient): Promise<void> {
  await Promise.all([
    client.invalidateQueries({ queryKey: keys.library }),
    client.invalidateQueries({ queryKey: keys.units }),
    client.invalidateQueries({ queryKey: keys.everyStudy }),
  ]);
}
