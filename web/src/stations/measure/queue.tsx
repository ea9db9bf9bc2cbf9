import type { Schemas } from "../../api/client";
import { Top } from "../../app/shell";
import { BlindTag } from "../../parts/bits";
import { Windowed } from "../../parts/windowed";
import { text } from "./text";

/** What is measured with what, in the top strip. */
export function Strip({
  code,
  queue,
  caliper,
  zero,
}: {
  code: string;
  queue: Schemas["MeasureQueue"];
  caliper: Schemas["InstrumentNow"] | undefined;
  zero: () => void;
}) {
  return (
    <Top>
      <span className="chip">
        Specimen <BlindTag code={code} />
      </span>
      <span
        className={`chip max-[1100px]:hidden ${queue.revealed ? "" : "border-[var(--brass)] bg-brass-wash"}`}
      >
        {queue.revealed ? text.revealed : text.hidden}
      </span>
      <span className="flex-1" />
      {caliper && (
        <button
          type="button"
          className={`chip max-[860px]:hidden ${caliper.zero_due ? "border-[var(--brass)] bg-brass-wash" : ""}`}
          title={text.zeroHint}
          onClick={zero}
        >
          Caliper <b className="num">{caliper.code}</b>
          <span className="num text-[11px]">U {caliper.expanded.toFixed(3)}</span> ·{" "}
          {zeroed(caliper, queue.now)}
        </button>
      )}
    </Top>
  );
}

/** Specimens still to be measured, then those that are. */
export function Queue({
  queue,
  active,
  choose,
}: {
  queue: Schemas["QueueLine"][];
  active: string;
  choose: (id: string) => void;
}) {
  const todo = queue.filter((q) => q.done < q.due);
  const finished = queue.filter((q) => q.done >= q.due);
  return (
    <section aria-label="Queue" data-scrolls className="sheet min-h-0 overflow-y-auto max-[1020px]:max-h-40">
      <h2 className="lab px-3 pt-2 pb-1">{text.toMeasure(todo.length)}</h2>
      <QueueList lines={todo} active={active} choose={choose} />
      {finished.length > 0 && <h2 className="lab px-3 pt-3 pb-1">{text.done(finished.length)}</h2>}
      <QueueList lines={finished} active={active} choose={choose} />
    </section>
  );
}

function QueueList({
  lines,
  active,
  choose,
}: {
  lines: Schemas["QueueLine"][];
  active: string;
  choose: (id: string) => void;
}) {
  return (
    <Windowed rows={lines} height={32} id={(q) => q.id}>
      {(q) => (
        <button
          type="button"
          onClick={() => choose(q.id)}
          aria-current={q.id === active ? "true" : undefined}
          className={`grid w-full grid-cols-[42px_1fr_auto] items-baseline gap-x-1.5 border-b border-rule-2 px-3 py-1.5 text-left text-[12.5px] ${q.id === active ? "bg-station-on shadow-[inset_4px_0_var(--needle)]" : "hover:bg-station-on"}`}
        >
          <BlindTag code={q.blind_code} />
          <span className="truncate">{q.artifact}</span>
          <span className="num text-[11px] text-ink-2">
            {q.done}/{q.due}
          </span>
        </button>
      )}
    </Windowed>
  );
}

function zeroed(caliper: Schemas["InstrumentNow"], now: string): string {
  if (!caliper.zero_at) return "not zeroed yet";
  const minutes = Math.round((Date.parse(now) - Date.parse(caliper.zero_at)) / 60000);
  if (minutes < 90) return `zeroed ${minutes} min ago`;
  if (minutes < 48 * 60) return `zeroed ${Math.round(minutes / 60)} h ago`;
  return `zeroed ${Math.round(minutes / 1440)} days ago`;
}
