import { api, newId, type Schemas, unwrap } from "../../api/client";
import { Field } from "../../parts/bits";
import { Photos } from "../../parts/photos";
import { Line, type Props } from "./line";
import { text } from "./text";

export function Box({ rec, path, may, busy, send }: Props) {
  const set = (item: Schemas["BoxItemOut"], found: Schemas["Found"] | null, note = item.note) =>
    send(
      () =>
        unwrap(
          api.PUT("/api/studies/{study_id}/units/{unit_id}/box/{item_id}", {
            params: { path: { ...path, item_id: item.id } },
            body: { version: item.version, found, note },
          }),
        ),
      () => {},
    );
  const amiss = rec.box.filter((b) => b.found === "missing" || b.found === "damaged");
  const open = rec.box.filter((b) => b.found === null).length;
  return (
    <>
      <p className="pt-1 text-lead font-semibold">
        {rec.box.length === 0
          ? "Write down the maker's list, then go through the box by it."
          : amiss.length > 0
            ? `${amiss.map((a) => `${a.name} ${a.found}`).join(", ")}.`
            : open > 0
              ? `${open} of ${rec.box.length} still to look for.`
              : "Everything is there and whole."}
      </p>
      <ul className="mt-2">
        {rec.box.map((b) => (
          <li key={b.id} className="flex flex-wrap items-center gap-2 border-t border-rule-2 py-1.5">
            <span className="min-w-[120px] flex-1">
              {b.name}
              {b.note && <small className="block text-small text-ink-2">{b.note}</small>}
            </span>
            <span className="flex gap-1" role="group" aria-label={b.name}>
              {(["present", "missing", "damaged"] as const).map((f) => (
                <button
                  key={f}
                  type="button"
                  disabled={!may || busy}
                  aria-pressed={b.found === f}
                  onClick={() => set(b, b.found === f ? null : f)}
                  className={`min-h-[34px] rounded border px-2.5 text-small max-[1020px]:min-h-[44px] ${b.found === f ? (f === "present" ? "border-enamel bg-enamel text-on-enamel" : "border-needle bg-needle text-white") : "border-rule"}`}
                >
                  {f}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {may && (
        <Line
          label={text.addToTheList}
          action={text.addToTheList}
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/box", {
                    params: { path },
                    body: { id: newId(), name: words("name") },
                  }),
                ),
              done,
            )
          }
        >
          <Field label={text.whatShouldBeIn}>
            <input className="input" name="name" required maxLength={120} />
          </Field>
        </Line>
      )}
      <h3 className="lab pt-4 pb-1">{text.photosTheBoxDamage}</h3>
      <Photos
        subjectId={path.unit_id}
        photos={rec.photos}
        may={may}
        label={text.theUnitAsIt}
        studyId={path.study_id}
      />
      <p className="pt-1 text-small text-ink-2">{text.whereAndWhenA}</p>
    </>
  );
}
