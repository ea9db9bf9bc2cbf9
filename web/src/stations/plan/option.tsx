/** A policy as a named option with its consequence. */
export function Option({
  name,
  words,
  on,
  pick,
}: {
  name: string;
  words: readonly string[];
  on: boolean;
  pick: () => void;
}) {
  return (
    <label
      className={`flex items-start gap-2 rounded border p-2 ${on ? "border-enamel bg-station-on" : "border-rule"}`}
    >
      <input type="radio" name={name} checked={on} onChange={pick} className="mt-0.5" />
      <span>
        <b className="font-semibold">{words[0]}</b>
        <span className="block text-small leading-tight text-ink-2">{words[1]}</span>
      </span>
    </label>
  );
}

/** All options of one policy. */
export function Choice<K extends string>({
  legend,
  name,
  options,
  value,
  set,
}: {
  legend: string;
  name: string;
  options: Readonly<Record<K, readonly string[]>>;
  value: K;
  set: (to: K) => void;
}) {
  return (
    <fieldset>
      <legend className="lab pb-1">{legend}</legend>
      <div className="grid grid-cols-2 gap-1.5 max-[760px]:grid-cols-1">
        {(Object.keys(options) as K[]).map((k) => (
          <Option key={k} name={name} words={options[k]} on={value === k} pick={() => set(k)} />
        ))}
      </div>
    </fieldset>
  );
}
