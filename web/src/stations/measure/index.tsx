import { useLocation } from "@tanstack/react-router";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { useOutbox } from "../../api/outbox";
import { useMeasure, useSpecimen } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Empty, Skeleton, Trouble } from "../../parts/bits";
import { ArtifactDrawing, drawn } from "../../parts/drawing";
import { useInstrument } from "../../parts/instrument";
import { typedNumber } from "../../parts/numbers";
import { Refused } from "../../parts/refused";
import { Judging } from "./entry/judging";
import { type Mode, ReadingEntry } from "./entry/reading";
import { useKeeping } from "./keeping";
import { Queue, Strip } from "./queue";
import { ReadingTable } from "./readings";
import { Says } from "./says";
import { keptIn, type Slot, slotsOf, waitingFor } from "./slots";
import { text } from "./text";

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
  const [back, setBack] = useState<Slot | null>(null);
  const [because, setBecause] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const queued = queue.queue.find((q) => q.id === specimenId);
  const artifact = queue.artifacts.find((a) => a.id === queued?.artifact_id) ?? queue.artifacts[0]!;

  const own = outbox.filter((e) => e.path === `/api/specimens/${specimenId}/readings`);
  const judged = outbox.filter((e) => e.path === `/api/specimens/${specimenId}/judgements`);
  const features = specimen.data?.features ?? [];
  const slots = useMemo(
    () => slotsOf(specimen.data?.features ?? [], queue.repeats),
    [specimen.data, queue.repeats],
  );
  const slot = back ?? slots.find((s) => !keptIn(features, s) && !waitingFor(own, s));
  const line = features.find((f) => f.feature_id === slot?.featureId);
  const kinds = line?.instruments ?? ["caliper"];
  const use = useInstrument(
    kinds.join(" "),
    queue.instruments.filter((i) => kinds.includes(i.kind)),
  );

  // Before it is painted: who sees a face asked for can type at once.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the caliper types into whichever face comes next
  useLayoutEffect(() => {
    if (mode === "read") input.current?.focus();
  }, [mode, specimenId, slot?.code, slot?.repeat, use.instrument?.id]);

  const leave = () => {
    setMode("read");
    setBack(null);
    setTyped("");
  };
  const keeping = useKeeping({
    studyId,
    specimenId,
    code: specimen.data?.blind_code ?? "",
    instrument: use.instrument,
    because: queue.revealed ? because : null,
  });
  const keep = (reading: { value?: number; cannot_because?: string; note?: string }) => {
    if (!slot || !line || !keeping.keep(slot, line, reading)) return;
    setTyped("");
    setMode("read");
  };
  const enter = () => {
    const value = typedNumber(typed);
    if (value === null) {
      keeping.setWrong(text.wrong);
      return;
    }
    const before = slot && keptIn(features, slot);
    if (slot && before) setMode({ correct: { ...before, value }, slot });
    else if (line && line.far_off !== null && Math.abs(value - line.nominal) > line.far_off)
      setMode({ far: value });
    else keep({ value });
  };
  const goBack = () => {
    const at = slot ? slots.findIndex((s) => s.code === slot.code && s.repeat === slot.repeat) : slots.length;
    const previous = slots[at - 1];
    if (!previous) return;
    const of = features.find((f) => f.feature_id === previous.featureId);
    setBack(previous);
    setTyped(keptIn(features, previous)?.value?.toFixed(of?.digits ?? 2) ?? "");
  };
  const take = (id: string) => {
    choose(id);
    leave();
  };
  const following = queue.queue.find((q) => q.done < q.due && q.id !== specimenId);
  const reading = mode === "read";
  useKeys([
    { key: "ArrowUp", does: text.keys.back, run: goBack, typing: true },
    { key: "x", does: text.keys.cant, run: () => slot && setMode("cant"), typing: reading },
    { key: "z", does: text.keys.zero, run: () => setMode("zero"), typing: reading },
    { key: "n", does: text.keys.next, typing: reading, run: () => following && take(following.id) },
  ]);
  const refused = outbox.filter((e) => e.path.startsWith(`/api/specimens/${specimenId}/`));
  const method = artifact.features.find((f) => f.code === slot?.code)?.method;
  return (
    <div className="grid h-full min-h-0 grid-cols-[176px_minmax(0,1fr)_330px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1">
      <Strip code={specimen.data?.blind_code ?? "···"} queue={queue} use={use} zero={() => setMode("zero")} />
      <Queue queue={queue.queue} active={specimenId} choose={take} />
      <div className="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] gap-3 max-[1020px]:grid-rows-[300px_auto]">
        <section aria-label={text.where} className="sheet relative flex min-h-0 flex-col px-4 pt-3 pb-2">
          <p className="text-ink-2">
            {method ?? (!specimen.data ? "" : slots.length ? text.allDone : text.onlyJudged)}
          </p>
          <div className="min-h-0 flex-1">
            <ArtifactDrawing
              artifact={drawn(artifact)}
              active={slot?.code}
              done={features.filter((f) => f.readings.length >= queue.repeats).map((f) => f.code)}
            />
          </div>
          <p className="text-small text-ink-2">{artifact.note}</p>
        </section>
        {specimen.data && features.length === 0 ? (
          <section aria-label={text.toJudge} className="sheet max-h-[48vh] min-h-[216px] overflow-y-auto p-3">
            <Judging specimen={specimen.data} judge={keeping.judge} pending={judged} />
            {keeping.wrong && (
              <p role="alert" className="trouble mt-1.5">
                {keeping.wrong}
              </p>
            )}
            <Refused entries={refused} />
          </section>
        ) : !specimen.data ? (
          <Skeleton className="min-h-[216px]" />
        ) : (
          <ReadingEntry
            mode={mode}
            setMode={setMode}
            slot={slot}
            line={line}
            use={use}
            repeats={queue.repeats}
            typed={typed}
            setTyped={setTyped}
            input={input}
            correcting={back !== null}
            late={queue.revealed ? { because, setBecause } : null}
            keeping={keeping}
            keep={keep}
            enter={enter}
            leave={leave}
            refused={refused}
            following={
              !slot && following ? { code: following.blind_code, take: () => take(following.id) } : null
            }
          />
        )}
      </div>
      <section aria-label={text.readings} className="sheet min-h-0 overflow-y-auto px-3 py-2.5">
        {specimen.data && (
          <>
            {features.length > 0 && (
              <ReadingTable
                specimen={specimen.data}
                repeats={queue.repeats}
                active={slot?.code}
                pending={own}
                pick={(s, r, digits) => {
                  setBack(s);
                  setTyped(r.value?.toFixed(digits) ?? "");
                  setMode("read");
                  input.current?.focus();
                }}
              />
            )}
            <Says specimen={specimen.data} />
            {features.length > 0 && (
              <Judging specimen={specimen.data} judge={keeping.judge} pending={judged} />
            )}
          </>
        )}
      </section>
    </div>
  );
}
