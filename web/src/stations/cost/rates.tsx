import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Field, Trouble } from "../../parts/bits";
import { CurrencyField } from "../../parts/form/currency";
import { typedNumber } from "../../parts/numbers";
import { text } from "./text";

/** What currencies were worth in each other, as people read it; figures in another currency rest on it. */
export function Rates({ currency, may }: { currency: string; may: boolean }) {
  const client = useQueryClient();
  const rates = useQuery({ queryKey: keys.rates, queryFn: () => unwrap(api.GET("/api/rates")) });
  const [wrong, setWrong] = useState("");
  const state = useMutation({
    mutationFn: (body: Schemas["NewRate"]) => unwrap(api.POST("/api/rates", { body })),
    onSuccess: (data) => {
      client.setQueryData(keys.rates, data);
      void client.invalidateQueries({ queryKey: keys.everyStudy });
    },
  });
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    const rate = typedNumber(String(given.get("rate")));
    if (rate === null || rate <= 0) {
      setWrong(text.rateWrong);
      return;
    }
    setWrong("");
    state.mutate(
      {
        id: newId(),
        base: String(given.get("base")).toUpperCase(),
        quote: currency,
        rate,
        on: String(given.get("on")),
        source: String(given.get("source")).trim(),
      },
      { onSuccess: () => form.reset() },
    );
  };
  return (
    <details className="pt-4">
      <summary className="lab cursor-pointer">{text.rates}</summary>
      <p className="pt-1 text-small text-ink-2">{text.ratesHint(currency)}</p>
      <ul className="pt-1 text-small">
        {rates.data?.rates.length === 0 && <li className="text-ink-2">{text.noRates}</li>}
        {rates.data?.rates.map((r) => (
          <li key={r.id} className="border-b border-rule-2 py-0.75">
            <span className="num">{text.rate(r.base, r.rate, r.quote)}</span>{" "}
            <span className="text-ink-2">{text.rateOf(r.on, r.source)}</span>
          </li>
        ))}
      </ul>
      {may && (
        <form onSubmit={submit} className="mt-2 grid grid-cols-2 items-end gap-2">
          <CurrencyField label={text.rateBase} name="base" />
          <Field label={text.rateIs(currency)}>
            <input className="input num" name="rate" inputMode="decimal" required />
          </Field>
          <Field label={text.rateOn}>
            <input className="input" name="on" type="date" required />
          </Field>
          <Field label={text.rateSource}>
            <input className="input" name="source" maxLength={120} required />
          </Field>
          <button type="submit" className="button col-span-2" disabled={state.isPending}>
            {text.rateKeep}
          </button>
          {wrong && (
            <p role="alert" className="trouble col-span-2">
              {wrong}
            </p>
          )}
          <Trouble error={state.error} />
        </form>
      )}
    </details>
  );
}
