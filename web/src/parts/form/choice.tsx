import { CaretDown } from "@phosphor-icons/react/dist/csr/CaretDown";
import { Select } from "radix-ui";

export type Option = { value: string; name: string; note?: string };

/** One of a few, by mouse or keys; `value` is null before anything is chosen. */
export function Choice({
  label,
  value,
  options,
  change,
  placeholder = "",
  className = "input",
}: {
  label: string;
  value: string | null;
  options: Option[];
  change: (value: string) => void;
  placeholder?: string;
  className?: string;
}) {
  return (
    <Select.Root value={value ?? ""} onValueChange={change}>
      <Select.Trigger aria-label={label} className={`${className} flex items-center gap-1.5 text-left`}>
        <Select.Value placeholder={placeholder} />
        <Select.Icon className="ml-auto">
          <CaretDown aria-hidden />
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          className="sheet z-50 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) overflow-hidden p-1 shadow-lg"
        >
          <Select.Viewport>
            {options.map((o) => (
              <Select.Item
                key={o.value}
                value={o.value}
                className="cursor-default rounded px-2 py-1 outline-none data-[highlighted]:bg-station-on"
              >
                <Select.ItemText>{o.name}</Select.ItemText>
                {o.note && <span className="ml-2 text-small text-ink-2">{o.note}</span>}
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
