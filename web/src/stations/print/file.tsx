import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { isOpen, useChange, useTake } from "../../api/queries";
import { duration, Trouble } from "../../parts/bits";
import { DropZone } from "../../parts/drop";
import { Explained } from "../../parts/hint";
import { Working } from "../../parts/working";
import { text } from "./text";

/** Where a job's sliced file is dropped. */
export function FileDrop({
  studyId,
  jobId,
  small = false,
  label,
}: {
  studyId: string;
  jobId: string;
  small?: boolean;
  label?: string;
}) {
  const took = useTake(studyId, keys.job(studyId, jobId));
  return (
    <DropZone<Schemas["JobView"]>
      label={label ?? (small ? text.dropAnotherFileInstead : text.dropFile)}
      hint={small ? undefined : text.dropHint}
      accept=".gcode,.gco,.g,.nc,.gz,.3mf,text/plain"
      small={small}
      path={(name, plate) =>
        `/api/jobs/${jobId}/file?id=${newId()}&name=${encodeURIComponent(name)}${plate ? `&plate=${plate}` : ""}`
      }
      took={took}
    />
  );
}

/** What the sliced file says of itself, read and not retyped. */
export function SlicedFile({
  studyId,
  job,
  may,
  look,
}: {
  studyId: string;
  job: Schemas["JobView"];
  may: boolean;
  look: () => void;
}) {
  const file = job.file;
  // A file that states no time has the planned one in its place.
  const planned = file?.time_from.startsWith("planned");
  const withdraw = useChange(studyId, keys.job(studyId, job.id), (id: string) =>
    unwrap(
      api.DELETE("/api/jobs/{job_id}/files/{file_id}", {
        params: { path: { job_id: job.id, file_id: id } },
      }),
    ),
  );
  const settled = job.runs.some((r) => r.outcome === null || r.outcome === "done");
  const reading = job.reading && (
    <div className="pt-1">
      {isOpen(job.reading) ? (
        <Working work={job.reading} label={text.readingTheFile} />
      ) : (
        <p role="alert" className="trouble">
          {job.reading.message}
        </p>
      )}
    </div>
  );
  if (!file)
    return (
      <>
        <h2 className="lab">{text.slicedFile}</h2>
        {reading}
        <p className="pt-1 text-small text-ink-2">{text.noneYetItsTime}</p>
      </>
    );
  return (
    <>
      <h2 className="lab">{text.slicedFile}</h2>
      {reading}
      <p className="truncate pt-1 text-body font-semibold" title={file.name}>
        {file.name}
      </p>
      {file.picture && (
        <img
          src={`/api/files/${file.id}/picture`}
          alt={text.thePartAsTheFile}
          className="my-1 max-h-[110px] rounded border border-rule"
        />
      )}
      <p className="text-small text-ink-2">
        {text.mbLines(
          (file.size_bytes / 1e6).toFixed(1),
          file.lines.toLocaleString("en").replaceAll(",", " "),
        )}
        {file.partial && <b className="text-brass-ink"> {text.readInPart}</b>}
      </p>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 text-small">
        <Fact
          name={planned ? text.timePlannedFromItsMoves : text.timeEstimate}
          value={file.time_s === null ? null : duration(file.time_s)}
          needs={file.time_needs && text.notStated}
          from={file.time_from}
        />
        {file.motion && !planned && (
          <Fact
            name={text.plannedFromItsMoves}
            value={duration(file.motion.planned_s)}
            from={file.motion.on}
          />
        )}
        <Fact
          name="Filament"
          value={file.mass_g === null ? null : `${file.mass_g.toFixed(2)} g`}
          needs={text.needsDensityAndDiameter}
          from={file.tools[0]?.mass_from ?? ""}
        />
        {file.tools.map((t) => (
          <Fact
            key={t.tool}
            name={file.tools.length > 1 ? `Length, tool ${t.tool + 1}` : "Length"}
            value={`${(t.length_mm / 1000).toFixed(3)} m`}
            from={t.length_from}
          />
        ))}
        <Fact
          name="Layers"
          value={file.layers === null ? null : String(file.layers)}
          needs={file.layers_need && text.notStated}
          from=""
        />
        {file.parts !== null && file.parts > 1 && (
          <Fact
            name={text.oneOfParts(file.parts)}
            value={text.ofOnePart(
              file.mass_g === null ? null : (file.mass_g / file.parts).toFixed(2),
              file.time_s === null ? null : duration(file.time_s / file.parts),
            )}
            from={text.byNames}
          />
        )}
        {file.tool_changes > 0 && <Fact name={text.toolChanges} value={String(file.tool_changes)} from="" />}
      </dl>
      <button type="button" className="button mt-2 w-full" onClick={look}>
        {text.whereTimeAndFilament}
      </button>
      {file.deviations.length > 0 && (
        <div className="mt-3 border-l-3 border-brass bg-brass-wash px-2.5 py-1.5 text-small">
          <b>{text.deviates}</b>
          <ul>
            {file.deviations.map((d) => (
              <li key={d.setting}>{text.insteadOf(d.setting, d.found, d.wanted, d.unit)}</li>
            ))}
          </ul>
          {file.accepted && <p className="pt-1">{text.accepted(file.accepted)}</p>}
        </div>
      )}
      {file.deviations.length === 0 && (
        <p className="mt-2 text-small text-ok-ink">{text.settingsAgreeWithThe}</p>
      )}
      {file.silent.length > 0 && <p className="mt-1 text-small text-ink-2">{text.silent(file.silent)}</p>}
      {file.warnings.map((w) => (
        <p key={w} className="mt-1 text-small text-brass-ink">
          {w}
        </p>
      ))}
      {may && !settled && (
        <div className="mt-3 grid gap-2">
          <FileDrop studyId={studyId} jobId={job.id} small />
          {!job.runs.some((r) => r.outcome !== null) && (
            <button
              type="button"
              className="button"
              disabled={withdraw.isPending}
              onClick={() => withdraw.mutate(file.id)}
            >
              {text.withdraw}
            </button>
          )}
          <Trouble error={withdraw.error} />
        </div>
      )}
    </>
  );
}

function Fact({
  name,
  value,
  needs,
  from,
}: {
  name: string;
  value: string | null;
  needs?: string | null;
  from: string;
}) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd className="num text-right text-small font-semibold">
        <Explained says={from && text.from(from)}>
          {value ?? <span className="font-normal text-ink-2">{needs}</span>}
        </Explained>
      </dd>
    </>
  );
}
