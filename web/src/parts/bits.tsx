import type { ReactNode } from "react";
import { Refusal } from "../api/client";
import { text } from "./text";

export function BlindTag({ code }: { code: string }) {
  return <span className="num font-semibold tracking-wide">{code}</span>;
}

export function Key({ children }: { children: ReactNode }) {
  return <kbd className="key">{children}</kbd>;
}

export function Field({ label, children, hint }: { label: string; children: ReactNode; hint?: string }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
    <label className="field">
      <span>{label}</span>
      {children}
      {hint && <small className="text-ink-2">{hint}</small>}
    </label>
  );
}

const CONFLICT = text.somebodyChangedThisWhileYou;

/** What went wrong, in place; a conflict says so and keeps what was typed. */
export function Trouble({ error }: { error: Error | null | undefined }) {
  if (!error) return null;
  const conflict = error instanceof Refusal && error.status === 409 && error.theirs;
  return (
    <p role="alert" className="trouble">
      {conflict ? CONFLICT : error.message}
    </p>
  );
}

export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="grid h-full place-items-center p-8">
      <div className="max-w-md text-center">
        <h2 className="text-head font-bold [font-stretch:92%]">{title}</h2>
        <div className="mt-2 grid justify-items-center gap-3 text-ink-2">{children}</div>
      </div>
    </div>
  );
}

/** A grey stand-in of the final size while the first answer is on its way. */
export function Skeleton({ className = "" }: { className?: string }) {
  return <div aria-hidden="true" className={`sheet animate-pulse ${className}`} />;
}

export function duration(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  if (whole > 0 && whole < 60) return `${whole} s`;
  return hours ? `${hours} h ${String(minutes).padStart(2, "0")} min` : `${minutes} min`;
}

export function clock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const part = (x: number) => String(x).padStart(2, "0");
  return `${Math.floor(whole / 3600)}:${part(Math.floor((whole % 3600) / 60))}:${part(whole % 60)}`;
}

export function day(iso: string): string {
  return new Date(iso).toLocaleString("en-GB", {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });
}

/** A chance in whole percent; never 0 or 100 where something is left of it. */
export function percent(chance: number): string {
  if (chance > 0 && chance < 0.005) return "<1";
  if (chance < 1 && chance >= 0.995) return ">99";
  return (100 * chance).toFixed(0);
}

export function signed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits);
  return Number(text) === 0 ? text : `${value < 0 ? "−" : "+"}${text}`;
}
