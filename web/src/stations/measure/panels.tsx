import { type FormEvent, type ReactNode, useState } from "react";
import { typedNumber } from "../../parts/numbers";
import type { Slot } from "./slots";
import { text } from "./text";

function Panel({
  title,
  label,
  action,
  leave,
  submit,
  children,
  inputMode = "text",
  initial = "",
}: {
  title: string;
  label: string;
  action: string;
  leave: () => void;
  submit: (value: string) => void;
  children?: ReactNode;
  inputMode?: "text" | "decimal";
  initial?: string;
}) {
  const [value, setValue] = useState(initial);
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (value.trim()) submit(value.trim());
  };
  return (
    <form onSubmit={send} onKeyDown={(e) => e.key === "Escape" && leave()} className="grid gap-2">
      <h3 className="text-lead font-bold">{title}</h3>
      <label className="field">
        <span>{label}</span>
        <input
          className="input"
          autoFocus
          inputMode={inputMode}
          value={value}
          maxLength={300}
          onChange={(e) => setValue(e.target.value)}
          required
        />
      </label>
      {children}
      <div className="flex gap-2">
        <button type="submit" className="button primary">
          {action}
        </button>
        <button type="button" className="button" onClick={leave}>
          {text.panel.back}
        </button>
      </div>
    </form>
  );
}

export function CantPanel({
  code,
  keep,
  leave,
}: {
  code: string;
  keep: (why: string) => void;
  leave: () => void;
}) {
  const t = text.panel.cant;
  return <Panel title={t.title(code)} label={t.label} action={t.action} submit={keep} leave={leave} />;
}

/** More than a slip's width off: measured again, or kept with a note by a second Enter. */
export function FarPanel({
  code,
  value,
  off,
  unit,
  keep,
  leave,
}: {
  code: string;
  value: string;
  off: number;
  unit: string;
  keep: (note: string) => void;
  leave: () => void;
}) {
  const t = text.panel.far;
  const title = t.title(code, value, `${Math.abs(off).toFixed(2)} ${unit}`);
  return <Panel title={title} label={t.label} action={t.action} submit={keep} leave={leave} />;
}

export function ZeroPanel({
  code,
  unit,
  keep,
  leave,
}: {
  code: string;
  unit: string;
  keep: (value: number, partC: number | null) => void;
  leave: () => void;
}) {
  const t = text.panel.zero;
  const [warm, setWarm] = useState("");
  const partC = warm.trim() ? typedNumber(warm) : null;
  return (
    <Panel
      title={t.title(code)}
      label={t.label(unit)}
      action={t.action}
      inputMode="decimal"
      initial="0.00"
      submit={(typed) => {
        const value = typedNumber(typed);
        if (value !== null && (partC !== null || !warm.trim())) keep(value, partC);
      }}
      leave={leave}
    >
      <label className="field">
        <span>{t.warm}</span>
        <input
          className="input num"
          inputMode="decimal"
          value={warm}
          onChange={(e) => setWarm(e.target.value)}
          aria-invalid={partC === null && warm.trim() !== ""}
        />
        <small className="text-ink-2">{t.warmHint}</small>
      </label>
    </Panel>
  );
}

export function CorrectPanel({
  slot,
  value,
  keep,
  leave,
}: {
  slot: Slot;
  value: string;
  keep: (reason: string) => void;
  leave: () => void;
}) {
  const t = text.panel.correct;
  return (
    <Panel
      title={t.title(slot.code, slot.repeat, value)}
      label={t.label}
      action={t.action}
      submit={keep}
      leave={leave}
    />
  );
}
