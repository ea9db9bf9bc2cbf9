import type { Schemas } from "../../../api/client";
import { text } from "../text";

type View = Schemas["SpecimenView"];
export type Entry = Schemas["EntryWay"];

/** What of a specimen is entered in one way: readings off an instrument, or judgements. */
export type Group = {
  entry: Entry;
  name: string;
  features: View["features"];
  judged: View["judged"];
  done: number;
  due: number;
};

/** The groups of a specimen in the order in which they are entered: what is read first, then rungs, then what is judged. */
export function groupsOf(view: View): Group[] {
  const found = new Map<Entry, Group>();
  const group = (entry: Entry) => {
    const known = found.get(entry);
    if (known) return known;
    const made = { entry, name: text.entries[entry], features: [], judged: [], done: 0, due: 0 } as Group;
    found.set(entry, made);
    return made;
  };
  for (const f of view.features) {
    const g = group(placed(f) ? f.entry : f.entry === "map" ? "caliper" : f.entry);
    g.features.push(f);
    if (f.optional) continue;
    g.due += f.repeats;
    g.done += Math.min(f.repeats, f.readings.length);
  }
  const read = new Set(view.features.map((f) => f.feature_id));
  for (const j of view.judged) {
    // A look beside a thickness is entered with it, on the map.
    const beside = read.has(j.feature_id);
    if (beside) {
      found.get("map")?.judged.push(j);
      continue;
    }
    const g = group(j.entry);
    g.judged.push(j);
    g.due += 1;
    g.done += j.said ? 1 : 0;
  }
  return [...found.values()];
}

/** A map needs a place on the bed; a wall that stands up is read like any face. */
function placed(f: View["features"][number]): boolean {
  return f.entry !== "map" || (f.axis === "Z" && f.at !== null);
}

/** What was entered here last, or the first that is not whole. */
export function activeOf(groups: Group[], chosen: Entry | null): Group | undefined {
  return groups.find((g) => g.entry === chosen) ?? groups.find((g) => g.done < g.due) ?? groups[0];
}
