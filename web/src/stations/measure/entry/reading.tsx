import type { RefObject } from "react";
import type { Schemas } from "../../../api/client";
import type { Entry } from "../../../api/outbox";
import { Key } from "../../../parts/bits";
import { Dial } from "../../../parts/dial";
import { InstrumentChoice, type useInstrument } from "../../../parts/instrument";
import { typedNumber } from "../../../parts/numbers";
import { Refused } from "../../../parts/refused";
import { SentValue, sends } from "../../../parts/sent-value";
import type { useKeeping } from "../keeping";
import { CantPanel, CorrectPanel, FarPanel, ZeroPanel } from "../panels";
import type { Slot } from "../slots";
import { text } from "../text";
import { Stopwatch } from "./stopwatch";
import { WavesDrawing } from "./waves";

export type Mode =
  | "read"
  | "cant"
  | "zero"
  | { far: number }
  | { correct: Schemas["ReadingOut"]; slot: Slot };

/** One number after another: the dial, the field, and what else can be said of a face. */
export function ReadingEntry({
  mode,
  setMode,
  slot,
  line,
  use,
  typed,
  setTyped,
  input,
  correcting,
  late,
  keeping,
  keep,
  over,
  setOver,
  enter,
  leave,
  refused,
  narrower,
  following,
}: {
  mode: Mode;
  setMode: (mode: Mode) => void;
  slot: Slot | undefined;
  line: Schemas["FeatureLine"] | undefined;
  use: ReturnType<typeof useInstrument<Schemas["InstrumentNow"]>>;
  typed: string;
  setTyped: (value: string) => void;
  input: RefObject<HTMLInputElement | null>;
  correcting: boolean;
  late: { because: string; setBecause: (value: string) => void } | null;
  keeping: ReturnType<typeof useKeeping>;
  keep: (reading: { value?: number; cannot_because?: string; note?: string; over?: number }) => void;
  /** Over how many waves or changes the value is taken. */
  over: number;
  setOver: (over: number) => void;
  enter: () => void;
  leave: () => void;
  refused: Entry[];
  /** What more readings would bring, once all that is asked for is there. */
  narrower: { words: string; read: () => void } | null;
  following: { words: string; take: () => void } | null;
}) {
  const preview = typedNumber(typed);
  const nominal = line?.nominal ?? 0;
  const shown = slot && preview !== null ? preview - nominal : (line?.off.value ?? null);
  const kept = line?.readings.filter((r) => r.value !== null).map((r) => r.value as number) ?? [];
  const spread = kept.length > 1 ? Math.max(...kept) - Math.min(...kept) : null;
  const unit = line?.unit ?? "mm";
  const digits = line?.digits ?? 2;
  const instrument = use.instrument;
  return (
    <section aria-label={text.reading} className="sheet @container min-h-[216px] p-3">
      <div className="grid gap-3 @[440px]:grid-cols-[214px_minmax(0,1fr)]">
        <div className="hidden place-items-center @[440px]:grid">
          {line?.entry === "stopwatch" ? (
            <Stopwatch
              of={`${line.feature_id}`}
              take={(seconds) => {
                setTyped(seconds);
                input.current?.focus();
              }}
            />
          ) : line?.entry === "waves" ? (
            <WavesDrawing count={over} over={line.over} />
          ) : line?.entry === "scale" ? (
            <p className="num text-gauge text-ink-3">{unit}</p>
          ) : (
            <Dial
              value={shown}
              reach={line?.dial_reach ?? 0.4}
              tolerance={line?.dial_usual ?? 0.1}
              caption={text.dial(unit)}
            />
          )}
        </div>
        <div className="min-w-0 pt-1">
          {mode === "cant" && slot && (
            <CantPanel code={slot.code} keep={(why) => keep({ cannot_because: why })} leave={leave} />
          )}
          {mode === "zero" && instrument && (
            <ZeroPanel
              code={instrument.code}
              unit={instrument.unit}
              keep={(value, partC) => {
                keeping.zero(value, partC);
                leave();
              }}
              leave={leave}
            />
          )}
          {mode === "zero" && !instrument && <p className="trouble">{text.whichInstrument}</p>}
          {typeof mode === "object" && "far" in mode && slot && (
            <FarPanel
              code={slot.code}
              value={`${mode.far.toFixed(digits)} ${unit}`}
              off={mode.far - nominal}
              unit={unit}
              keep={(note) => keep({ value: mode.far, note })}
              leave={leave}
            />
          )}
          {typeof mode === "object" && keeping.wrong && (
            <p role="alert" className="trouble mt-1.5">
              {keeping.wrong}
            </p>
          )}
          {typeof mode === "object" && "correct" in mode && line && (
            <CorrectPanel
              slot={mode.slot}
              value={`${(mode.correct.value ?? 0).toFixed(digits)} ${unit}`}
              leave={leave}
              keep={(reason) => keeping.correct(line, mode.correct, mode.slot, reason) && leave()}
            />
          )}
          {late && (
            <label className="mb-1 grid gap-0.5 text-small">
              {text.lateHint}
              <input
                className="input"
                maxLength={300}
                value={late.because}
                onChange={(e) => late.setBecause(e.target.value)}
              />
            </label>
          )}
          {mode === "read" && slot && use.fitting.length === 0 && (
            <p className="trouble">{text.noInstrument(line?.instruments ?? [])}</p>
          )}
          {mode === "read" && slot && use.fitting.length > 1 && !instrument && (
            <div className="grid gap-1.5 pb-2">
              <p className="caution !py-1">{text.whichInstrument}</p>
              <InstrumentChoice use={use} label={text.instrument} />
            </div>
          )}
          {mode === "read" && instrument?.overdue && <p className="caution !py-1">{instrument.overdue}</p>}
          {mode === "read" && (instrument || !slot) && (
            <>
              <label className="lab block" htmlFor="reading">
                {slot
                  ? text.place(slot.code, slot.repeat, line?.repeats ?? 1, line?.series ?? false)
                  : text.allDone}
                {correcting && text.correcting}
              </label>
              <input
                id="reading"
                ref={input}
                className="num w-full min-w-0 border-0 border-b-3 border-[var(--needle)] bg-transparent text-gauge leading-[1.15] font-medium caret-[var(--needle)] outline-none placeholder:text-[var(--rule)] disabled:opacity-40"
                inputMode="decimal"
                autoComplete="off"
                disabled={!slot}
                value={typed}
                placeholder={slot ? unit : "✓"}
                onChange={(e) => {
                  // X, Z and N are keys of this screen, not part of a number.
                  setTyped(e.target.value.replace(/[^\d.,-]/g, ""));
                  keeping.setWrong("");
                }}
                onKeyDown={(e) => {
                  if (e.key === "Enter") {
                    e.preventDefault();
                    enter();
                  } else if (e.key === "Escape") leave();
                }}
              />
              {slot && line?.over && (
                <label className="mt-2 flex items-baseline gap-2 text-small">
                  {text.overHow(line.over)}
                  <input
                    className="input num w-20"
                    inputMode="numeric"
                    value={String(over)}
                    onChange={(e) => setOver(Number(e.target.value.replace(/\D/g, "").slice(0, 4)))}
                    onKeyDown={(e) => {
                      if (e.key !== "Enter") return;
                      e.preventDefault();
                      enter();
                    }}
                  />
                  <button
                    type="button"
                    className="hover:underline"
                    onClick={() => keep({ value: 0, over: 0 })}
                  >
                    {text.noneOf(line.over)}
                  </button>
                </label>
              )}
              <div className="flex flex-wrap gap-x-4 pt-1.5 text-ink-2">
                {slot && instrument && sends(instrument.kind) && (
                  <SentValue
                    kind={instrument.kind}
                    take={(value) => {
                      setTyped(value);
                      input.current?.focus();
                    }}
                  />
                )}
                {kept[0] !== undefined && <Fact name={text.first} value={kept[0].toFixed(digits)} />}
                {spread !== null && <Fact name={text.spread} value={spread.toFixed(digits)} />}
                {line?.grade && <Fact name={text.grade} value={line.grade} />}
              </div>
              {following && (
                <button type="button" className="button primary mt-2" autoFocus onClick={following.take}>
                  {following.words} <Key>N</Key>
                </button>
              )}
              {narrower && (
                <p className="mt-2 text-small">
                  {narrower.words}{" "}
                  <button type="button" className="underline" onClick={narrower.read}>
                    {text.readMore}
                  </button>
                </p>
              )}
              {keeping.wrong && (
                <p role="alert" className="trouble mt-1.5">
                  {keeping.wrong}
                </p>
              )}
              <Refused entries={refused} />
              <div className="grid grid-cols-[auto_1fr] items-center gap-x-2 gap-y-1.5 pt-3 @[360px]:grid-cols-[auto_1fr_auto_1fr] text-small text-ink-2 max-[560px]:hidden">
                <Key>{text.enter}</Key>
                <span>{correcting ? text.keys.correct : text.keys.keep}</span>
                <Key>↑</Key>
                <span>{text.keys.backShort}</span>
                <Key>X</Key>
                <span>{text.keys.cantShort}</span>
                {instrument?.kind !== "stopwatch" && (
                  <>
                    <Key>Z</Key>
                    <button
                      type="button"
                      className="text-left hover:underline"
                      onClick={() => setMode("zero")}
                    >
                      {text.keys.zeroShort}
                    </button>
                  </>
                )}
              </div>
            </>
          )}
        </div>
      </div>
    </section>
  );
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <span>
      {name} <b className="num text-ink">{value}</b>
    </span>
  );
}
