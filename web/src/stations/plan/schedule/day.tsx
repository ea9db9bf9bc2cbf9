import { ArrowLeft } from "@phosphor-icons/react/dist/csr/ArrowLeft";
import { ArrowRight } from "@phosphor-icons/react/dist/csr/ArrowRight";
import { Printer } from "@phosphor-icons/react/dist/csr/Printer";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { useDay } from "../../../api/queries";
import { Top } from "../../../app/shell";
import { Empty, Skeleton } from "../../../parts/bits";
import { UnitName } from "../../../parts/unit-mark";
import { text } from "../text";
import { hour, weekday } from "./bench-time";

const VERBS = { start: "Start", remove: "Remove", dry: "Dry", dried: "Dry", weigh: "Weigh" };

/** What to do now: the next thing large, the rest of the day below; on paper as a sheet to tick. */
export default function Day({ studyId }: { studyId: string }) {
  const [day, setDay] = useState<string | null>(null);
  const view = useDay(studyId, day);
  const navigate = useNavigate();
  if (view.isError)
    return (
      <Empty title={text.nothingIsPlannedYet}>
        <p>{text.makeOneUnderScheduleThen(view.error.message)}</p>
      </Empty>
    );
  if (!view.data) return <Skeleton className="h-full" />;
  const { actions } = view.data;
  const due = actions.filter((a) => a.due);
  const later = actions.filter((a) => !a.due);
  const first = due[0] ?? later[0];
  const open = (a: Schemas["Action"]) =>
    a.job_id &&
    void navigate({
      to: "/study/$studyId/$station",
      params: { studyId, station: "print" },
      hash: a.job_id,
    });
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_300px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1 print:block print:h-auto">
      <Top>
        <button
          type="button"
          className="chip !px-1.5"
          aria-label={text.dayBefore}
          disabled={!view.data.before}
          onClick={() => setDay(view.data.before)}
        >
          <ArrowLeft size={15} />
        </button>
        <b className="text-body whitespace-nowrap">{weekday(view.data.day)}</b>
        <button
          type="button"
          className="chip !px-1.5"
          aria-label={text.nextDayWithSomething}
          disabled={!view.data.after}
          onClick={() => setDay(view.data.after)}
        >
          <ArrowRight size={15} />
        </button>
        <button type="button" className="chip" onClick={() => window.print()}>
          <Printer size={15} /> {text.daySheet}
        </button>
      </Top>
      <section
        aria-label={text.whatToDo}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
        tabIndex={0}
        className="sheet min-h-0 overflow-y-auto p-5 print:overflow-visible print:border-0 print:p-0"
      >
        <h2 className="hidden text-head font-bold print:block">
          {view.data.study}: {weekday(view.data.day)}
        </h2>
        <p className="hidden pb-2 text-tiny print:block">
          {text.planTimesInTickWhat(view.data.number, view.data.time_zone)}
        </p>
        {first ? (
          <div className="print:hidden">
            <p className="lab">{first.due ? text.now : text.next(hour(first.at))}</p>
            <p className="pt-0.5 text-title leading-tight font-bold [font-stretch:88%]">{first.words}</p>
            <p className="pt-1 text-body text-ink-2">
              {first.due && text.since(hour(first.at))}
              {first.detail}
            </p>
            {first.job_id && (
              <button
                type="button"
                className={`button big mt-3 ${first.due ? "now" : "primary"}`}
                onClick={() => open(first)}
              >
                {first.kind === "start" ? text.goToThisPrint : text.openItsRun}
              </button>
            )}
          </div>
        ) : (
          <Empty title={text.nothingToDoOn} />
        )}
        <ol className="mt-5 border-t border-rule print:mt-0" aria-label={text.theDayInOrder}>
          {actions.map((a, i) => (
            <li
              key={i}
              className="grid grid-cols-[18px_52px_66px_minmax(0,1fr)_auto] items-baseline gap-2 border-b border-rule-2 py-1.5 print:break-inside-avoid"
            >
              <i aria-hidden="true" className="size-3 self-center rounded-[3px] border border-ink-3" />
              <span
                className={`num text-small font-semibold ${a.due ? "text-needle-ink print:text-ink" : ""}`}
              >
                {hour(a.at)}
              </span>
              <span className="lab">{VERBS[a.kind]}</span>
              <span>
                <b className="font-semibold">{a.words}</b>
                <small className="block text-small text-ink-2">{a.detail}</small>
              </span>
              {a.machine && (
                <span className="text-small text-ink-2 print:hidden">
                  <UnitName mark={a.machine.mark} name="" />
                </span>
              )}
            </li>
          ))}
        </ol>
      </section>
      <section
        aria-label={text.ofTheDay}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
        tabIndex={0}
        className="sheet min-h-0 overflow-y-auto p-4 print:mt-4 print:border-0 print:p-0"
      >
        <h2 className="lab pb-1">{weekday(view.data.day)}</h2>
        <p className="text-head font-semibold">
          {text.startsRemovals(
            actions.filter((a) => a.kind === "start").length,
            actions.filter((a) => a.kind === "remove").length,
          )}
        </p>
        {due.length > 0 && <p className="pt-0.5 text-needle-ink print:hidden">{text.dueNow(due.length)}</p>}
        {view.data.overnight.length > 0 && (
          <>
            <h2 className="lab pt-4 pb-1">{text.printsOnWhenNobody}</h2>
            <ul className="grid gap-1 text-small">
              {view.data.overnight.map((o) => (
                <li key={o}>{o}</li>
              ))}
            </ul>
            <p className="caution mt-2">{text.onlyOnUnitsWhose}</p>
          </>
        )}
        {view.data.cautions.length > 0 && <h2 className="lab pt-4 pb-1">{text.mind}</h2>}
        <div className="grid gap-1.5">
          {view.data.cautions.map((c) => (
            <p key={c} className="caution">
              {c}
            </p>
          ))}
        </div>
      </section>
    </div>
  );
}
