import { useRef, useState } from "react";
import { api, type Schemas, seenVersion, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { Conflict } from "../../parts/conflict";
import { typedNumber } from "../../parts/numbers";
import { text } from "./text";

type Obtained = keyof typeof text.obtained;

/** How one unit came and what it cost; its disclosure sentence as the report will print it. */
export function Intake({
  studyId,
  unit,
  currency,
  may,
  takeTheirs,
}: {
  studyId: string;
  unit: Schemas["UnitOut"];
  currency: string;
  may: boolean;
  takeTheirs: () => void;
}) {
  const [obtained, setObtained] = useState<Obtained | null>(unit.obtained);
  const [saved, setSaved] = useState(false);
  const [money, setMoney] = useState(unit.currency);
  const save = useChange(studyId, keys.receive(studyId), (body: Schemas["UnitChange"]) =>
    unwrap(
      api.PUT("/api/studies/{study_id}/units/{unit_id}", {
        params: { path: { study_id: studyId, unit_id: unit.machine.unit_id } },
        body,
      }),
    ),
  );
  const form = useRef<HTMLFormElement>(null);
  const typed = (): Omit<Schemas["UnitChange"], "version"> => {
    const given = new FormData(form.current!);
    const amount = (name: string) => typedNumber(String(given.get(name) ?? ""));
    return {
      serial: String(given.get("serial")).trim() || null,
      label: String(given.get("label") ?? "").trim(),
      currency: /^[A-Z]{3}$/.test(money) ? money : null,
      price_paid: amount("price_paid"),
      upgrades: amount("upgrades") ?? 0,
      residual: amount("residual") ?? 0,
      obtained,
      obtained_from: String(given.get("obtained_from")).trim() || null,
      received_on: String(given.get("received_on")) || null,
      disclosure: String(given.get("disclosure") ?? "").trim(),
      day_price: amount("day_price"),
      day_price_on: String(given.get("day_price_on") ?? "") || null,
      first_power_on: unit.first_power_on,
    };
  };
  const send = () =>
    save.mutate(
      { version: seenVersion(unit.version, save.error), ...typed() },
      { onSuccess: () => setSaved(true) },
    );
  const conflict = save.error && "theirs" in save.error && save.error.theirs;
  const sum = (label: string, name: string, value: number | null, hint?: string) => (
    <Field label={`${label}, ${money}`} {...(hint ? { hint } : {})}>
      <input
        className="input num"
        inputMode="decimal"
        pattern={text.amountPattern}
        title={text.amountHint}
        name={name}
        defaultValue={value ?? ""}
        disabled={!may}
      />
    </Field>
  );
  return (
    <section aria-label={text.intake} className="sheet min-h-0 overflow-y-auto p-4">
      <h2 className="lab">{text.intake}</h2>
      <p className="mt-1 text-small text-ink-2">
        {text.bedMmHeightMmBy(
          unit.bed_x_mm.toFixed(0),
          unit.bed_y_mm.toFixed(0),
          unit.height_mm.toFixed(0),
          unit.nozzle_mm,
          unit.firmware,
        )}
      </p>
      <form
        ref={form}
        onSubmit={(e) => {
          e.preventDefault();
          send();
        }}
        onChange={() => setSaved(false)}
        className="mt-3 grid gap-3"
      >
        <fieldset className="flex gap-1.5" disabled={!may}>
          <legend className="pb-1 text-small text-ink-2">{text.howItWasObtained}</legend>
          {(Object.keys(text.obtained) as Obtained[]).map((way) => (
            <label
              key={way}
              className={`flex min-h-[36px] flex-1 cursor-pointer items-center justify-center rounded border font-semibold has-focus-visible:outline-2 has-focus-visible:outline-needle ${obtained === way ? "border-enamel bg-enamel text-on-enamel" : "border-rule"}`}
            >
              <input
                type="radio"
                name="obtained"
                value={way}
                checked={obtained === way}
                onChange={() => setObtained(way)}
                className="sr-only"
              />
              {text.obtained[way]}
            </label>
          ))}
        </fieldset>
        <Field label={obtained === "bought" ? text.boughtFrom : text.byWhom}>
          <input
            className="input"
            name="obtained_from"
            maxLength={120}
            defaultValue={unit.obtained_from ?? ""}
            disabled={!may}
          />
        </Field>
        <div className="grid grid-cols-2 items-start gap-3">
          {sum(
            text.pricePaid,
            "price_paid",
            unit.price_paid,
            unit.list_price === null
              ? undefined
              : `List price ${unit.list_price.toFixed(0)} ${unit.list_currency}`,
          )}
          {sum(text.toMakeItUsable, "upgrades", unit.upgrades, text.upgradesAndSpares)}
          {sum(text.elsewhereOnTheDay, "day_price", unit.day_price, text.whatTheModelCostThat)}
          <Field label={text.onWhichDay}>
            <input
              className="input"
              type="date"
              name="day_price_on"
              defaultValue={unit.day_price_on ?? ""}
              disabled={!may}
            />
          </Field>
          {sum(text.worthAtTheEndOf, "residual", unit.residual)}
          <Field label={text.receivedOn}>
            <input
              className="input"
              type="date"
              name="received_on"
              defaultValue={unit.received_on ?? ""}
              disabled={!may}
            />
          </Field>
          <Field
            label={text.currency}
            hint={money === currency ? text.currencySame : text.currencyOther(currency)}
          >
            <input
              className="input num"
              maxLength={3}
              pattern="[A-Z]{3}"
              title={text.currencyShape}
              value={money}
              disabled={!may}
              onChange={(e) => setMoney(e.target.value.toUpperCase())}
            />
          </Field>
          <Field label={text.unitLabel} hint={text.unitLabelHint}>
            <input className="input" name="label" maxLength={40} defaultValue={unit.label} disabled={!may} />
          </Field>
          <Field label={text.serialNumber}>
            <input
              className="input num"
              name="serial"
              maxLength={80}
              defaultValue={unit.serial ?? ""}
              disabled={!may}
            />
          </Field>
        </div>
        <Field label={text.whatTheReportAdds}>
          <textarea
            className="input !h-auto"
            name="disclosure"
            rows={2}
            maxLength={600}
            defaultValue={unit.disclosure_more}
            disabled={!may}
            placeholder={text.itGoesBackAfter}
          />
        </Field>
        {conflict ? (
          <Conflict
            error={save.error}
            labels={text.fields}
            mine={typed()}
            keepMine={send}
            takeTheirs={takeTheirs}
          />
        ) : (
          <Trouble error={save.error} />
        )}
        {may && !conflict && (
          <div className="flex items-center gap-3">
            <button type="submit" className="button primary" disabled={save.isPending}>
              {text.saveTheIntake}
            </button>
            <span role="status" className="text-small text-ok-ink">
              {saved && text.saved}
            </span>
          </div>
        )}
      </form>
      <h3 className="lab pt-5">{text.disclosure}</h3>
      <p className={`mt-1 text-lead ${unit.disclosure ? "" : "text-ink-2"}`}>
        {unit.disclosure ?? text.noDisclosure}
      </p>
    </section>
  );
}
