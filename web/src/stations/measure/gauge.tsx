import { useQuery } from "@tanstack/react-query";
import { Dialog } from "radix-ui";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { useChange, useMe } from "../../api/queries";
import { BlindTag, day, Field, Key, Skeleton, Trouble } from "../../parts/bits";
import { Choice } from "../../parts/form/choice";
import { typedNumber } from "../../parts/numbers";
import { Refused } from "../../parts/refused";
import { SentValue, sends } from "../../parts/sent-value";
import { GaugeChart } from "./gauge-chart";
import { text } from "./text";

type View = Schemas["GaugeView"];
type Study = Schemas["GaugeOut"];

/** Several people read the same faces again and again, blind to each other: what the measuring itself is worth. */
export function GaugeStudy({ studyId, queue }: { studyId: string; queue: Schemas["MeasureQueue"] }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="underline">{text.gauge.open}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="sheet fixed top-12 left-1/2 z-20 flex max-h-[86vh] w-[min(820px,96vw)] -translate-x-1/2 flex-col gap-3 overflow-y-auto p-5"
        >
          <Dialog.Title className="text-head font-bold">{text.gauge.title}</Dialog.Title>
          {open && <Studies studyId={studyId} queue={queue} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Studies({ studyId, queue }: { studyId: string; queue: Schemas["MeasureQueue"] }) {
  const me = useMe();
  const view = useQuery({
    queryKey: keys.gauges(studyId),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/gauge-studies", { params: { path: { study_id: studyId } } })),
  });
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-72" />;
  const leads = me.data?.role === "owner" || me.data?.role === "reviewer";
  const running = view.data.studies.find((s) => !s.ended_at);
  const ended = view.data.studies.filter((s) => s.ended_at);
  return (
    <>
      <p className="text-ink-2">{text.gauge.hint}</p>
      {running ? (
        <Running studyId={studyId} study={running} queue={queue} leads={leads} />
      ) : leads ? (
        <Begin studyId={studyId} view={view.data} queue={queue} />
      ) : (
        <p>{text.gauge.noneRunning}</p>
      )}
      {ended.map((s) => (
        <Result key={s.id} study={s} />
      ))}
    </>
  );
}

function Begin({ studyId, view, queue }: { studyId: string; view: View; queue: Schemas["MeasureQueue"] }) {
  const [tool, setTool] = useState<string | null>(null);
  const [faces, setFaces] = useState<string[]>([]);
  const [people, setPeople] = useState<string[]>([]);
  const [parts, setParts] = useState("8");
  const [repeats, setRepeats] = useState("3");
  const instrument = queue.instruments.find((i) => i.id === tool);
  const fitting = view.faces.filter((f) => instrument && f.instruments.includes(instrument.kind));
  const usable = queue.instruments.filter((i) => view.faces.some((f) => f.instruments.includes(i.kind)));
  const begin = useChange(studyId, keys.gauges(studyId), () =>
    unwrap(
      api.POST("/api/studies/{study_id}/gauge-studies", {
        params: { path: { study_id: studyId } },
        body: {
          id: newId(),
          instrument_id: tool ?? "",
          feature_ids: faces,
          people,
          parts: Number(parts),
          repeats: Number(repeats),
        },
      }),
    ),
  );
  if (view.faces.length === 0) return <p>{text.gauge.noFaces}</p>;
  const available = fitting.filter((f) => faces.includes(f.feature_id)).reduce((n, f) => n + f.specimens, 0);
  const taken = Math.min(available, Number(parts));
  const flip = (list: string[], id: string) =>
    list.includes(id) ? list.filter((x) => x !== id) : [...list, id];
  const lacks = !tool
    ? text.gauge.lacksTool
    : faces.length === 0
      ? text.gauge.lacksFaces
      : people.length < 2
        ? text.gauge.lacksPeople
        : "";
  return (
    <section aria-label={text.gauge.begin} className="grid gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <Field label={text.instrument}>
          <Choice
            label={text.instrument}
            placeholder={text.gauge.choose}
            value={tool}
            options={usable.map((i) => ({ value: i.id, name: i.code, note: i.kind }))}
            change={(id) => {
              setTool(id);
              setFaces([]);
            }}
          />
        </Field>
        <Field label={text.gauge.parts}>
          <Choice
            label={text.gauge.parts}
            value={parts}
            options={["2", "3", "5", "8", "10", "12"].map((n) => ({ value: n, name: n }))}
            change={setParts}
          />
        </Field>
        <Field label={text.gauge.repeats}>
          <Choice
            label={text.gauge.repeats}
            value={repeats}
            options={["2", "3", "4", "5"].map((n) => ({ value: n, name: n }))}
            change={setRepeats}
          />
        </Field>
      </div>
      {instrument && (
        <fieldset>
          <legend className="lab">{text.gauge.faces}</legend>
          <div className="flex max-h-40 flex-wrap gap-x-4 gap-y-1 overflow-y-auto pt-1">
            {fitting.map((f) => (
              <label key={f.feature_id} className="flex items-baseline gap-1.5">
                <input
                  type="checkbox"
                  checked={faces.includes(f.feature_id)}
                  onChange={() => setFaces(flip(faces, f.feature_id))}
                />
                <span>
                  {f.artifact} <b>{f.face}</b>{" "}
                  <span className="text-small text-ink-2">{text.gauge.specimens(f.specimens)}</span>
                </span>
              </label>
            ))}
          </div>
        </fieldset>
      )}
      <fieldset>
        <legend className="lab">{text.gauge.people}</legend>
        <div className="flex flex-wrap gap-x-4 gap-y-1 pt-1">
          {view.people.map((p) => (
            <label key={p.id} className="flex items-baseline gap-1.5">
              <input
                type="checkbox"
                checked={people.includes(p.id)}
                onChange={() => setPeople(flip(people, p.id))}
              />
              {p.name}
            </label>
          ))}
        </div>
      </fieldset>
      <Trouble error={begin.error} />
      <div className="flex items-center gap-3">
        <button
          type="button"
          className="button primary"
          disabled={lacks !== "" || begin.isPending}
          onClick={() => begin.mutate()}
        >
          {text.gauge.begin}
        </button>
        <span className="text-small text-ink-2">
          {lacks || text.gauge.work(taken, people.length, Number(repeats))}
        </span>
      </div>
    </section>
  );
}

function Running({
  studyId,
  study,
  queue,
  leads,
}: {
  studyId: string;
  study: Study;
  queue: Schemas["MeasureQueue"];
  leads: boolean;
}) {
  const [sure, setSure] = useState(false);
  const end = useChange(studyId, keys.gauges(studyId), () =>
    unwrap(api.POST("/api/gauge-studies/{gauge_id}/end", { params: { path: { gauge_id: study.id } } })),
  );
  const complete = study.people.every((p) => p.done === p.due);
  return (
    <section aria-label={text.gauge.running} className="grid gap-3">
      <ul className="flex flex-wrap gap-2">
        {study.people.map((p) => (
          <li key={p.name} className={`chip ${p.me ? "border-enamel" : ""}`}>
            {p.name} <b className="num">{`${p.done}/${p.due}`}</b>
          </li>
        ))}
      </ul>
      {study.next ? (
        <Reading studyId={studyId} study={study} next={study.next} queue={queue} />
      ) : (
        !complete && (
          <p role="status">{study.people.some((p) => p.me) ? text.gauge.yoursDone : text.gauge.notYours}</p>
        )
      )}
      {complete && <Result study={study} />}
      <Trouble error={end.error} />
      {leads && (
        <div className="flex items-center gap-3">
          <button
            type="button"
            className={complete && study.says ? "button primary" : "button"}
            disabled={end.isPending}
            onClick={() => (complete || sure ? end.mutate() : setSure(true))}
          >
            {complete ? text.gauge.end : sure ? text.gauge.sure : text.gauge.giveUp}
          </button>
          {complete && <span className="text-small text-ink-2">{text.gauge.endHint}</span>}
        </div>
      )}
    </section>
  );
}

function Reading({
  studyId,
  study,
  next,
  queue,
}: {
  studyId: string;
  study: Study;
  next: Schemas["GaugeNext"];
  queue: Schemas["MeasureQueue"];
}) {
  const outbox = useOutbox();
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState("");
  const path = `/api/gauge-studies/${study.id}/readings`;
  const waiting = outbox.filter((e) => e.path === path);
  // The next part is asked for once the server has this one.
  const sending = waiting.some((e) => !e.refused);
  const back = useChange(studyId, keys.gauges(studyId), (reading: string) =>
    unwrap(
      api.POST("/api/gauge-readings/{reading_id}/back", {
        params: { path: { reading_id: reading } },
        body: { id: newId() },
      }),
    ),
  );
  const kind = queue.instruments.find((i) => i.id === study.instrument_id)?.kind;
  const keep = () => {
    const value = typedNumber(typed);
    if (value === null) return setWrong(text.wrong);
    if (sending) return;
    setWrong("");
    setTyped("");
    put({
      label: text.gauge.label(next.blind_code, next.face),
      study: studyId,
      path,
      body: { id: newId(), part: next.part, repeat: next.repeat, value },
      moment: "taken_at",
      takes: keys.gauges(studyId),
    }).catch((e: Error) => setWrong(e.message || text.noRoom));
  };
  return (
    <div className="grid gap-1">
      <label className="text-title" htmlFor="gauge-reading">
        <BlindTag code={next.blind_code} /> <b>{next.face}</b>{" "}
        <span className="text-ink-2">{text.gauge.withTool(study.instrument)}</span>
      </label>
      <p className="text-small text-ink-2">{next.method}</p>
      <input
        id="gauge-reading"
        key={`${next.part} ${next.repeat}`}
        className="num w-60 border-0 border-b-3 border-[var(--needle)] bg-transparent text-gauge leading-[1.15] font-medium outline-none placeholder:text-[var(--rule)]"
        inputMode="decimal"
        autoComplete="off"
        autoFocus
        value={typed}
        placeholder={next.unit}
        onChange={(e) => {
          setTyped(e.target.value.replace(/[^\d.,-]/g, ""));
          setWrong("");
        }}
        onKeyDown={(e) => {
          if (e.key !== "Enter") return;
          e.preventDefault();
          keep();
        }}
      />
      <div className="flex flex-wrap items-center gap-3 pt-1">
        <button type="button" className="button primary" disabled={sending} onClick={keep}>
          {text.gauge.keep} <Key>{text.enter}</Key>
        </button>
        {kind && sends(kind) && <SentValue kind={kind} take={setTyped} />}
        {study.last && (
          <button
            type="button"
            className="text-small underline"
            disabled={back.isPending}
            onClick={() => study.last && back.mutate(study.last)}
          >
            {text.gauge.back}
          </button>
        )}
      </div>
      {wrong && (
        <p role="alert" className="trouble">
          {wrong}
        </p>
      )}
      <Trouble error={back.error} />
      <Refused entries={waiting} />
    </div>
  );
}

function Result({ study }: { study: Study }) {
  const says = study.says;
  const digits = study.digits + 1;
  const amount = (value: number) => `${value.toFixed(digits)} ${study.unit}`;
  return (
    <section
      aria-label={text.gauge.resultOf(study.instrument)}
      className="grid gap-2 border-t border-rule-2 pt-3"
    >
      <p className="lab">
        {study.ended_at
          ? says
            ? text.gauge.holdsFrom(study.instrument, day(study.ended_at))
            : text.gauge.givenUp(study.instrument, day(study.ended_at))
          : text.gauge.resultOf(study.instrument)}
      </p>
      {says ? (
        <>
          <p className="text-lead">{says.words}</p>
          {says.rough && <p className="text-small text-ink-2">{says.rough}</p>}
          <div className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-6 max-[700px]:grid-cols-1">
            <dl className="grid grid-cols-[auto_auto] content-start gap-x-4 gap-y-0.5 text-small">
              <dt>{text.gauge.repeatability(says.dof)}</dt>
              <dd className="num text-right">{amount(says.repeatability)}</dd>
              <dt>{text.gauge.reproducibility}</dt>
              <dd className="num text-right">{amount(says.reproducibility)}</dd>
              <dt>{text.gauge.part}</dt>
              <dd className="num text-right">{amount(says.part)}</dd>
            </dl>
            <GaugeChart study={study} />
          </div>
        </>
      ) : (
        study.needs && <p>{study.needs}</p>
      )}
    </section>
  );
}
