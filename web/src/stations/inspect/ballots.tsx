import { useQuery } from "@tanstack/react-query";
import { Dialog } from "radix-ui";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { day, Field, Skeleton, Trouble } from "../../parts/bits";
import { Choice } from "../../parts/form/choice";
import { text } from "./text";

type List = Schemas["BallotList"];

/** Ballots for an audience: opened, their address, what was said so far, closed again. */
export function Ballots({ studyId }: { studyId: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="justify-self-start text-left text-small underline">
        {text.ballots.open}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="sheet fixed top-12 left-1/2 z-20 flex max-h-[86vh] w-[min(760px,96vw)] -translate-x-1/2 flex-col gap-3 overflow-y-auto p-5"
        >
          <Dialog.Title className="text-head font-bold">{text.ballots.title}</Dialog.Title>
          <p className="text-ink-2">{text.ballots.hint}</p>
          {open && <Sheet studyId={studyId} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Sheet({ studyId }: { studyId: string }) {
  const view = useQuery({
    queryKey: keys.ballots(studyId),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/ballots", { params: { path: { study_id: studyId } } })),
    refetchInterval: 15_000,
  });
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-56" />;
  return (
    <>
      <Begin studyId={studyId} view={view.data} />
      {view.data.ballots.map((b) => (
        <One key={b.id} studyId={studyId} ballot={b} />
      ))}
    </>
  );
}

function Begin({ studyId, view }: { studyId: string; view: List }) {
  const ready = view.lines.filter((l) => !l.needs);
  const [line, setLine] = useState<string | null>(null);
  const [question, setQuestion] = useState(view.question);
  const [days, setDays] = useState("7");
  const begin = useChange(studyId, keys.ballots(studyId), () =>
    unwrap(
      api.POST("/api/studies/{study_id}/ballots", {
        params: { path: { study_id: studyId } },
        body: {
          id: newId(),
          line: Number(line ?? ready[0]?.number),
          question,
          closes_at: new Date(Date.now() + Number(days) * 86_400_000).toISOString(),
        },
      }),
    ),
  );
  if (ready.length === 0) return <p className="caution">{view.lines[0]?.needs ?? text.ballots.nothing}</p>;
  return (
    <section aria-label={text.ballots.begin} className="grid gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <Field label={text.ballots.piece}>
          <Choice
            label={text.ballots.piece}
            value={line ?? String(ready[0]?.number)}
            options={ready.map((l) => ({
              value: String(l.number),
              name: l.artifact,
              note: text.ballots.photographed(l.photographed),
            }))}
            change={setLine}
          />
        </Field>
        <Field label={text.ballots.openFor}>
          <Choice
            label={text.ballots.openFor}
            value={days}
            options={["1", "3", "7", "14", "30"].map((d) => ({
              value: d,
              name: text.ballots.days(Number(d)),
            }))}
            change={setDays}
          />
        </Field>
      </div>
      <Field label={text.ballots.question}>
        <input
          className="input"
          maxLength={200}
          value={question}
          onChange={(e) => setQuestion(e.target.value)}
        />
      </Field>
      <Trouble error={begin.error} />
      <div>
        <button
          type="button"
          className="button primary"
          disabled={question.trim().length < 5 || begin.isPending}
          onClick={() => begin.mutate()}
        >
          {text.ballots.begin}
        </button>
      </div>
    </section>
  );
}

function One({ studyId, ballot }: { studyId: string; ballot: Schemas["BallotOut"] }) {
  const close = useChange(studyId, keys.ballots(studyId), () =>
    unwrap(api.POST("/api/ballots/{ballot_id}/close", { params: { path: { ballot_id: ballot.id } } })),
  );
  const address = `${window.location.origin}/ballot/${ballot.key}`;
  const reach = Math.max(1, ...ballot.standing.map((s) => Math.abs(s.ability) + s.expanded));
  return (
    <section aria-label={text.ballots.of(ballot.artifact)} className="grid gap-2 border-t border-rule-2 pt-3">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="font-bold">{ballot.artifact}</h3>
        <span className="text-small text-ink-2">
          {ballot.open
            ? text.ballots.until(day(ballot.closes_at))
            : text.ballots.closedOn(day(ballot.closed_at ?? ballot.closes_at))}
        </span>
      </div>
      <p>{ballot.question}</p>
      {ballot.open && (
        <p className="text-small">
          {text.ballots.address}{" "}
          <a className="num underline" href={address} target="_blank" rel="noreferrer">
            {address}
          </a>
        </p>
      )}
      <p>
        {ballot.words} {ballot.votes > 0 && text.ballots.ties(ballot.ties)}
      </p>
      {ballot.standing.length > 0 && (
        <table className="table w-full text-small">
          <thead>
            <tr>
              {text.ballots.heads.map((h, i) => (
                <th key={h} className={i === 0 ? "text-left" : ""}>
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ballot.standing.map((s) => (
              <tr key={s.name}>
                <td className="!text-left">{s.name}</td>
                <td className="w-1/2">
                  <svg
                    viewBox="0 0 200 14"
                    className="h-3.5 w-full"
                    aria-hidden="true"
                    preserveAspectRatio="none"
                  >
                    <line x1={100} x2={100} y1={0} y2={14} className="stroke-[var(--rule)]" />
                    <line
                      x1={100 + ((s.ability - s.expanded) / reach) * 98}
                      x2={100 + ((s.ability + s.expanded) / reach) * 98}
                      y1={7}
                      y2={7}
                      className="stroke-[var(--ink-2)] stroke-2"
                    />
                    <line
                      x1={100 + (s.ability / reach) * 98}
                      x2={100 + (s.ability / reach) * 98}
                      y1={1}
                      y2={13}
                      vectorEffect="non-scaling-stroke"
                      className="stroke-[var(--ink)] stroke-[5]"
                    />
                  </svg>
                </td>
                <td className="num">{text.ballots.amount(s.ability, s.expanded)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Trouble error={close.error} />
      {ballot.open && (
        <div>
          <button type="button" className="button" disabled={close.isPending} onClick={() => close.mutate()}>
            {text.ballots.close}
          </button>
        </div>
      )}
    </section>
  );
}
