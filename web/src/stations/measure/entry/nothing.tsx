import { ArtifactDrawing, type Drawn } from "../../../parts/drawing";
import { text } from "../text";

/** A piece that was printed to be looked at alone: nothing of it is read or judged here. */
export function Nothing({ artifact, next }: { artifact: Drawn; next: React.ReactNode }) {
  return (
    <section aria-label={text.where} className="sheet row-span-2 flex min-h-0 flex-col gap-2 px-4 py-3">
      <p className="text-ink-2">{text.nothingHere}</p>
      <div className="min-h-0 flex-1">
        <ArtifactDrawing artifact={artifact} />
      </div>
      <div>{next}</div>
    </section>
  );
}
