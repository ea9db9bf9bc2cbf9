import { type FormEvent, useState } from "react";
import { Refusal, type Schemas, sendFile } from "../../api/client";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";

type Columns = Record<string, string>;

const HOLDS = [
  ["time", "Time"],
  ["date", text.dateWhereItStandsApart],
  ["power", text.powerWOrKw],
  ["current", "Current, A"],
  ["voltage", "Voltage, V"],
  ["counter", text.counterWhOrKwh],
] as const;

/** Takes a power log; where its columns are not understood, they are shown and named by the person. */
export function PowerLog({
  run,
  meter,
  took,
}: {
  run: Schemas["RunOut"];
  /** The meter that wrote the log, where several are listed. */
  meter: string | undefined;
  took: (job: Schemas["JobView"]) => void;
}) {
  const [file, setFile] = useState<File | null>(null);
  const [heading, setHeading] = useState<Schemas["TraceHeading"] | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (log: File, columns: Columns) => {
    setBusy(true);
    setError(null);
    const stop = new AbortController().signal;
    try {
      const query = new URLSearchParams({
        version: String(run.version),
        ...(meter ? { instrument_id: meter } : {}),
        ...columns,
      });
      took(await sendFile(`/api/runs/${run.id}/trace?${query}`, log, () => {}, stop));
      setFile(null);
      setHeading(null);
    } catch (e) {
      setError(e as Error);
      if (e instanceof Refusal && e.status === 422) {
        try {
          setHeading(await sendFile("/api/power-logs/heading", log, () => {}, stop));
          setFile(log);
        } catch {
          setHeading(null);
        }
      }
    } finally {
      setBusy(false);
    }
  };
  const map = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const columns: Columns = {};
    for (const [name, value] of form) if (String(value).trim()) columns[name] = String(value).trim();
    if (file) void send(file, columns);
  };
  return (
    <div className="mt-2">
      <label className="grid min-h-[44px] cursor-pointer place-items-center rounded-[6px] border-2 border-dashed border-[var(--ink-3)] p-2 text-center text-body font-semibold has-focus-visible:outline-2 has-focus-visible:outline-needle">
        {busy ? text.readingTheLog : text.dropTrace}
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          className="sr-only"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            e.target.value = "";
            if (chosen) void send(chosen, {});
          }}
        />
      </label>
      <Trouble error={error} />
      {heading && (
        <form
          onSubmit={map}
          aria-label={text.columnsOfTheLog}
          className="mt-2 grid gap-2 rounded border border-rule p-2"
        >
          <p className="text-small">
            <b>{text.whichColumnIsWhat}</b> {text.itsFirstRows}
          </p>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls */}
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={text.firstRowsOfThe}>
            <table className="num text-tiny">
              <thead>
                <tr>
                  {heading.heading.map((h) => (
                    <th key={h} className="px-1.5 text-left">
                      {h}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {heading.rows.slice(0, 2).map((row) => (
                  <tr key={row.join()}>
                    {row.map((cell, i) => (
                      <td key={heading.heading[i] ?? i} className="px-1.5 whitespace-nowrap">
                        {cell}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <div className="grid grid-cols-2 gap-1.5">
            {HOLDS.map(([name, label]) => (
              <Field key={name} label={label}>
                <select className="input" name={name} defaultValue="">
                  <option value="">–</option>
                  {heading.heading.map((h) => (
                    <option key={h}>{h}</option>
                  ))}
                </select>
              </Field>
            ))}
            <Field label={text.timeZone}>
              <input
                className="input"
                name="zone"
                defaultValue={Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC"}
              />
            </Field>
            <Field label={text.formOfItsDates}>
              <input className="input num" name="time_format" placeholder="%d.%m.%Y %H:%M:%S" />
            </Field>
          </div>
          <div className="flex gap-2">
            <button type="submit" className="button" disabled={busy}>
              {text.readItSo}
            </button>
            <button type="button" className="button" onClick={() => setHeading(null)}>
              {text.back}
            </button>
          </div>
        </form>
      )}
    </div>
  );
}
