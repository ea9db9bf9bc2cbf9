import { Field } from "../../parts/bits";
import { text } from "./text";

/** Why an attempt came to nothing; nothing is chosen beforehand. */
export function CauseField() {
  return (
    <Field label={text.cause}>
      <select className="input" name="cause" required defaultValue="">
        <option value="" disabled>
          {text.chooseOne}
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
