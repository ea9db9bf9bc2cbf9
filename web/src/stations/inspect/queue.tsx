import type { Schemas } from "../../api/client";
import { BlindTag } from "../../parts/bits";
import { Windowed } from "../../parts/windowed";
import { text } from "./text";

export function List({
  lines,
  of,
  active,
  choose,
  given,
}: {
  lines: Schemas["SpecimenScores"][];
  of: (s: Schemas["SpecimenScores"]) => number;
  active: string;
  choose: (id: string) => void;
  given: (s: Schemas["SpecimenScores"]) => number;
}) {
  return (
    <Windowed rows={lines} height={46} id={(s) => s.id}>
      {(s) => (
        <button
          type="button"
          onClick={() => choose(s.id)}
          aria-current={s.id === active ? "true" : undefined}
          className={`flex w-full justify-between border-b border-rule-2 px-3 py-1.5 text-left text-small ${s.id === active ? "bg-station-on shadow-[inset_4px_0_var(--needle)]" : "hover:bg-station-on"}`}
        >
          <span className="min-w-0">
            <BlindTag code={s.blind_code} />
            <small className="block truncate text-tiny text-ink-2" title={s.artifact}>
              {s.artifact}
            </small>
          </span>
          <span className="num text-tiny text-ink-2">{s.locked ? text.locked2 : `${given(s)}/${of(s)}`}</span>
        </button>
      )}
    </Windowed>
  );
}
