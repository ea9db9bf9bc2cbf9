import { type FormEvent, type ReactNode, useState } from "react";
import { Trouble } from "../../parts/bits";
import type { Slot } from "./index";

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
      <h3 className="text-[15px] font-bold">{title}</h3>
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
          Back
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
  return (
    <Panel
      title={`${code} can't be measured`}
      label="Why"
      action="Keep, next face"
      submit={keep}
      leave={leave}
    />
  );
}

/** More than a slip's width off: measured again, or kept with a note by a second Enter. */
export function FarPanel({
  code,
  value,
  off,
  keep,
  leave,
}: {
  code: string;
  value: number;
  off: number;
  keep: (note: string) => void;
  leave: () => void;
}) {
  return (
    <Panel
      title={`${code}: ${value.toFixed(2)} mm is ${Math.abs(off).toFixed(2)} mm off`}
      label="Measure again, or note why the part really is so"
      action="Keep it, next face"
      submit={keep}
      leave={leave}
    />
  );
}

export function ZeroPanel({
  code,
  keep,
  leave,
  error,
}: {
  code: string;
  keep: (value: number) => void;
  leave: () => void;
  error: Error | null;
}) {
  return (
    <Panel
      title={`Zero check of ${code}`}
      label="Reading with the jaws wiped and closed, mm"
      action="Keep the check"
      inputMode="decimal"
      initial="0.00"
      submit={(v) => Number.isFinite(Number(v.replace(",", "."))) && keep(Number(v.replace(",", ".")))}
      leave={leave}
    >
      <Trouble error={error} />
    </Panel>
  );
}

export function CorrectPanel({
  slot,
  value,
  keep,
  leave,
  error,
}: {
  slot: Slot;
  value: number;
  keep: (reason: string) => void;
  leave: () => void;
  error: Error | null;
}) {
  return (
    <Panel
      title={`Correct ${slot.code} reading ${slot.repeat} to ${value.toFixed(2)} mm`}
      label="Reason; the old reading stays on record"
      action="Correct it"
      submit={keep}
      leave={leave}
    >
      <Trouble error={error} />
    </Panel>
  );
}
