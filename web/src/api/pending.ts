import { useSyncExternalStore } from "react";
import { api, newId, Refusal, type Schemas, Unreachable, unwrap } from "./client";

/** A reading kept on this device until the server has it; its write id makes a repeat harmless. */
export type PendingReading = {
  writeId: string;
  specimenId: string;
  featureCode: string;
  reading: Schemas["NewReading"];
  refusedBecause?: string;
};

const STORE = "crevlo.readings.pending";
let list: PendingReading[] = load();
const listeners = new Set<() => void>();
let sending: Promise<void> | null = null;

function load(): PendingReading[] {
  try {
    return JSON.parse(localStorage.getItem(STORE) ?? "[]") as PendingReading[];
  } catch {
    return [];
  }
}

function keep(next: PendingReading[]): void {
  list = next;
  localStorage.setItem(STORE, JSON.stringify(list));
  for (const tell of listeners) tell();
}

export function usePending(): PendingReading[] {
  return useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => list,
  );
}

export function addReading(
  specimenId: string,
  featureCode: string,
  reading: Schemas["NewReading"],
): PendingReading {
  const entry = { writeId: newId(), specimenId, featureCode, reading };
  keep([...list, entry]);
  return entry;
}

export function dropPending(writeId: string): void {
  keep(list.filter((p) => p.writeId !== writeId));
}

/** Sends what waits, oldest first; `onKept` hears of each that the server has. Stops where the server is away. */
export function sendPending(onKept: (specimen: Schemas["SpecimenView"]) => void): Promise<void> {
  sending ??= run(onKept).finally(() => {
    sending = null;
  });
  return sending;
}

async function run(onKept: (specimen: Schemas["SpecimenView"]) => void): Promise<void> {
  for (let next = list.find((p) => !p.refusedBecause); next; next = list.find((p) => !p.refusedBecause)) {
    const entry = next;
    try {
      const view = await unwrap(
        api.POST("/api/specimens/{specimen_id}/readings", {
          params: { path: { specimen_id: entry.specimenId } },
          body: entry.reading,
          headers: { "X-Write-Id": entry.writeId },
        }),
      );
      dropPending(entry.writeId);
      onKept(view);
    } catch (error) {
      if (error instanceof Unreachable) return;
      // Signed out or an old token: the reading is fine, it waits for the next sign-in.
      if (error instanceof Refusal && (error.status === 401 || error.status === 403)) return;
      const why = error instanceof Error ? error.message : "The server refused it.";
      keep(list.map((p) => (p.writeId === entry.writeId ? { ...p, refusedBecause: why } : p)));
    }
  }
}
