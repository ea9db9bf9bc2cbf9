import { Field } from "../../parts/bits";
import { text } from "./text";

/** Why an attempt came to nothing; nothing is chosen beforehand. */
export function CauseField() {
  return (
    <Field label="Cause">
      <select className="input" name="cause" required defaultValue="">
        <option value="" disabled>
          Choose one
        </option>
        {Object.entries(text.causes).map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
    </Field>
  );
}
