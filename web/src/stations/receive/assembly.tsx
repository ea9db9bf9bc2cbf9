import { Pause } from "@phosphor-icons/react/dist/csr/Pause";
import { Play } from "@phosphor-icons/react/dist/csr/Play";
import { useEffect, useState } from "react";
import { api, newId, unwrap } from "../../api/client";
import { clock, duration, Field } from "../../parts/bits";
import { Line, type Props } from "./line";
import { text } from "./text";

export function Assembly({ rec, path, may, busy, send }: Props) {
  const [began, setBegan] = useState<number | null>(null);
  const [stopped, setStopped] = useState<number | null>(null);
  const [, tick] = useState(0);
  useEffect(() => {
    if (began === null || stopped !== null) return;
    const timer = setInterval(() => tick((n) => n + 1), 250);
    return () => clearInterval(timer);
  }, [began, stopped]);
  const seconds = began === null ? 0 : ((stopped ?? Date.now()) - began) / 1000;
  const most = Math.max(...rec.steps.map((s) => Math.max(s.seconds, s.first_s ?? 0)), 1);
  return (
    <>
      <p className="pt-1 text-lead font-semibold">
        {rec.steps.length === 0
          ? text.startTheClockWithEach
          : rec.first_assembly_s !== null
            ? text.theFirstUnitOfThis(duration(rec.assembly_s), duration(rec.first_assembly_s))
            : text.inStepSteps(duration(rec.assembly_s), rec.steps.length)}
      </p>
      {may && (
        <>
          <div className="mt-3 flex items-center gap-4">
            <span
              role="timer"
              aria-label={text.onThisStep(duration(seconds))}
              className="num text-gauge leading-none"
            >
              {clock(seconds)}
            </span>
            {began === null || stopped !== null ? (
              <button
                type="button"
                className="button now big"
                onClick={() => {
                  setBegan(stopped !== null && began !== null ? Date.now() - (stopped - began) : Date.now());
                  setStopped(null);
                }}
              >
                <Play size={18} weight="fill" /> {stopped !== null ? text.goOn : text.startAStep}
              </button>
            ) : (
              <button type="button" className="button now big" onClick={() => setStopped(Date.now())}>
                <Pause size={18} weight="fill" /> {text.stepDone}
              </button>
            )}
          </div>
          {stopped !== null && (
            <Line
              label={text.theStep}
              action={text.keepTheStep}
              busy={busy}
              keep={(words, done) =>
                send(
                  () =>
                    unwrap(
                      api.POST("/api/studies/{study_id}/units/{unit_id}/assembly", {
                        params: { path },
                        body: {
                          id: newId(),
                          name: words("name"),
                          seconds: Math.round(seconds),
                          note: words("note"),
                        },
                      }),
                    ),
                  () => {
                    done();
                    setBegan(null);
                    setStopped(null);
                  },
                )
              }
            >
              <Field label={text.whichStepItWas}>
                <input className="input" name="name" required maxLength={120} autoFocus />
              </Field>
              <Field label={text.whatWasHardOr}>
                <input className="input" name="note" maxLength={500} />
              </Field>
            </Line>
          )}
        </>
      )}
      <ul className="mt-3 grid gap-1">
        {rec.steps.map((s) => (
          <li
            key={s.id}
            className="grid grid-cols-[200px_1fr_150px] items-center gap-3 text-body max-[700px]:grid-cols-1"
          >
            <span>
              {s.name}
              {s.note && <small className="block text-small text-ink-2">{s.note}</small>}
            </span>
            <span>
              <i
                className="block h-[10px] rounded-full bg-[var(--c2)]"
                style={{ width: `${(100 * s.seconds) / most}%` }}
              />
              {s.first_s !== null && (
                <i
                  className="mt-0.5 block h-[5px] rounded-full bg-[var(--c5)]"
                  style={{ width: `${(100 * s.first_s) / most}%` }}
                />
              )}
            </span>
            <span className="num text-small">
              {clock(s.seconds)}
              {s.first_s !== null && <span className="text-ink-2"> {text.firstUnit(clock(s.first_s))}</span>}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
