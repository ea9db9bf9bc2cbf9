import { ToggleGroup } from "radix-ui";
import type { ReactNode } from "react";

export type Toggle<V extends string> = { value: V; name: ReactNode; className?: string };

const ITEM =
  "rounded border border-rule px-2 text-small enabled:hover:border-ink-3 data-[state=on]:border-enamel data-[state=on]:bg-enamel data-[state=on]:text-on-enamel";

/**
 * A few of which one is on, all in view; arrows go between them. Pressed again, what is on stays on, and goes off where
 * `clear` is given.
 */
export function Toggles<V extends string>({
  label,
  value = null,
  options,
  change,
  clear,
  disabled = false,
  className = "flex gap-1",
  item = "",
}: {
  label: string;
  value?: V | null;
  options: Toggle<V>[];
  change: (value: V) => void;
  clear?: () => void;
  disabled?: boolean;
  className?: string;
  item?: string;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value ?? ""}
      disabled={disabled}
      className={className}
      onValueChange={(v) => (v ? change(v as V) : clear?.())}
    >
      {options.map((o) => (
        <ToggleGroup.Item key={o.value} value={o.value} className={`${ITEM} ${item} ${o.className ?? ""}`}>
          {o.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
