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
          ? "Start the clock with each step; name it when it is done."
          : rec.first_assembly_s !== null
            ? `${duration(rec.assembly_s)}; the first unit of this model took ${duration(rec.first_assembly_s)}: a second one goes faster, so the first is the fair figure.`
            : `${duration(rec.assembly_s)} in ${rec.steps.length} ${rec.steps.length === 1 ? "step" : "steps"}.`}
      </p>
      {may && (
        <>
          <div className="mt-3 flex items-center gap-4">
            <span
              role="timer"
              aria-label={`${duration(seconds)} on this step`}
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
                <Play size={18} weight="fill" /> {stopped !== null ? "Go on" : "Start a step"}
              </button>
            ) : (
              <button type="button" className="button now big" onClick={() => setStopped(Date.now())}>
                <Pause size={18} weight="fill" /> Step done
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
              {s.first_s !== null && <span className="text-ink-2"> first unit {clock(s.first_s)}</span>}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
