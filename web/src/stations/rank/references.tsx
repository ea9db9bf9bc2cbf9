import { useQuery } from "@tanstack/react-query";
import { Dialog } from "radix-ui";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { Toggles } from "../../parts/form/toggles";
import { typedNumber } from "../../parts/numbers";
import { text } from "./text";

type Kind = Schemas["NewReference"]["kind"];
const KINDS: Kind[] = ["machine", "typical", "stated"];

/** What this study's machines are held against: a machine of another study, what is typical, or stated figures. */
export function References({ studyId, count, may }: { studyId: string; count: number; may: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="chip underline">{text.references.chip(count)}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="sheet fixed top-16 left-1/2 z-20 max-h-[80vh] w-[min(620px,94vw)] -translate-x-1/2 overflow-y-auto p-5"
        >
          <Dialog.Title className="text-head font-bold">{text.references.title}</Dialog.Title>
          <p className="pt-1 text-small text-ink-2">{text.references.hint}</p>
          <Inside studyId={studyId} may={may} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Inside({ studyId, may }: { studyId: string; may: boolean }) {
  const key = keys.part(studyId, "references");
  const view = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/references", { params: { path: { study_id: studyId } } })),
  });
  const remove = useChange(studyId, key, (id: string) =>
    unwrap(
      api.DELETE("/api/studies/{study_id}/references/{item_id}", {
        params: { path: { study_id: studyId, item_id: id } },
      }),
    ),
  );
  const made = view.data;
  if (!made) return <Trouble error={view.error} />;
  return (
    <>
      <ul className="mt-3 grid gap-1">
        {made.references.map((r) => (
          <li key={r.id} className="flex items-baseline gap-2 border-b border-rule-2 pb-1">
            <span className="min-w-0 flex-1">
              <b>{r.name}</b>{" "}
              <small className="text-ink-2">
                {r.age}. {text.references.known(r.known, made.figures.length)}
              </small>
            </span>
            {may && (
              <button
                type="button"
                className="button"
                disabled={remove.isPending}
                aria-label={text.remove2(r.name)}
                onClick={() => remove.mutate(r.id)}
              >
                {text.remove}
              </button>
            )}
          </li>
        ))}
        {made.references.length === 0 && <li className="text-ink-2">{text.references.none}</li>}
      </ul>
      <Trouble error={remove.error} />
      {may && <Add studyId={studyId} made={made} />}
    </>
  );
}

function Add({ studyId, made }: { studyId: string; made: Schemas["References"] }) {
  const [kind, setKind] = useState<Kind>("machine");
  const [picked, setPicked] = useState<string[]>([]);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [round, setRound] = useState(0);
  const add = useChange(studyId, keys.part(studyId, "references"), (body: Schemas["NewReference"]) =>
    unwrap(api.POST("/api/studies/{study_id}/references", { params: { path: { study_id: studyId } }, body })),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const given = new FormData(event.currentTarget);
    const figures = Object.fromEntries(
      made.figures.flatMap((f) => {
        const value = typedNumber(typed[f.code] ?? "");
        const expanded = typedNumber(typed[`${f.code} u`] ?? "") ?? 0;
        return value === null ? [] : [[f.code, { value, expanded }]];
      }),
    );
    add.mutate(
      {
        id: newId(),
        kind,
        name: String(given.get("name")).trim(),
        about: String(given.get("about") ?? "").trim(),
        members: picked.map((p) => {
          const [study_id = "", unit_id = ""] = p.split(" ");
          return { study_id, unit_id };
        }),
        figures: kind === "stated" ? figures : {},
      },
      {
        onSuccess: () => {
          setPicked([]);
          setTyped({});
          setRound((n) => n + 1);
        },
      },
    );
  };
  const pick = (value: string, on: boolean) =>
    setPicked((was) =>
      kind === "machine" ? (on ? [value] : []) : on ? [...was, value] : was.filter((p) => p !== value),
    );
  return (
    <form key={round} onSubmit={submit} className="mt-4 grid gap-2.5 border-t border-rule pt-3">
      <h3 className="lab">{text.references.add}</h3>
      <Toggles
        label={text.references.add}
        value={kind}
        options={KINDS.map((k) => ({ value: k, name: text.references.kinds[k] }))}
        change={(k) => {
          setKind(k);
          setPicked([]);
        }}
        item="min-h-8"
      />
      <div className="grid grid-cols-2 gap-2 max-[560px]:grid-cols-1">
        <Field label={text.references.name}>
          <input
            className="input"
            name="name"
            required
            maxLength={80}
            placeholder={text.references.names[kind]}
          />
        </Field>
        <Field label={text.references.about}>
          <input className="input" name="about" maxLength={300} required={kind === "stated"} />
        </Field>
      </div>
      {kind === "stated" ? (
        <fieldset className="grid gap-1">
          <legend className="pb-1 text-small text-ink-2">{text.references.statedHint}</legend>
          {made.figures.map((f) => (
            <div key={f.code} className="grid grid-cols-[minmax(0,1fr)_110px_110px] items-center gap-2">
              <span>
                {f.name} <span className="text-ink-2">{f.unit}</span>
              </span>
              {[f.code, `${f.code} u`].map((at, k) => (
                <input
                  key={at}
                  className="input num"
                  inputMode="decimal"
                  aria-label={k === 0 ? `${f.name}, ${f.unit}` : text.references.within(f.name)}
                  placeholder={k === 0 ? "" : "±"}
                  value={typed[at] ?? ""}
                  onChange={(e) => setTyped({ ...typed, [at]: e.target.value })}
                />
              ))}
            </div>
          ))}
        </fieldset>
      ) : made.choices.length === 0 ? (
        <p className="text-ink-2">{text.references.noOther}</p>
      ) : (
        <div className="max-h-[34vh] overflow-y-auto rounded border border-rule px-3 py-1">
          {made.choices.map((c) => (
            <fieldset key={c.study_id} className="py-1">
              <legend className="text-small text-ink-2">{c.title}</legend>
              {c.units.map((u) => {
                const value = `${c.study_id} ${u.unit_id}`;
                return (
                  <label key={value} className="mr-4 inline-flex items-center gap-1.5">
                    <input
                      type={kind === "machine" ? "radio" : "checkbox"}
                      name="member"
                      checked={picked.includes(value)}
                      onChange={(e) => pick(value, e.target.checked)}
                    />
                    {u.name}
                  </label>
                );
              })}
            </fieldset>
          ))}
        </div>
      )}
      <Trouble error={add.error} />
      <button type="submit" className="button now justify-self-start" disabled={add.isPending}>
        {text.references.addNow}
      </button>
    </form>
  );
}

/** Each reference under the weights on screen, and whether the first machine would replace it. */
export function ReferenceLines({ view }: { view: Schemas["RankView"] }) {
  if (view.references.length === 0) return null;
  return (
    <section
      aria-label={text.references.title}
      className="grid gap-1 border-t border-rule-2 px-3.5 py-2 text-small"
    >
      {view.references.map((r) => (
        <p key={r.id}>
          <b>{r.name}</b>{" "}
          <span className="text-ink-2" title={r.needs.join("; ")}>
            {r.missing === view.criteria.length
              ? text.references.nothing
              : r.missing > 0
                ? text.references.between(r.total_low.toFixed(1), r.total_high.toFixed(1), r.missing)
                : text.references.points(r.total_low.toFixed(1))}{" "}
            ({r.age}).
          </span>{" "}
          {r.says}
        </p>
      ))}
    </section>
  );
}
