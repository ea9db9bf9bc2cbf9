import type { Schemas } from "../../api/client";
import { Top } from "../../app/shell";
import { BlindTag } from "../../parts/bits";
import { Hint } from "../../parts/hint";
import { InstrumentChoice, type useInstrument } from "../../parts/instrument";
import { Windowed } from "../../parts/windowed";
import { GaugeStudy } from "./gauge";
import { text } from "./text";

/** What is measured with what, in the top strip. */
export function Strip({
  code,
  queue,
  use,
  reads,
  zero,
}: {
  code: string;
  queue: Schemas["MeasureQueue"];
  use: ReturnType<typeof useInstrument<Schemas["InstrumentNow"]>>;
  /** Whether an instrument is used just now. */
  reads: boolean;
  zero: () => void;
}) {
  const instrument = reads ? use.instrument : undefined;
  return (
    <Top>
      <span className="chip">
        {text.specimen} <BlindTag code={code} />
      </span>
      <span
        className={`chip max-[1100px]:hidden ${queue.revealed ? "" : "border-[var(--brass)] bg-brass-wash"}`}
      >
        {queue.revealed ? text.revealed : text.hidden}
      </span>
      <span className="flex-1" />
      {reads && <InstrumentChoice use={use} label={text.instrument} className="chip max-[860px]:hidden" />}
      {instrument && instrument.kind !== "stopwatch" && (
        <Hint says={text.zeroHint}>
          <button
            type="button"
            className={`chip max-[860px]:hidden ${instrument.zero_due ? "border-[var(--brass)] bg-brass-wash" : ""}`}
            onClick={zero}
          >
            {use.fitting.length > 1 ? "" : `${text.kinds[instrument.kind] ?? instrument.kind} `}
            {use.fitting.length > 1 ? null : <b className="num">{instrument.code}</b>}
            <span className="num text-tiny">{text.calibration(instrument.expanded.toFixed(3))}</span> ·{" "}
            {zeroed(instrument, queue.now)}
          </button>
        </Hint>
      )}
    </Top>
  );
}

/** Whether readings of a specimen are still wanted. */
export function isDue(line: Schemas["QueueLine"]): boolean {
  return !line.rejected && line.done < line.due;
}

/** Specimens still to be measured, then those that are, then rejected ones. */
export function Queue({
  studyId,
  bench,
  active,
  choose,
  paste,
}: {
  studyId: string;
  bench: Schemas["MeasureQueue"];
  active: string;
  choose: (id: string) => void;
  paste: () => void;
}) {
  const { queue } = bench;
  const todo = queue.filter(isDue);
  const finished = queue.filter((q) => q.done >= q.due);
  const rejected = queue.filter((q) => q.rejected && q.done < q.due);
  return (
    <section aria-label={text.queue} className="sheet flex min-h-0 flex-col max-[1020px]:max-h-48">
      <div data-scrolls className="min-h-0 flex-1 overflow-y-auto">
        <h2 className="lab px-3 pt-2 pb-1">{text.toMeasure(todo.length)}</h2>
        <QueueList lines={todo} active={active} choose={choose} />
        {finished.length > 0 && <h2 className="lab px-3 pt-3 pb-1">{text.done(finished.length)}</h2>}
        <QueueList lines={finished} active={active} choose={choose} />
        {rejected.length > 0 && <h2 className="lab px-3 pt-3 pb-1">{text.rejected(rejected.length)}</h2>}
        <QueueList lines={rejected} active={active} choose={choose} />
      </div>
      <div className="flex flex-wrap gap-x-4 gap-y-1 border-t border-rule-2 px-3 py-2 text-small">
        <button type="button" className="underline" onClick={paste}>
          {text.paste.open}
        </button>
        <GaugeStudy studyId={studyId} queue={bench} />
      </div>
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
          className={`grid w-full grid-cols-[42px_1fr_auto] items-baseline gap-x-1.5 border-b border-rule-2 px-3 py-1.5 text-left text-small ${q.id === active ? "bg-station-on shadow-[inset_4px_0_var(--needle)]" : "hover:bg-station-on"}`}
        >
          <BlindTag code={q.blind_code} />
          <span className="truncate">{q.artifact}</span>
          <span className="num text-tiny text-ink-2">
            {q.done}/{q.due}
          </span>
        </button>
      )}
    </Windowed>
  );
}

function zeroed(instrument: Schemas["InstrumentNow"], now: string): string {
  if (!instrument.zero_at) return text.notZeroed;
  const minutes = Math.round((Date.parse(now) - Date.parse(instrument.zero_at)) / 60000);
  if (minutes < 90) return text.zeroed(`${minutes} min`);
  if (minutes < 48 * 60) return text.zeroed(`${Math.round(minutes / 60)} h`);
  return text.zeroedDays(Math.round(minutes / 1440));
}
