import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { Hint } from "./hint";
import { text } from "./text";

const FORM: Partial<Record<Schemas["DeviceKind"], { unit: string; digits: number }>> = {
  "sound meter": { unit: "dB", digits: 1 },
  scale: { unit: "g", digits: 2 },
  caliper: { unit: "mm", digits: 2 },
  gauge: { unit: "mm", digits: 3 },
};

/** Whether an instrument of this kind can send what it reads. */
export const sends = (kind: string): kind is Schemas["DeviceKind"] => kind in FORM;

/** What an instrument that sends by itself sent last, to be taken over; nothing where there is none. */
export function SentValue({ kind, take }: { kind: Schemas["DeviceKind"]; take: (value: string) => void }) {
  const values = useQuery({
    queryKey: keys.values(kind),
    queryFn: () => unwrap(api.GET("/api/devices/values", { params: { query: { kind } } })),
    refetchInterval: 3_000,
  });
  const form = FORM[kind];
  const sent = values.data?.values[0];
  if (!sent || !form) return null;
  const value = sent.value.toFixed(form.digits);
  return (
    <Hint says={text.sent(new Date(sent.at).toLocaleTimeString("en-GB"))}>
      <button type="button" className="justify-self-start text-small underline" onClick={() => take(value)}>
        {text.takeFrom(value, form.unit, sent.device)}
      </button>
    </Hint>
  );
}

/** Puts a value into a field of the form that an element belongs to. */
export function fillIn(form: HTMLFormElement | null, name: string, value: string): void {
  const field = form?.elements.namedItem(name);
  if (field instanceof HTMLInputElement) field.value = value;
}
