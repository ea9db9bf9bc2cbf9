import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { put as keep, useOutbox } from "../../api/outbox";
import { Field } from "../../parts/bits";
import { Line, type Props, type Rec } from "./line";
import { text } from "./text";

export function Worth({ rec, path, may, busy, send }: Props) {
  const w = rec.worth;
  const outbox = useOutbox();
  const place = (id: string) => `/api/studies/${path.study_id}/units/${path.unit_id}/features/${id}`;
  // What was ticked counts at once, whether the server has heard of it or not.
  const ticked = (f: Schemas["WorthOut"]) => {
    const last = outbox.filter((e) => e.path === place(f.id) && !e.refused).at(-1);
    return last ? last.body?.present === true : f.present;
  };
  const put = (call: () => Promise<Rec>) => send(call, () => {});
  return (
    <>
      <p className="pt-1 text-lead font-semibold">
        {w.surplus === null
          ? w.price === null
            ? text.needsThePricePaidAt
            : text.tickWhatThisMachineHas
          : text.aMachine(w.words)}
      </p>
      <label className="mt-2 flex max-w-[560px] items-center gap-3 text-body">
        <span className="flex-1">{text.aMachineWithoutAny}</span>
        <input
          key={w.base}
          className="input num !w-[110px]"
          type="number"
          min={0}
          step="any"
          aria-label={text.whatAMachineWithoutAny(w.currency)}
          defaultValue={w.base}
          disabled={!may || busy}
          onBlur={(e) => {
            const worth = Number(e.target.value);
            if (worth !== w.base)
              put(() =>
                unwrap(
                  api.PUT("/api/studies/{study_id}/units/{unit_id}/worth-base", {
                    params: { path },
                    body: { worth },
                  }),
                ),
              );
          }}
        />
      </label>
      <ul className="mt-2 max-w-[560px]">
        {w.features.map((f) => (
          <li key={f.id} className="flex items-center gap-3 border-t border-rule-2 py-1">
            <label className="flex min-h-[36px] flex-1 items-center gap-2">
              <input
                type="checkbox"
                checked={ticked(f)}
                disabled={!may}
                onChange={(e) =>
                  void keep({
                    label: `${f.name}: ${e.target.checked ? text.onIt : text.notOnIt}`,
                    study: path.study_id,
                    method: "PUT",
                    path: place(f.id),
                    body: { present: e.target.checked },
                    takes: keys.record(path.study_id, path.unit_id),
                  })
                }
              />
              {f.name}
            </label>
            <input
              className="input num !w-[110px]"
              type="number"
              min={0}
              step="any"
              aria-label={text.whatIsWorth(f.name, w.currency)}
              defaultValue={f.worth}
              disabled={!may || busy}
              onBlur={(e) => {
                const worth = Number(e.target.value);
                if (worth !== f.worth)
                  put(() =>
                    unwrap(
                      api.PUT("/api/studies/{study_id}/units/{unit_id}/worths/{item_id}", {
                        params: { path: { ...path, item_id: f.id } },
                        body: { version: f.version, worth },
                      }),
                    ),
                  );
              }}
            />
          </li>
        ))}
      </ul>
      {may && (
        <Line
          label={text.aFeature}
          action={text.addToThePrice}
          busy={busy}
          keep={(words, done) =>
            send(
              () =>
                unwrap(
                  api.POST("/api/studies/{study_id}/units/{unit_id}/worths", {
                    params: { path },
                    body: { id: newId(), name: words("name"), worth: Number(words("worth")) },
                  }),
                ),
              done,
            )
          }
        >
          <Field label={text.feature}>
            <input className="input" name="name" required maxLength={80} />
          </Field>
          <Field label={text.worth(w.currency)}>
            <input className="input num" name="worth" type="number" min={0} step="any" required />
          </Field>
        </Line>
      )}
    </>
  );
}
