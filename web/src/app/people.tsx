import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useMe } from "../api/queries";
import { Empty, Field, Skeleton, Trouble } from "../parts/bits";
import { NewPassword } from "../parts/new-password";
import { Shell } from "./shell";
import { text } from "./text";

const ROLES: Record<Schemas["Role"], string> = {
  owner: text.everythingAndWhoMayDo,
  reviewer: text.runsStudies,
  rater: text.measuresAndInspectsBlindSees,
  reader: text.readsChangesNothing,
};

/** Who may do what; for owners. */
export function PeoplePage() {
  const me = useMe();
  const client = useQueryClient();
  const owner = me.data?.role === "owner";
  const people = useQuery({
    queryKey: keys.people,
    queryFn: () => unwrap(api.GET("/api/people")),
    enabled: owner,
  });
  const [error, setError] = useState<Error | null>(null);
  const carryOut = async (call: Promise<unknown>) => {
    setError(null);
    try {
      await call;
    } catch (e) {
      setError(e as Error);
    }
    await client.invalidateQueries({ queryKey: keys.people });
  };
  const change = (
    person: Schemas["PersonOut"],
    part: Partial<Pick<Schemas["PersonOut"], "role" | "active">>,
  ) =>
    carryOut(
      unwrap(
        api.PATCH("/api/people/{person_id}", {
          params: { path: { person_id: person.id } },
          body: { version: person.version, role: person.role, active: person.active, ...part },
        }),
      ),
    );
  const add = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const target = event.currentTarget;
    const form = new FormData(target);
    void carryOut(
      unwrap(
        api.POST("/api/people", {
          body: {
            id: newId(),
            name: String(form.get("name")).trim(),
            email: String(form.get("email")).trim(),
            role: String(form.get("role")) as Schemas["Role"],
            password: String(form.get("password")),
          },
        }),
      ).then(() => target.reset()),
    );
  };
  return (
    <Shell studyId={null} active="people" title={text.people}>
      {!owner ? (
        <Empty title={text.onlyAnOwnerSees}>
          <p>{text.askTheOwnerOf}</p>
        </Empty>
      ) : (
        <div className="mx-auto grid max-w-[960px] grid-cols-[minmax(0,1fr)_300px] items-start gap-3 max-[860px]:grid-cols-1">
          <section aria-label={text.people} className="sheet p-4">
            {!people.data && <Skeleton className="h-40" />}
            <ul>
              {people.data?.people.map((p) => (
                <li
                  key={p.id}
                  className="grid grid-cols-[minmax(0,1fr)_130px_auto] items-center gap-3 border-b border-rule-2 py-2"
                >
                  <span className="min-w-0">
                    <b className={p.active ? "" : "text-ink-2 line-through"}>{p.name}</b>
                    <small className="block truncate text-ink-2">{p.email}</small>
                  </span>
                  <select
                    className="input"
                    aria-label={text.roleOf(p.name)}
                    value={p.role}
                    onChange={(e) => void change(p, { role: e.target.value as Schemas["Role"] })}
                  >
                    {Object.keys(ROLES).map((r) => (
                      <option key={r}>{r}</option>
                    ))}
                  </select>
                  <button
                    type="button"
                    className="button"
                    onClick={() => void change(p, { active: !p.active })}
                  >
                    {p.active ? text.closeAccount : text.openAgain}
                  </button>
                </li>
              ))}
            </ul>
            <div className="pt-2">
              <Trouble error={error ?? people.error} />
            </div>
            <dl className="mt-3 grid grid-cols-[80px_1fr] gap-y-1 text-small">
              {Object.entries(ROLES).map(([role, what]) => (
                <div key={role} className="contents">
                  <dt className="font-semibold">{role}</dt>
                  <dd className="text-ink-2">{what}</dd>
                </div>
              ))}
            </dl>
          </section>
          <form onSubmit={add} className="sheet grid gap-2.5 p-4">
            <h2 className="text-lead font-bold">{text.newAccount}</h2>
            <Field label={text.nameOrRole}>
              <input className="input" name="name" required maxLength={80} />
            </Field>
            <Field label={text.address}>
              <input className="input" name="email" type="email" required />
            </Field>
            <Field label={text.role}>
              <select className="input" name="role" defaultValue="rater">
                {Object.keys(ROLES).map((r) => (
                  <option key={r}>{r}</option>
                ))}
              </select>
            </Field>
            <NewPassword name="password" label={text.firstPassword} hint={text.atLeast10Characters2} />
            <button type="submit" className="button primary">
              {text.addTheAccount}
            </button>
          </form>
        </div>
      )}
    </Shell>
  );
}
