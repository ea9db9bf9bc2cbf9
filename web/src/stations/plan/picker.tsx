import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useShelf, useShelfDrawing } from "../../api/queries";
import { Skeleton } from "../../parts/bits";
import { ArtifactDrawing } from "../../parts/drawing";
import { text } from "./text";

/** The shelf in place, to add what is printed; what is on the list already is marked. */
export function Picker({
  listed,
  pick,
  done,
}: {
  listed: Set<string>;
  pick: (card: Schemas["ShelfCard"]) => void;
  done: () => void;
}) {
  const shelf = useShelf();
  const [shown, setShown] = useState<string | null>(null);
  const cards = shelf.data?.artifacts ?? [];
  const told = cards.find((c) => c.ref === shown);
  return (
    <div className="rounded border border-rule p-2">
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(92px,1fr))] gap-1.5">
        {cards.map((c) => (
          <li key={c.ref}>
            <button
              type="button"
              disabled={listed.has(c.ref)}
              onClick={() => pick(c)}
              onMouseEnter={() => setShown(c.ref)}
              onFocus={() => setShown(c.ref)}
              className="grid w-full gap-0.5 rounded border border-rule p-1 text-left hover:border-ink-3 disabled:opacity-45"
            >
              <span className="block h-[52px]">
                <Small refName={c.ref} name={c.name} />
              </span>
              <span className="text-small leading-tight font-semibold">
                {c.name}
                {c.number > 1 && ` v${c.number}`}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex min-h-[34px] items-center gap-3 pt-1.5">
        <p className="flex-1 text-small text-ink-2">
          {told ? `${told.name}: ${told.isolates}` : text.whatEachOneTellsShows}
        </p>
        <button type="button" className="button !min-h-7" onClick={done}>
          {text.done}
        </button>
      </div>
    </div>
  );
}

export function Small({ refName, name }: { refName: string; name: string }) {
  const drawing = useShelfDrawing(refName);
  if (!drawing.data) return <Skeleton className="h-full" />;
  return <ArtifactDrawing artifact={{ name, drawing: drawing.data, features: [] }} bare />;
}
