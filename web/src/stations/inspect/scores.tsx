import { useQuery } from "@tanstack/react-query";
import { Fragment, useRef, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { outboxNow, put, useOutbox } from "../../api/outbox";
import { useAnchors, useChange, useMe } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { AnchorPicture } from "../../parts/anchor-picture";
import { BlindTag, Field, Key, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { Refused } from "../../parts/refused";
import { LookPanel } from "./looks";
import { OwnFault } from "./own-fault";
import { Pinned } from "./pinned";
import { List } from "./queue";
import { Reveal } from "./reveal";
import { text } from "./text";

/** The faults of one specimen after the other, scored by their anchors, locked, and looked at before and after. */
export function Scores({ studyId, view }: { studyId: string; view: Schemas["InspectView"] }) {
  const me = useMe();
  const [chosen, setChosen] = useState<string | null>(null);
  const [at, setAt] = useState(0);
  // Those nobody has locked come first; a second look at the rest is welcome.
  const [change, setChange] = useState<{ severity: number; reason: string } | null>(null);
  const outbox = useOutbox();
  // What is pressed counts at once; the server hears of it in the same order.
  const effective = (s: Schemas["SpecimenScores"]) => {
    const waiting = outboxNow().filter(
      (e) => e.person === me.data?.person_id && e.path === `/api/specimens/${s.id}/scores` && !e.refused,
    );
    const scores = new Map(
      s.scores.map((score) => [score.defect, { id: score.id, severity: score.severity }]),
    );
    for (const e of waiting)
      scores.set(String(e.body?.defect), { id: String(e.body?.id), severity: Number(e.body?.severity) });
    return scores;
  };
  const locks = (s: Schemas["SpecimenScores"]) =>
    s.locked ||
    outbox.some(
      (e) => e.person === me.data?.person_id && e.path === `/api/specimens/${s.id}/lock` && !e.refused,
    );
  const wanted = view.specimens.filter((s) => !locks(s) && !s.rejected);
  const fresh = wanted.filter((s) => s.locked_by_others === 0);
  const again = wanted.filter((s) => s.locked_by_others > 0);
  const rejected = view.specimens.filter((s) => !locks(s) && s.rejected);
  const open = [...fresh, ...again];
  const done = view.specimens.filter(locks);
  const lists: [string, Schemas["SpecimenScores"][]][] = [
    [text.toInspect(fresh.length), fresh],
    [text.again(again.length), again],
    [text.locked(done.length), done],
    [text.notWanted(rejected.length), rejected],
  ];
  const line = view.specimens.find((s) => s.id === chosen) ?? open[0] ?? view.specimens[0]!;
  // What is locked comes without its scores in the list, and is asked for when it is looked at.
  const whole = useQuery({
    queryKey: keys.scores(studyId, line.id),
    queryFn: () =>
      unwrap(api.GET("/api/specimens/{specimen_id}/scores", { params: { path: { specimen_id: line.id } } })),
    enabled: line.locked,
  });
  const specimen = line.locked && whole.data ? whole.data : line;
  const [step, setStep] = useState<"clean" | "faults" | "pack">("faults");
  const given = effective(specimen);
  const locked = locks(specimen);
  const asked = (s: Schemas["SpecimenScores"]) => view.defects.filter((d) => s.asked.includes(d.code));
  const defects = asked(specimen);
  const place = Math.min(at, defects.length - 1);
  const defect = defects[place]!;
  const anchors = useAnchors();
  const pictures = anchors.data?.defects.find((d) => d.code === defect.code);
  const own = given.get(defect.code);
  const [error, setError] = useState<Error | null>(null);
  const [because, setBecause] = useState("");
  // The score just given, for a slip of the finger: the next digit takes its place.
  const last = useRef<{ specimen: string; defect: string } | null>(null);
  const [slip, setSlip] = useState<string | null>(null);
  const revealed = view.revealed_at !== null;
  const reviews = me.data?.role === "owner" || me.data?.role === "reviewer";
  const reveal = useChange(studyId, keys.revealed(studyId), () =>
    unwrap(api.POST("/api/studies/{study_id}/reveal", { params: { path: { study_id: studyId } } })),
  );
  const send = (given: Parameters<typeof put>[0]) => {
    setError(null);
    put(given).catch(setError);
  };
  const complete = defects.every((d) => given.has(d.code));
  // The state that the next key sees, even where it comes before the screen is drawn again.
  const cursor = useRef({ specimen: specimen.id, at: place });
  cursor.current = { specimen: specimen.id, at: place };
  const go = (to: number) => {
    const bounded = Math.max(0, Math.min(to, defects.length - 1));
    cursor.current.at = bounded;
    setAt(bounded);
  };
  const record = (severity: number, of: Schemas["DefectText"], replaced?: { id: string; reason: string }) =>
    send({
      label: text.scoreLabel(specimen.blind_code, of.name, severity),
      study: studyId,
      path: `/api/specimens/${specimen.id}/scores`,
      body: {
        id: newId(),
        defect: of.code,
        severity,
        ...(replaced ? { supersedes_id: replaced.id, reason: replaced.reason } : {}),
        ...(revealed ? { after_reveal: because.trim() } : {}),
      },
      moment: "scored_at",
      takes: keys.inspect(studyId),
    });
  const give = (severity: number) => {
    if (locked || change) return;
    if (revealed && !because.trim()) {
      setError(new Error(text.lateReason));
      return;
    }
    const of = defects[cursor.current.at]!;
    const before = effective(specimen).get(of.code);
    if (before && slip === of.code) {
      if (before.severity !== severity) record(severity, of, { id: before.id, reason: text.slipReason });
    } else if (before && before.severity !== severity) {
      setChange({ severity, reason: "" });
      return;
    }
    if (!before) record(severity, of);
    setSlip(null);
    last.current = { specimen: specimen.id, defect: of.code };
    go(cursor.current.at + 1);
  };
  const undo = () => {
    if (locked || last.current?.specimen !== specimen.id) return;
    const slipped = last.current.defect;
    go(defects.findIndex((d) => d.code === slipped));
    setChange(null);
    setSlip(slipped);
  };
  const choose = (id: string) => {
    setChosen(id);
    go(0);
    setChange(null);
    setSlip(null);
  };
  const lockNow = () => {
    send({
      label: text.lockLabel(specimen.blind_code),
      study: studyId,
      path: `/api/specimens/${specimen.id}/lock`,
      takes: keys.inspect(studyId),
    });
    choose(open.find((s) => s.id !== specimen.id)?.id ?? specimen.id);
  };
  useKeys([
    // Severity keys shadow the station keys here: the hand stays on the digits while the eye is on the part.
    ...(step === "faults" ? [0, 1, 2, 3, 4, 5] : []).map((n) => ({
      key: String(n),
      does: n === 0 ? text.severityKeys : "",
      run: () => give(n),
    })),
    { key: "ArrowDown", does: text.nextDefect, run: () => go(cursor.current.at + 1) },
    { key: "ArrowUp", does: text.previousDefect, run: () => go(cursor.current.at - 1) },
    { key: "u", does: text.undoKey, run: undo },
    {
      key: "l",
      does: text.lockTheScoresOfThis,
      run: () => {
        if (locked || step !== "faults") return;
        const missing = defects.filter((d) => !effective(specimen).has(d.code));
        if (missing.length > 0) setError(new Error(text.notScored(missing.map((d) => d.name))));
        else lockNow();
      },
    },
  ]);
  return (
    <div className="grid h-full min-h-0 grid-cols-[176px_minmax(0,1fr)_300px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Top>
        <span className="chip">
          {specimen.artifact} <BlindTag code={specimen.blind_code} />
        </span>
        <span className={view.revealed_at ? "chip" : "chip border-[var(--brass)] bg-brass-wash"}>
          {view.revealed_at ? text.shown : text.blind}
        </span>
      </Top>
      <section
        aria-label={text.queue}
        data-scrolls
        className="sheet min-h-0 overflow-y-auto max-[1020px]:max-h-40"
      >
        {lists
          .filter(([, lines], place) => place === 0 || lines.length > 0)
          .map(([heading, lines]) => (
            <Fragment key={heading}>
              <h2 className="lab px-3 pt-3 pb-1 first:pt-2">{heading}</h2>
              <List
                lines={lines}
                of={(s) => s.asked.length}
                active={specimen.id}
                choose={choose}
                given={(s) => (s.locked ? s.given : effective(s).size)}
              />
            </Fragment>
          ))}
      </section>
      <div className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)] gap-2">
        <Toggles
          label={text.step}
          value={step}
          options={(["clean", "faults", "pack"] as const).map((s) => ({
            value: s,
            name:
              s === "faults"
                ? text.steps(text.views.faults, locked ? text.locked2 : `${given.size}/${defects.length}`)
                : text.stages[s],
          }))}
          change={setStep}
          className="flex gap-1.5"
          item="py-1 bg-sheet"
        />
        {step !== "faults" && (
          <LookPanel
            studyId={studyId}
            specimenId={specimen.id}
            code={specimen.blind_code}
            stage={step}
            late={revealed ? because : null}
          />
        )}
        <section
          aria-label={text.severity}
          hidden={step !== "faults"}
          className="sheet flex min-h-0 flex-col overflow-y-auto p-5 [&[hidden]]:hidden"
        >
          <div className="flex items-baseline justify-between gap-4">
            <h2 className="text-title leading-tight font-extrabold [font-stretch:88%]">{defect.name}</h2>
            <span className="lab">{text.ofWord(place + 1, defects.length)}</span>
          </div>
          <p className="mt-0.5 text-body text-ink-2">
            {defect.look}
            {defect.structural && text.a5HereRejectsThe}
          </p>
          {revealed && !locked && (
            <div className="mt-3">
              <Field label={text.lateHint}>
                <input
                  className="input"
                  maxLength={300}
                  value={because}
                  onChange={(e) => setBecause(e.target.value)}
                />
              </Field>
            </div>
          )}
          <ol
            className="mt-3 grid min-h-77 flex-1 content-start gap-1.5 [grid-auto-rows:minmax(min-content,82px)]"
            aria-label={text.severityOf(defect.name.toLowerCase())}
          >
            {defect.anchors.map((anchor, severity) => {
              const on = own?.severity === severity;
              return (
                <li key={severity}>
                  <button
                    type="button"
                    disabled={locked}
                    aria-pressed={on}
                    onClick={() => give(severity)}
                    className={`grid h-full min-h-[46px] w-full grid-cols-[56px_1fr_84px] items-center rounded-[5px] border text-left text-lead ${on ? "border-enamel bg-station-on font-semibold shadow-[inset_7px_0_var(--enamel)]" : "border-rule hover:border-ink-3"}`}
                  >
                    <span className="num text-center text-title font-semibold">{severity}</span>
                    <span className="py-1.5 pr-3">{anchor}</span>
                    <span className="block h-[46px] rounded-r-[4px] p-0.5">
                      {pictures && (
                        <AnchorPicture
                          anchor={pictures.anchors[severity]!}
                          width={anchors.data!.width}
                          height={anchors.data!.height}
                          name={defect.name}
                        />
                      )}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
          {slip === defect.code && (
            <p role="status" className="mt-2 text-body text-brass-ink">
              {text.slip}
            </p>
          )}
          {change && (
            <form
              className="mt-3 grid gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                record(change.severity, defect, { id: own!.id, reason: change.reason });
                setChange(null);
                go(place + 1);
              }}
            >
              <Field label={text.whyInsteadOfTheOld(change.severity, own?.severity ?? "")}>
                <input
                  className="input"
                  autoFocus
                  required
                  maxLength={300}
                  value={change.reason}
                  onChange={(e) => setChange({ ...change, reason: e.target.value })}
                />
              </Field>
              <div className="flex gap-2">
                <button type="submit" className="button primary">
                  {text.changeTheScore}
                </button>
                <button type="button" className="button" onClick={() => setChange(null)}>
                  {text.leaveIt}
                </button>
              </div>
            </form>
          )}
          <Trouble error={error} />
          <Refused entries={outbox.filter((e) => e.path.startsWith(`/api/specimens/${specimen.id}/`))} />
          <p className="mt-auto pt-3 text-small text-ink-2">
            <Key>0</Key>–<Key>5</Key> {text.scoreAndGoOn} <Key>↑</Key> <Key>↓</Key> {text.betweenDefects}{" "}
            <Key>U</Key> {text.undo} <Key>L</Key> {text.lock2}
          </p>
        </section>
      </div>
      <section aria-label={text.scores} className="sheet flex min-h-0 flex-col overflow-y-auto p-3.5">
        <h2 className="lab pb-1">{text.scoresOf(specimen.blind_code)}</h2>
        <ul>
          {defects.map((d, i) => {
            const score = given.get(d.code);
            return (
              <li key={d.code}>
                <button
                  type="button"
                  onClick={() => go(i)}
                  className={`grid w-full grid-cols-[1fr_auto_20px] items-center gap-2 border-b border-rule-2 px-1.5 py-1.5 text-left ${i === place ? "bg-needle-wash" : "hover:bg-station-on"}`}
                >
                  <span>{d.name}</span>
                  <span className="flex gap-0.75" aria-hidden="true">
                    {[1, 2, 3, 4, 5].map((n) => (
                      <i
                        key={n}
                        className="block h-2 w-3 rounded-full"
                        style={{ background: score && score.severity >= n ? "var(--c4)" : "var(--rule-2)" }}
                      />
                    ))}
                  </span>
                  <b className="num text-right text-small">{score?.severity ?? "·"}</b>
                </button>
              </li>
            );
          })}
        </ul>
        {specimen.quality !== null && (
          <p className="mt-3">
            {text.quality} <b className="num">{specimen.quality.toFixed(1)}</b> {text.of100}
            {specimen.rejected_by && (
              <span className="text-needle-ink"> {text.rejected(specimen.rejected_by)}</span>
            )}
          </p>
        )}
        {!locked && (
          <button type="button" className="button primary mt-3" disabled={!complete} onClick={lockNow}>
            {text.lock}
          </button>
        )}
        <p className="mt-2 text-small text-ink-2">{text.lockHint(revealed)}</p>
        <Pinned
          studyId={studyId}
          specimenId={specimen.id}
          code={specimen.blind_code}
          fault={defect.name}
          may={me.data?.role !== "reader"}
        />
        {reviews && !revealed && <OwnFault studyId={studyId} />}
        <Reveal
          studyId={studyId}
          view={view}
          may={reviews}
          reveal={() => reveal.mutate(undefined)}
          error={reveal.error}
        />
        <p className="caution mt-auto">{text.caution}</p>
      </section>
    </div>
  );
}
