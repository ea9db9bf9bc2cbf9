import { useQuery } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { api, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { Trouble } from "../parts/bits";
import { text } from "./text";

/** What is due in the next weeks: calibrations, re-tests, drying, units that go back. */
export function Reminders() {
  const list = useQuery({
    queryKey: keys.reminders,
    queryFn: () => unwrap(api.GET("/api/reminders")),
    staleTime: 60_000,
  });
  if (list.isError) return <Trouble error={list.error} />;
  if (!list.data) return null;
  return (
    <section aria-label={text.reminders} className="sheet grid gap-1 p-4">
      <h2 className="flex items-baseline justify-between gap-2 font-bold">
        {text.reminders}
        {list.data.due.length > 0 && (
          <a className="text-small font-normal underline" href="/api/reminders.ics" download>
            {text.calendar}
          </a>
        )}
      </h2>
      {list.data.due.length === 0 && <p className="text-small text-ink-2">{text.noReminders}</p>}
      <ul>
        {list.data.due.map((r) => (
          <li key={r.key} className="border-b border-rule-2 py-1.5 text-small">
            {r.unit_id ? (
              <Link to="/machine/$unitId" params={{ unitId: r.unit_id }} className="underline">
                {r.words}
              </Link>
            ) : (
              r.words
            )}
            {r.over && <b className="ml-1.5 text-needle-ink">{text.over}</b>}
          </li>
        ))}
      </ul>
    </section>
  );
}
