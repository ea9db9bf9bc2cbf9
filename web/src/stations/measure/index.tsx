import { useLocation } from "@tanstack/react-router";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { useOutbox } from "../../api/outbox";
import { useMeasure, useSpecimen } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Empty, Key, Skeleton, Trouble } from "../../parts/bits";
import { ArtifactDrawing, drawn } from "../../parts/drawing";
import { Toggles } from "../../parts/form/toggles";
import { useInstrument } from "../../parts/instrument";
import { typedNumber } from "../../parts/numbers";
import { Refused } from "../../parts/refused";
import { Asked } from "./entry/asked";
import { Column } from "./entry/column";
import { activeOf, type Entry as GroupEntry, groupsOf } from "./entry/groups";
import { Judging } from "./entry/judging";
import { Ladder } from "./entry/ladder";
import { BedMap } from "./entry/map";
import { Nothing } from "./entry/nothing";
import { type Mode, ReadingEntry } from "./entry/reading";
import { useKeeping } from "./keeping";
import { isTable, PasteTable, readSheet } from "./paste";
import { isDue, Queue, Strip } from "./queue";
import { ReadingTable } from "./readings";
import { Says } from "./says";
import { keptIn, type Slot, slotsOf, waitingFor } from "./slots";
import { text } from "./text";

// A table of more rows than these goes below what they say.
const LONG = 14;

export default function Measure({ studyId }: { studyId: string }) {
  const queue = useMeasure(studyId);
  const [chosen, setChosen] = useState<string | null>(null);
  // A bag's label that was scanned names its specimen.
  const scanned = useLocation({ select: (l) => l.hash });
  const specimenId =
    chosen ??
    queue.data?.queue.find((q) => scanned !== "" && q.blind_code === scanned)?.id ??
    queue.data?.queue.find(isDue)?.id ??
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
  const [pasted, setPasted] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const queued = queue.queue.find((q) => q.id === specimenId);
  const artifact = queue.artifacts.find((a) => a.id === queued?.artifact_id) ?? queue.artifacts[0]!;

  const own = outbox.filter((e) => e.path === `/api/specimens/${specimenId}/readings`);
  const judged = outbox.filter((e) => e.path === `/api/specimens/${specimenId}/judgements`);
  const features = specimen.data?.features ?? [];
  const [wanted, setWanted] = useState<GroupEntry | null>(null);
  const [over, setOver] = useState(3);
  const groups = useMemo(() => (specimen.data ? groupsOf(specimen.data) : []), [specimen.data]);
  const group = activeOf(groups, wanted);
  const inGroup = group?.features ?? [];
  // Readings beyond what is asked, where they narrow a result; of this specimen alone.
  const [more, setMore] = useState<{ of: string; featureId: string; repeats: number } | null>(null);
  const extra = more?.of === specimenId ? more : null;
  const repeats = (f: Schemas["FeatureLine"]) =>
    f.feature_id === extra?.featureId ? Math.max(f.repeats, extra.repeats) : f.repeats;
  const slots = slotsOf((group?.features ?? []).map((f) => ({ ...f, repeats: repeats(f) })));
  const slot = back ?? slots.find((s) => !keptIn(features, s) && !waitingFor(own, s));
  const found = features.find((f) => f.feature_id === slot?.featureId);
  const line = found && { ...found, repeats: repeats(found) };
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
  const keep = (reading: { value?: number; cannot_because?: string; note?: string; over?: number }) => {
    if (!slot || !line) return;
    const taken = line.over && reading.cannot_because === undefined ? { over, ...reading } : reading;
    if (!keeping.keep(slot, line, taken)) return;
    setTyped("");
    setMode("read");
    setBack(null);
  };
  const enter = () => {
    const value = typedNumber(typed);
    if (value === null) {
      keeping.setWrong(text.wrong);
      return;
    }
    const before = slot && keptIn(features, slot);
    if (line?.over && over < 1) keeping.setWrong(text.overWrong(line.over));
    else if (slot && before) setMode({ correct: { ...before, value, over: line?.over ? over : 1 }, slot });
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
    setWanted(null);
    leave();
  };
  const pick = (s: Slot, value: number | null | undefined, digits: number, before?: number) => {
    const entry = groups.find((g) => g.features.some((f) => f.feature_id === s.featureId))?.entry;
    if (entry) setWanted(entry);
    setBack(s);
    setTyped(value?.toFixed(digits) ?? "");
    if (before !== undefined) setOver(before);
    setMode("read");
    input.current?.focus();
  };
  const readMore = ({ feature_id, more: n }: Schemas["MoreReadings"]) => {
    const of = features.find((f) => f.feature_id === feature_id);
    const entry = groups.find((g) => g.features.some((f) => f.feature_id === feature_id))?.entry;
    if (!of) return;
    if (entry) setWanted(entry);
    setMore({ of: specimenId, featureId: feature_id, repeats: of.readings.length + n });
  };
  const unfinished = groups.find((g) => g.entry !== group?.entry && g.done < g.due);
  const following = queue.queue.find((q) => isDue(q) && q.id !== specimenId);
  const goOn = () => {
    if (unfinished && !slot) setWanted(unfinished.entry);
    else if (following) take(following.id);
  };
  const reading = mode === "read" && inGroup.length > 0;
  useKeys([
    ...(inGroup.length > 0 && group?.entry !== "map"
      ? [{ key: "ArrowUp", does: text.keys.back, run: goBack, typing: true }]
      : []),
    ...(inGroup.length > 0
      ? [{ key: "x", does: text.keys.cant, run: () => slot && setMode("cant"), typing: reading }]
      : []),
    // A caliper types whatever has the focus: its digits go to the field, never to another screen.
    ...(reading && slot
      ? Array.from("0123456789", (key) => ({
          key,
          does: "",
          run: () => {
            if (!input.current) keeping.setWrong(text.whichInstrument);
            input.current?.focus();
            if (input.current) setTyped((known) => known + key);
          },
        }))
      : []),
    { key: "z", does: text.keys.zero, run: () => setMode("zero"), typing: reading },
    { key: "n", does: text.keys.next, typing: reading, run: goOn },
  ]);
  const refused = outbox.filter((e) => e.path.startsWith(`/api/specimens/${specimenId}/`));
  const next = following && (
    <button type="button" className="button primary justify-self-start" onClick={() => take(following.id)}>
      {text.following(following.blind_code)} <Key>{text.keys.nextKey}</Key>
    </button>
  );
  const first = inGroup.length > LONG;
  const method = artifact.features.find((f) => f.code === slot?.code)?.method;
  return (
    <section
      aria-label={text.bench}
      onPaste={(e) => {
        const table = e.clipboardData.getData("text");
        if (pasted !== null || !isTable(table)) return;
        e.preventDefault();
        setPasted(table);
      }}
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const file = e.dataTransfer.files[0];
        if (file) readSheet(file).then(setPasted, (error: Error) => keeping.setWrong(error.message));
      }}
      className="grid h-full min-h-0 grid-cols-[176px_minmax(0,1fr)_330px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-1"
    >
      <Strip
        code={specimen.data?.blind_code ?? "···"}
        queue={queue}
        use={use}
        reads={inGroup.length > 0}
        zero={() => setMode("zero")}
      />
      <PasteTable studyId={studyId} queue={queue} pasted={pasted} change={setPasted} />
      <Queue studyId={studyId} bench={queue} active={specimenId} choose={take} paste={() => setPasted("")} />
      <div
        className={`grid min-h-0 min-w-0 gap-3 ${groups.length > 1 ? "grid-rows-[auto_minmax(0,1fr)_auto] max-[1020px]:grid-rows-[auto_300px_auto]" : "grid-rows-[minmax(0,1fr)_auto] max-[1020px]:grid-rows-[300px_auto]"}`}
      >
        {groups.length > 1 && (
          <Toggles
            label={text.groups}
            value={group?.entry ?? null}
            options={groups.map((g) => ({ value: g.entry, name: text.groupDone(g.name, g.done, g.due) }))}
            change={(entry) => {
              setWanted(entry);
              leave();
            }}
            className="flex flex-wrap gap-1.5"
            item="py-1 bg-sheet"
          />
        )}
        {!specimen.data ? (
          <Skeleton className="row-span-2" />
        ) : groups.length === 0 ? (
          <Nothing artifact={drawn(artifact)} next={next} />
        ) : group?.entry === "ladder" ? (
          <Ladder
            key={specimenId}
            lines={group.judged}
            kind={artifact.features.find((f) => f.code === group.judged[0]?.code)?.kind ?? "gap"}
            judge={keeping.judge}
            pending={judged}
            done={next}
          />
        ) : group && inGroup.length === 0 ? (
          <Asked
            key={specimenId}
            lines={group.judged}
            artifact={drawn(artifact)}
            judge={keeping.judge}
            pending={judged}
            done={next}
          />
        ) : (
          <>
            <section aria-label={text.where} className="sheet relative flex min-h-0 flex-col px-4 pt-3 pb-2">
              <p className="text-ink-2">{method ?? text.allDone}</p>
              <div className="min-h-0 flex-1">
                {group?.entry === "map" ? (
                  <BedMap
                    features={inGroup}
                    judged={group.judged}
                    active={slot?.code}
                    go={(s) => {
                      setBack(s);
                      setTyped("");
                    }}
                    judge={keeping.judge}
                    pending={judged}
                  />
                ) : group?.entry === "column" ? (
                  <Column
                    features={inGroup}
                    active={slot?.code}
                    chart={specimen.data.charts.find((c) => c.chart === "column")}
                    go={setBack}
                  />
                ) : (
                  <ArtifactDrawing
                    artifact={drawn(artifact)}
                    active={slot?.code}
                    done={features.filter((f) => f.readings.length >= f.repeats).map((f) => f.code)}
                  />
                )}
              </div>
              <p className="text-small text-ink-2">{artifact.note}</p>
            </section>
            <ReadingEntry
              mode={mode}
              setMode={setMode}
              slot={slot}
              line={line}
              use={use}
              typed={typed}
              setTyped={setTyped}
              input={input}
              correcting={slot !== undefined && keptIn(features, slot) !== undefined}
              late={queue.revealed ? { because, setBecause } : null}
              keeping={keeping}
              keep={keep}
              over={over}
              setOver={setOver}
              enter={enter}
              leave={leave}
              refused={refused}
              narrower={
                !slot && specimen.data.more && !queue.revealed
                  ? {
                      words: specimen.data.more.words,
                      read: () => readMore(specimen.data.more as Schemas["MoreReadings"]),
                    }
                  : null
              }
              following={
                slot
                  ? null
                  : unfinished
                    ? {
                        words: text.goOn(text.groupDone(unfinished.name, unfinished.done, unfinished.due)),
                        take: () => setWanted(unfinished.entry),
                      }
                    : following
                      ? { words: text.following(following.blind_code), take: () => take(following.id) }
                      : null
              }
            />
          </>
        )}
        {groups.length > 0 &&
          inGroup.length === 0 &&
          specimen.data &&
          (keeping.wrong || refused.length > 0 || queue.revealed) && (
            <section aria-label={text.reading} className="sheet p-3">
              {queue.revealed && (
                <label className="grid gap-0.5 text-small">
                  {text.lateHint}
                  <input
                    className="input"
                    maxLength={300}
                    value={because}
                    onChange={(e) => setBecause(e.target.value)}
                  />
                </label>
              )}
              {keeping.wrong && (
                <p role="alert" className="trouble">
                  {keeping.wrong}
                </p>
              )}
              <Refused entries={refused} />
            </section>
          )}
      </div>
      <section aria-label={text.readings} className="sheet min-h-0 overflow-y-auto px-3 py-2.5">
        {specimen.data && (
          <>
            {/* Under a long table nobody would see it. */}
            {first && <Says specimen={specimen.data} />}
            {(inGroup.length > 0 ? inGroup : features).length > 0 && (
              <ReadingTable
                specimen={specimen.data}
                features={inGroup.length > 0 ? inGroup : features}
                active={slot?.code}
                pending={own}
                pick={(s, r, digits) => pick(s, r?.value, digits, r?.over)}
              />
            )}
            {!first && <Says specimen={specimen.data} />}
            <Judging
              specimen={specimen.data}
              judge={keeping.judge}
              pending={judged}
              asked={group?.judged ?? []}
            />
          </>
        )}
      </section>
    </section>
  );
}
