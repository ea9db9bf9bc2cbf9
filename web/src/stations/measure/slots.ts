import type { Schemas } from "../../api/client";
import type { Entry } from "../../api/outbox";

/** A place for one reading: a face and which of its repeats. */
export type Slot = { featureId: string; code: string; repeat: number };

/** All places that a specimen is whole with, in the order in which they are read. */
export function slotsOf(features: Schemas["FeatureLine"][]): Slot[] {
  return features
    .filter((f) => !f.optional)
    .flatMap((f) =>
      Array.from({ length: f.repeats }, (_, r) => ({ featureId: f.feature_id, code: f.code, repeat: r + 1 })),
    );
}

/** The reading that is kept in a place. */
export function keptIn(features: Schemas["FeatureLine"][], slot: Slot): Schemas["ReadingOut"] | undefined {
  return features
    .find((f) => f.feature_id === slot.featureId)
    ?.readings.find((r) => r.repeat === slot.repeat);
}

/** What waits on this device for a place. */
export function waitingFor(own: Entry[], slot: Slot): Entry | undefined {
  return own.find(
    (e) => !e.refused && e.body?.feature_id === slot.featureId && e.body?.repeat === slot.repeat,
  );
}
