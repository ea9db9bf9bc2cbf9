import { useLocation } from "@tanstack/react-router";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { useMeasure, useSpecimen } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Refused } from "../../app/outbox";
import { Empty, Key, Skeleton, Trouble } from "../../parts/bits";
import { Dial } from "../../parts/dial";
import { ArtifactDrawing, drawn } from "../../parts/drawing";
import { SentValue } from "../../parts/sent-value";
import { CantPanel, CorrectPanel, FarPanel, ZeroPanel } from "./panels";
import { Queue, Strip } from "./queue";
import { ReadingTable } from "./readings";
import { Says } from "./says";
import { text } from "./text";

/** A place for one reading: a face and which of its repeats. */
export type Slot = { featureId: string; code: string; nominal: number; repeat: number };
type Mode = "read" | "cant" | "zero" | { far: number } | { correct: Schemas["ReadingOut"]; slot: Slot };

export default function Measure({ studyId }: { studyId: string }) {
  const queue = useMeasure(studyId);
  const [chosen, setChosen] = useState<string | null>(null);
  // A bag's label that was scanned names its specimen.
  const scanned = useLocation({ select: (l) => l.hash });
  const specimenId =
    chosen ??
    queue.data?.queue.find((q) => scanned !== "" && q.blind_code === scanned)?.id ??
    queue.data?.queue.find((q) => q.done < q.due)?.id ??
    queue.data?.queue[0]?.id ??
    null;
  // A finished specimen stays until the person takes the next part in hand.
  useEffect(() => {
    if (!chosen && specimenId) setChosen(specimenId);
  }, [chosen, specimenId]);
  if (queue.isError) return <Trouble error={queue.error} />;
  if (!queue.data) return <Skeleton className="h-full" />;
  if (!specimenId)
    return (
      <Empty title={text.empty}>
        <p>{text.emptyWhy}</p>
      </Empty>
    );
  return <Bench studyId={studyId} queue={queue.data} specimenId={specimenId} choose={setChosen} />;
}

function Bench({
  studyId,
  queue,
  specimenId,
  choose,
}: {
  studyId: string;
  queue: Schemas["MeasureQueue"];
  specimenId: string;
  choose: (id: string) => void;
}) {
  const specimen = useSpecimen(studyId, specimenId);
  const outbox = useOutbox();
  const [mode, setMode] = useState<Mode>("read");
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState("");
  const [back, setBack] = useState<Slot | null>(null);
  const [because, setBecause] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const caliper = queue.calipers[0];
  const queued = queue.queue.find((q) => q.id === specimenId);
  const artifact = queue.artifacts.find((a) => a.id === queued?.artifact_id) ?? queue.artifacts[0]!;

  const own = outbox.filter((e) => e.path === `/api/specimens/${specimenId}/readings`);
  const slots = useMemo<Slot[]>(
    () =>
      artifact.features
        .filter((f) => f.measured)
        .flatMap((f) =>
          Array.from({ length: queue.repeats }, (_, r) => ({
            featureId: f.id,
            code: f.code,
            nominal: f.nominal,
            repeat: r + 1,
          })),
        ),
    [artifact, queue.repeats],
  );
  const filled = useCallback(
    (s: Slot) =>
      specimen.data?.features
        .find((f) => f.feature_id === s.featureId)
        ?.readings.find((r) => r.repeat === s.repeat),
    [specimen.data],
  );
  const waiting = (s: Slot) =>
    own.find((e) => !e.refused && e.body?.feature_id === s.featureId && e.body?.repeat === s.repeat);
  const next = specimen.data ? slots.find((s) => !filled(s) && !waiting(s)) : undefined;
  const slot = back ?? next;
  const line = specimen.data?.features.find((f) => f.feature_id === slot?.featureId);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the caliper types into whichever face comes next
  useEffect(() => {
    if (mode === "read") input.current?.focus();
  }, [mode, specimenId, slot?.code, slot?.repeat, caliper?.id]);

  const send = (given: Parameters<typeof put>[0]) =>
    put(given).catch((e: Error) => setWrong(e.message || text.noRoom));
  const late = queue.revealed ? { after_reveal: because.trim() } : {};
  const zero = (value: number) => {
    if (!caliper) return;
    void send({
      label: text.zeroLabel(caliper.code, value),
      study: studyId,
      path: `/api/studies/${studyId}/zero-checks`,
      body: { id: newId(), instrument_id: caliper.id, value },
      moment: "taken_at",
      takes: keys.measure(studyId),
    });
    leave();
  };
  const correct = (reading: Schemas["ReadingOut"], of: Slot, reason: string) => {
    void send({
      label: text.correctionLabel(specimen.data?.blind_code ?? "", of.code, of.repeat, reading.value_mm),
      study: studyId,
      path: `/api/specimens/${specimenId}/corrections`,
      body: {
        id: newId(),
        supersedes_id: reading.id,
        value_mm: reading.value_mm,
        reason,
        instrument_id: caliper!.id,
        ...late,
      },
      moment: "taken_at",
      takes: keys.specimen(studyId, specimenId),
    });
    leave();
  };

  const keep = (reading: { value_mm?: number; cannot_because?: string; note?: string }) => {
    if (!slot || !caliper) return;
    if (queue.revealed && !because.trim()) {
      setWrong(text.lateReason);
      return;
    }
    void send({
      label: text.readingLabel(specimen.data?.blind_code ?? "", slot.code, slot.repeat, reading.value_mm),
      study: studyId,
      path: `/api/specimens/${specimenId}/readings`,
      body: {
        id: newId(),
        feature_id: slot.featureId,
        repeat: slot.repeat,
        instrument_id: caliper.id,
        ...reading,
        ...late,
      },
      moment: "taken_at",
      takes: keys.specimen(studyId, specimenId),
    });
    setTyped("");
    setWrong("");
    setMode("read");
  };
  const enter = () => {
    const value = Number(typed.replace(",", "."));
    if (!typed.trim() || !Number.isFinite(value)) {
      setWrong(text.wrong);
      return;
    }
    const before = slot && filled(slot);
    if (slot && before) setMode({ correct: { ...before, value_mm: value }, slot });
    else if (slot && Math.abs(value - slot.nominal) > queue.far_off_mm) setMode({ far: value });
    else keep({ value_mm: value });
  };
  const goBack = () => {
    const at = slot ? slots.findIndex((s) => s.code === slot.code && s.repeat === slot.repeat) : slots.length;
    const previous = slots[at - 1];
    if (previous) {
      setBack(previous);
      setTyped(filled(previous)?.value_mm?.toFixed(2) ?? "");
    }
  };
  const choose_ = (id: string) => {
    choose(id);
    setBack(null);
    setTyped("");
    setMode("read");
  };
  const following = queue.queue.find((q) => q.done < q.due && q.id !== specimenId);
  useKeys([
    { key: "ArrowUp", does: "back one reading", run: goBack, typing: true },
    {
      key: "x",
      does: "this face can't be measured, say why",
      run: () => slot && setMode("cant"),
      typing: mode === "read",
    },
    { key: "z", does: "caliper zero check", run: () => setMode("zero"), typing: mode === "read" },
    {
      key: "n",
      does: "next specimen in the queue",
      typing: mode === "read",
      run: () => following && choose_(following.id),
    },
  ]);
  const leave = () => {
    setMode("read");
    setBack(null);
    setTyped("");
  };

  const preview = Number(typed.replace(",", "."));
  const shown =
    slot && typed && Number.isFinite(preview) ? preview - slot.nominal : (line?.off.value ?? null);
  const kept = line?.readings.filter((r) => r.value_mm !== null).map((r) => r.value_mm as number) ?? [];
  const spread = kept.length > 1 ? Math.max(...kept) - Math.min(...kept) : null;
  return (
    <div className="grid h-full min-h-0 grid-cols-[176px_minmax(0,1fr)_330px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Strip
        code={specimen.data?.blind_code ?? "···"}
        queue={queue}
        caliper={caliper}
        zero={() => setMode("zero")}
      />
      <Queue queue={queue.queue} active={specimenId} choose={choose_} />
      <div className="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] gap-3 max-[1020px]:grid-rows-[300px_auto]">
        <section
          aria-label="Where to measure"
          className="sheet relative flex min-h-0 flex-col px-4 pt-3 pb-2"
        >
          <p className="text-ink-2">
            {artifact.features.find((f) => f.code === slot?.code)?.method ?? text.allDone}
          </p>
          <div className="min-h-0 flex-1">
            <ArtifactDrawing
              artifact={drawn(artifact)}
              active={slot?.code}
              done={
                specimen.data?.features
                  .filter((f) => f.readings.length >= queue.repeats)
                  .map((f) => f.code) ?? []
              }
            />
          </div>
          <p className="text-[12.5px] text-ink-2">{artifact.note}</p>
        </section>
        <section
          aria-label="Reading"
          className="sheet grid min-h-[216px] grid-cols-[214px_minmax(0,1fr)] gap-3 p-3 max-[560px]:grid-cols-1"
        >
          <div className="grid place-items-center max-[560px]:hidden">
            <Dial
              value={shown}
              reach={queue.dial_reach_mm}
              tolerance={queue.dial_usual_mm}
              caption="mm from nominal"
            />
          </div>
          <div className="min-w-0 pt-1">
            {mode === "cant" && slot && (
              <CantPanel code={slot.code} keep={(why) => keep({ cannot_because: why })} leave={leave} />
            )}
            {mode === "zero" && caliper && (
              <ZeroPanel code={caliper.code} error={null} keep={zero} leave={leave} />
            )}
            {typeof mode === "object" && "far" in mode && slot && (
              <FarPanel
                code={slot.code}
                value={mode.far}
                off={mode.far - slot.nominal}
                keep={(note) => keep({ value_mm: mode.far, note })}
                leave={leave}
              />
            )}
            {typeof mode === "object" && wrong && (
              <p role="alert" className="trouble mt-1.5">
                {wrong}
              </p>
            )}
            {typeof mode === "object" && "correct" in mode && (
              <CorrectPanel
                slot={mode.slot}
                value={mode.correct.value_mm ?? 0}
                error={null}
                leave={leave}
                keep={(reason) => correct(mode.correct, mode.slot, reason)}
              />
            )}
            {queue.revealed && (
              <label className="mb-1 grid gap-0.5 text-[12.5px]">
                {text.lateHint}
                <input
                  className="input"
                  maxLength={300}
                  value={because}
                  onChange={(e) => setBecause(e.target.value)}
                />
              </label>
            )}
            {mode === "read" && !caliper && <p className="trouble">{text.noCaliper}</p>}
            {mode === "read" && caliper?.overdue && <p className="caution !py-1">{caliper.overdue}</p>}
            {mode === "read" && caliper && (
              <>
                <label className="lab block" htmlFor="reading">
                  {slot ? `${slot.code} · reading ${slot.repeat} of ${queue.repeats}` : text.allDone}
                  {back && " · correcting"}
                </label>
                <input
                  id="reading"
                  ref={input}
                  className="num w-full min-w-0 border-0 border-b-3 border-[var(--needle)] bg-transparent text-[50px] leading-[1.15] font-medium caret-[var(--needle)] outline-none placeholder:text-[var(--rule)] disabled:opacity-40"
                  inputMode="decimal"
                  autoComplete="off"
                  disabled={!slot}
                  value={typed}
                  placeholder={slot ? "mm" : "✓"}
                  onChange={(e) => {
                    // X, Z and N are keys of this screen, not part of a number.
                    setTyped(e.target.value.replace(/[^\d.,-]/g, ""));
                    setWrong("");
                  }}
                  onKeyDown={(e) => {
                    if (e.key === "Enter") {
                      e.preventDefault();
                      enter();
                    } else if (e.key === "Escape") leave();
                  }}
                />
                <div className="flex flex-wrap gap-x-4 pt-1.5 text-ink-2">
                  {slot && (
                    <SentValue
                      kind="caliper"
                      take={(value) => {
                        setTyped(value);
                        input.current?.focus();
                      }}
                    />
                  )}
                  {kept[0] !== undefined && (
                    <span>
                      first <b className="num text-ink">{kept[0].toFixed(2)}</b>
                    </span>
                  )}
                  {spread !== null && (
                    <span>
                      spread <b className="num text-ink">{spread.toFixed(2)}</b>
                    </span>
                  )}
                  {line?.grade && (
                    <span>
                      grade <b className="num text-ink">{line.grade}</b>
                    </span>
                  )}
                </div>
                {!slot && following && (
                  <button
                    type="button"
                    className="button primary mt-2"
                    autoFocus
                    onClick={() => choose_(following.id)}
                  >
                    {text.following(following.blind_code)} <Key>N</Key>
                  </button>
                )}
                {wrong && (
                  <p role="alert" className="trouble mt-1.5">
                    {wrong}
                  </p>
                )}
                <Refused entries={outbox.filter((e) => e.path.startsWith(`/api/specimens/${specimenId}/`))} />
                <div className="grid grid-cols-[auto_1fr_auto_1fr] items-center gap-x-2 gap-y-1.5 pt-3 text-[12px] text-ink-2 max-[560px]:hidden">
                  <Key>Enter</Key>
                  <span>{back ? "correct it" : "keep, next face"}</span>
                  <Key>↑</Key>
                  <span>back one</span>
                  <Key>X</Key>
                  <span>can't be measured</span>
                  <Key>Z</Key>
                  <span>zero check</span>
                </div>
              </>
            )}
          </div>
        </section>
      </div>
      <section aria-label="Readings" className="sheet min-h-0 overflow-y-auto px-3 py-2.5">
        {specimen.data && (
          <>
            <ReadingTable
              specimen={specimen.data}
              repeats={queue.repeats}
              active={slot?.code}
              pending={own}
              pick={(s, r) => {
                setBack(s);
                setTyped(r.value_mm?.toFixed(2) ?? "");
                setMode("read");
                input.current?.focus();
              }}
            />
            <Says specimen={specimen.data} />
          </>
        )}
      </section>
    </div>
  );
}
