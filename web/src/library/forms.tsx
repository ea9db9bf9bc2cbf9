import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { readLibraryAgain } from "../api/keys";
import { useLibrary } from "../api/queries";
import { Field, Trouble } from "../parts/bits";
import { CurrencyField } from "../parts/form/currency";
import { text } from "./text";

/** Adds one thing to the library in place, or changes it; `done` gets it, or null when left. `send` is told which of
 * `action` and `other` was pressed. */
export function AddForm<T>({
  children,
  send,
  done,
  action,
  other,
}: {
  children: ReactNode;
  send: (form: FormData, pressed: string) => Promise<T>;
  done: (made: T | null) => void;
  action: string;
  other?: string | undefined;
}) {
  const client = useQueryClient();
  const [error, setError] = useState<Error | null>(null);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const pressed = (event.nativeEvent as SubmitEvent).submitter as HTMLButtonElement | null;
    try {
      const made = await send(new FormData(event.currentTarget), pressed?.value ?? "");
      await readLibraryAgain(client);
      done(made);
    } catch (e) {
      setError(e as Error);
    }
  };
  return (
    <form onSubmit={(e) => void submit(e)} className="mt-3 grid gap-2 rounded border border-rule p-3">
      <div className="grid grid-cols-2 gap-2">{children}</div>
      <Trouble error={error} />
      <div className="flex gap-2">
        <button type="submit" className="button primary" value={action}>
          {action}
        </button>
        {other && (
          <button type="submit" className="button" value={other}>
            {other}
          </button>
        )}
        <button type="button" className="button" onClick={() => done(null)}>
          {text.back}
        </button>
      </div>
    </form>
  );
}

export function Text({ label, name, value = "" }: { label: string; name: string; value?: string }) {
  return (
    <Field label={label}>
      <input className="input" name={name} defaultValue={value} required maxLength={80} />
    </Field>
  );
}

export function Amount({
  label,
  name,
  value,
  optional = false,
}: {
  label: string;
  name: string;
  value?: number;
  optional?: boolean;
}) {
  return (
    <Field label={label}>
      <input
        className="input num"
        name={name}
        type="number"
        step="any"
        min={0}
        defaultValue={value}
        required={!optional}
      />
    </Field>
  );
}

export const amount = (form: FormData, name: string) => Number(form.get(name));

export function ModelForm({ done }: { done: (made: Schemas["ModelOut"] | null) => void }) {
  return (
    <AddForm
      action={text.addTheMachine}
      done={done}
      send={(f) =>
        unwrap(
          api.POST("/api/models", {
            body: {
              id: newId(),
              name: String(f.get("name")).trim(),
              bed_x_mm: amount(f, "x"),
              bed_y_mm: amount(f, "y"),
              height_mm: amount(f, "z"),
              list_price: f.get("price") ? amount(f, "price") : null,
              currency: String(f.get("currency")).toUpperCase(),
            },
          }),
        )
      }
    >
      <Text label={text.name} name="name" />
      <Amount label={text.listPrice} name="price" optional />
      <CurrencyField label={text.listCurrency} value="EUR" />
      <Amount label={text.bedXMm} name="x" value={220} />
      <Amount label={text.bedYMm} name="y" value={220} />
      <Amount label={text.heightMm} name="z" value={250} />
    </AddForm>
  );
}

/** A new spool, or what is known of one that is there. */
export function SpoolForm({
  spool = null,
  done,
}: {
  spool?: Schemas["SpoolOut"] | null;
  done: (made: Schemas["SpoolOut"] | null) => void;
}) {
  const library = useLibrary();
  const materials = library.data?.materials ?? [];
  const [material, setMaterial] = useState(spool?.material ?? "");
  const [density, setDensity] = useState(spool ? String(spool.density_g_cm3) : "");
  const name = (typed: string) =>
    setMaterial((before) => {
      // The usual density follows the material until a person types another.
      const of = (m: string) => materials.find((x) => x.name === m.trim().toUpperCase());
      if (density === "" || density === String(of(before)?.density ?? "")) {
        setDensity(String(of(typed)?.density ?? ""));
      }
      return typed;
    });
  const send = async (f: FormData): Promise<Schemas["SpoolOut"]> => {
    const body = {
      code: String(f.get("code")).trim(),
      maker: String(f.get("maker")),
      material: String(f.get("material")),
      colour: String(f.get("colour")),
      density_g_cm3: amount(f, "density"),
      price_per_kg: amount(f, "price"),
      currency: String(f.get("currency")).toUpperCase(),
      priced_on: String(f.get("priced")) || null,
      diameter_mm: amount(f, "diameter"),
      dried_on: String(f.get("dried")) || null,
      lot: String(f.get("lot")).trim(),
      empty_g: f.get("empty") ? amount(f, "empty") : null,
    };
    if (!spool) return unwrap(api.POST("/api/spools", { body: { id: newId(), ...body } }));
    const { id, version } = spool;
    const made = await unwrap(
      api.PUT("/api/spools/{spool_id}", {
        params: { path: { spool_id: id } },
        body: { id, version, ...body },
      }),
    );
    return made.spool;
  };
  return (
    <AddForm action={spool ? text.save : text.addTheSpool} done={done} send={send}>
      <Text label={text.codeOnTheSpool} name="code" value={spool?.code} />
      <Text label={text.maker} name="maker" value={spool?.maker} />
      <Field label={text.material}>
        <input
          className="input"
          name="material"
          required
          maxLength={20}
          list="usual-materials"
          value={material}
          onChange={(e) => name(e.target.value)}
        />
      </Field>
      <datalist id="usual-materials">
        {materials.map((m) => (
          <option key={m.name} value={m.name} />
        ))}
      </datalist>
      <Text label={text.colour} name="colour" value={spool?.colour} />
      <Field label={text.densityGCm}>
        <input
          className="input num"
          name="density"
          type="number"
          step="any"
          min={0}
          required
          value={density}
          onChange={(e) => setDensity(e.target.value)}
        />
      </Field>
      <Amount label={text.diameterMm} name="diameter" value={spool?.diameter_mm ?? 1.75} />
      <Amount label={text.pricePerKg} name="price" value={spool?.price_per_kg ?? 20} />
      <CurrencyField
        label={text.currency}
        value={spool?.currency ?? library.data?.spools.at(-1)?.currency ?? "EUR"}
      />
      <Field label={text.pricedOn}>
        <input className="input" type="date" name="priced" defaultValue={spool?.priced_on ?? ""} />
      </Field>
      <Field label={text.driedOn}>
        <input className="input" type="date" name="dried" defaultValue={spool?.dried_on ?? ""} />
      </Field>
      <Field label={text.lot}>
        <input className="input" name="lot" maxLength={40} defaultValue={spool?.lot} />
      </Field>
      <Amount label={text.emptySpoolG} name="empty" value={spool?.empty_g ?? undefined} optional />
    </AddForm>
  );
}
