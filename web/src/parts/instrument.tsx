import { useState } from "react";
import { useMe } from "../api/queries";
import { Choice } from "./form/choice";

type Named = { id: string; code: string; kind: string };

const kept = (person: string, purpose: string) => `crevlo.instrument.${person}.${purpose}`;

/** Which instrument a person used last for a purpose on this device, if any. */
export const rememberedInstrument = (person: string, purpose: string) =>
  localStorage.getItem(kept(person, purpose));

/**
 * Which of several instruments a person uses, remembered for them on this device by what it is used for. One alone is used
 * without asking; of several none is taken before the person has said.
 */
export function useInstrument<I extends Named>(purpose: string, fitting: I[]) {
  const me = useMe();
  const key = kept(me.data?.person_id ?? "", purpose);
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const wanted = chosen[key] ?? localStorage.getItem(key);
  const instrument = fitting.find((i) => i.id === wanted) ?? (fitting.length === 1 ? fitting[0] : undefined);
  const choose = (id: string) => {
    localStorage.setItem(key, id);
    setChosen((known) => ({ ...known, [key]: id }));
  };
  return { instrument, fitting, choose };
}

/** The instrument in use, to be changed where there are several. */
export function InstrumentChoice<I extends Named>({
  use,
  label,
  className,
}: {
  use: ReturnType<typeof useInstrument<I>>;
  label: string;
  className?: string;
}) {
  if (use.fitting.length < 2) return null;
  return (
    <Choice
      label={label}
      value={use.instrument?.id ?? null}
      placeholder={label}
      options={use.fitting.map((i) => ({ value: i.id, name: i.code, note: i.kind }))}
      change={use.choose}
      {...(className ? { className } : {})}
    />
  );
}
