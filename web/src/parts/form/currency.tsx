import { Field } from "../bits";
import { text } from "../text";

/** The currency of an amount by its three letters, as a field of a form called `name`. */
export function CurrencyField({
  label,
  value,
  name = "currency",
}: {
  label: string;
  value?: string;
  name?: string;
}) {
  return (
    <Field label={label}>
      <input
        className="input num"
        name={name}
        pattern="[A-Za-z]{3}"
        maxLength={3}
        title={text.threeLettersAsIn}
        required
        {...(value ? { defaultValue: value } : { placeholder: "USD" })}
      />
    </Field>
  );
}
