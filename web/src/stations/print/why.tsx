import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { isOpen, useChange, useSettings, useWhy } from "../../api/queries";
import { Trouble } from "../../parts/bits";
import { Working } from "../../parts/working";
import { text } from "./text";
import { TINT } from "./tints";

/** The same artifact on another machine: the difference in time, split into causes that add up. */
export function Why({
  studyId,
  job,
  jobs,
  may,
}: {
  studyId: string;
  job: Schemas["JobView"];
  jobs: Schemas["JobLine"][];
  may: boolean;
}) {
  const others = jobs.filter(
    (j) =>
      j.id !== job.id &&
      j.has_file &&
      j.artifact === job.artifact &&
      j.machine.unit_id !== job.machine.unit_id,
  );
  const first = others.filter(
    (j, i) => others.findIndex((o) => o.machine.unit_id === j.machine.unit_id) === i,
  );
  const [other, setOther] = useState<string | null>(null);
  const chosen = other ?? first[0]?.id ?? null;
  const why = useWhy(studyId, job.id, chosen);
  const ask = useChange(studyId, ["asked"], () =>
    unwrap(
      api.POST("/api/jobs/{job_id}/why", {
        params: { path: { job_id: job.id } },
        body: { id: newId(), other_id: chosen! },
      }),
    ),
  );
  if (first.length === 0) return null;
  const parts = (why.data?.parts ?? []).filter((p) => Math.abs(p.seconds) >= 1);
  const most = Math.max(...parts.map((p) => Math.abs(p.seconds)), 1);
  const working = why.data?.work && isOpen(why.data.work) ? why.data.work : null;
  return (
    <div className="pt-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="lab">{text.againstAnotherMachine}</h2>
        <select
          className="input !w-auto"
          aria-label={text.theOtherMachine}
          value={chosen ?? ""}
          onChange={(e) => setOther(e.target.value)}
        >
          {first.map((j) => (
            <option key={j.id} value={j.id}>
              {j.machine.name}
              {j.arm && `, ${j.arm}`}
            </option>
          ))}
        </select>
      </div>
      <Trouble error={why.error ?? ask.error} />
      {why.data && why.data.first_s !== null && (
        <>
          <p className="pt-1 text-body font-semibold">{why.data.says}</p>
          <ul className="grid gap-0.75 pt-1">
            {parts.map((p) => (
              <li key={p.cause} className="grid grid-cols-[170px_1fr_90px] items-center gap-2 text-small">
                <span>{p.words}</span>
                <span className="relative block h-[12px]">
                  <i className="absolute left-1/2 h-full border-l border-rule" />
                  <i
                    className="absolute block h-full rounded-full"
                    style={{
                      background: TINT[p.cause],
                      width: `${(50 * Math.abs(p.seconds)) / most}%`,
                      [p.seconds > 0 ? "left" : "right"]: "50%",
                    }}
                  />
                </span>
                <span className="num text-right text-small">
                  {text.min(p.seconds > 0 ? "+" : "−", (Math.abs(p.seconds) / 60).toFixed(1))}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {working && <Working work={working} label={text.comparingTheTwoFiles} />}
      {why.data && why.data.first_s === null && !working && (
        <p className="flex items-center gap-2 pt-1 text-small text-ink-2">
          {why.data.work?.message || text.theseFilesAreLargeComparing}
          {may && (
            <button
              type="button"
              className="button"
              disabled={ask.isPending}
              onClick={() => ask.mutate(undefined, { onSuccess: () => void why.refetch() })}
            >
              {text.compareThem}
            </button>
          )}
        </p>
      )}
    </div>
  );
}

/** Only what differs between this file and the other machines', by what it affects. */
export function Settings({ studyId, jobId }: { studyId: string; jobId: string }) {
  const view = useSettings(studyId, jobId);
  if (!view.data) return <Trouble error={view.error} />;
  const { files, rows } = view.data;
  if (files.length < 2) return <p className="pt-3 text-small text-ink-2">{text.noOtherMachineHas}</p>;
  const groups = [...new Set(rows.map((r) => r.affects))];
  return (
    <div className="pt-3">
      <h2 className="lab">
        {rows.length === 0 ? text.settingsTheSameInAll : text.settingsDifferBetweenTheMachines(rows.length)}
      </h2>
      {rows.length > 0 && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
        <div className="mt-1 overflow-x-auto" tabIndex={0} role="region" aria-label={text.settingsThatDiffer}>
          <table className="text-small">
            <thead>
              <tr>
                <th className="lab pr-3 text-left font-semibold">{text.setting}</th>
                {files.map((f, i) => (
                  <th
                    key={f.file_id}
                    className={`px-2 text-left align-bottom font-semibold whitespace-nowrap ${i === 0 ? "text-needle-ink" : ""}`}
                    title={f.name}
                  >
                    {i === 0 ? text.thisFile : f.machine}
                    {i > 0 && f.arm && files.some((o) => o !== f && o.machine === f.machine) && (
                      <small className="block font-normal text-ink-2">{f.arm}</small>
                    )}
                  </th>
                ))}
              </tr>
            </thead>
            {groups.map((group) => (
              <tbody key={group}>
                <tr>
                  <th colSpan={files.length + 1} scope="rowgroup" className="pt-2 text-left font-semibold">
                    {group.charAt(0).toUpperCase() + group.slice(1)}
                  </th>
                </tr>
                {rows
                  .filter((r) => r.affects === group)
                  .map((r) => (
                    <tr key={r.key} className="border-t border-rule-2">
                      <th scope="row" className="py-0.5 pr-3 text-left font-normal whitespace-nowrap">
                        {r.key.replaceAll("_", " ")}
                      </th>
                      {r.values.map((v, i) => (
                        <td
                          key={files[i]!.file_id}
                          className={`num max-w-[130px] truncate px-2 text-small ${i > 0 && v !== null && v !== r.values[0] ? "font-semibold" : "text-ink-2"}`}
                          title={v ?? text.notStated}
                        >
                          {v ?? "·"}
                        </td>
                      ))}
                    </tr>
                  ))}
              </tbody>
            ))}
          </table>
        </div>
      )}
    </div>
  );
}
