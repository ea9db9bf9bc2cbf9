import { useState } from "react";
import type { Schemas } from "../../api/client";
import { ModelForm } from "../../library/forms";
import { text } from "./text";

type Candidate = Schemas["Candidate"];

/** Which machines are compared, which is the control, and which look like one machine under two names. */
export function Machines({
  library,
  chosen,
  change,
  may,
}: {
  library: Schemas["Library"];
  chosen: Candidate[];
  change: (to: Candidate[]) => void;
  may: boolean;
}) {
  const [adding, setAdding] = useState(false);
  const picked = new Map(chosen.map((c) => [c.model_id, c]));
  const toggle = (id: string) =>
    change(
      picked.has(id)
        ? chosen.filter((c) => c.model_id !== id)
        : [...chosen, { model_id: id, is_control: false }],
    );
  const control = (id: string, on: boolean) =>
    change(chosen.map((c) => ({ ...c, is_control: on && c.model_id === id })));
  const names = new Set(library.models.filter((m) => picked.has(m.id)).map((m) => m.name));
  const pairs = library.lookalikes.filter((p) => names.has(p.first) && names.has(p.second));
  return (
    <>
      <h2 className="lab pt-3 pb-1">
        {text.machines}, {chosen.length}
      </h2>
      <ul>
        {library.models.map((m) => {
          const c = picked.get(m.id);
          return (
            <li key={m.id} className="flex min-h-[36px] items-center gap-2 border-b border-rule-2 py-0.5">
              <label className="flex min-w-0 flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  checked={!!c}
                  onChange={() => toggle(m.id)}
                  className="size-4 accent-[var(--enamel-2)]"
                />
                <span className="min-w-0">
                  <span className={`block break-words ${c ? "font-semibold" : ""}`}>{m.name}</span>
                  <small className="block text-tiny leading-tight text-ink-2">
                    {text.mmTools(
                      m.sheet.is_round
                        ? `⌀ ${m.bed_x_mm.toFixed(0)}`
                        : `${m.bed_x_mm.toFixed(0)} × ${m.bed_y_mm.toFixed(0)}`,
                      m.height_mm.toFixed(0),
                      m.tools,
                    )}
                  </small>
                </span>
              </label>
              {c && (
                <label className="flex items-center gap-1 text-small text-ink-2">
                  <input
                    type="checkbox"
                    checked={c.is_control}
                    onChange={(e) => control(m.id, e.target.checked)}
                    aria-label={text.isTheControl(m.name)}
                  />
                  {text.control}
                </label>
              )}
            </li>
          );
        })}
      </ul>
      {pairs.map((p) => (
        <div
          key={p.first + p.second}
          role="note"
          className="mt-2 rounded border border-[var(--brass)] bg-brass-wash p-2 text-small"
        >
          <b>{text.lookalike}:</b>{" "}
          {text.andBothAgainstItNot(
            p.first,
            p.second,
            p.reasons.join(", "),
            p.against.length,
            p.against.join(", "),
            p.open.length,
            p.open.join(", "),
          )}
        </div>
      ))}
      {adding ? (
        <ModelForm
          done={(m) => {
            setAdding(false);
            if (m) toggle(m.id);
          }}
        />
      ) : (
        may && (
          <button type="button" className="button mt-3" onClick={() => setAdding(true)}>
            {text.addAMachine}
          </button>
        )
      )}
    </>
  );
}
