import { api, newId, type Schemas, unwrap } from "../../api/client";
import { Field } from "../../parts/bits";
import { type Toggle, Toggles } from "../../parts/form/toggles";
import { Photos } from "../../parts/photos";
import { Line, type Props } from "./line";
import { text } from "./text";

const WRONG = "data-[state=on]:!border-needle data-[state=on]:!bg-needle data-[state=on]:!text-white";
const FOUND: Toggle<Schemas["Found"]>[] = [
  { value: "present", name: text.found.present },
  { value: "missing", name: text.found.missing, className: WRONG },
  { value: "damaged", name: text.found.damaged, className: WRONG },
];

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
          ? text.writeDownTheMakerS
          : amiss.length > 0
            ? `${amiss.map((a) => `${a.name} ${a.found}`).join(", ")}.`
            : open > 0
              ? text.ofStillToLookFor(open, rec.box.length)
              : text.everythingIsThereAndWhole}
      </p>
      <ul className="mt-2">
        {rec.box.map((b) => (
          <li key={b.id} className="flex flex-wrap items-center gap-2 border-t border-rule-2 py-1.5">
            <span className="min-w-[120px] flex-1">
              {b.name}
              {b.note && <small className="block text-small text-ink-2">{b.note}</small>}
            </span>
            <Toggles
              label={b.name}
              value={b.found}
              options={FOUND}
              change={(found) => set(b, found)}
              clear={() => set(b, null)}
              disabled={!may || busy}
              item="min-h-[34px] px-2.5 max-[1020px]:min-h-[44px]"
            />
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
