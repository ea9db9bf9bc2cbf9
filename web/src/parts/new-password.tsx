import { Field } from "./bits";

/** A password that is being chosen. The server has the last word on whether it will do. */
export function NewPassword({ name, label, hint }: { name: string; label: string; hint: string }) {
  return (
    <Field label={label} hint={hint}>
      <input
        className="input"
        name={name}
        type="password"
        minLength={10}
        required
        autoComplete="new-password"
      />
    </Field>
  );
}
