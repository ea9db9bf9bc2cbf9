import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useMe } from "../api/queries";
import { day, Field, Skeleton, Trouble } from "../parts/bits";
import { NewPassword } from "../parts/new-password";
import { Shell } from "./shell";
import { text } from "./text";

/** One's own password, and where one is signed in. */
export function AccountPage() {
  const me = useMe();
  const client = useQueryClient();
  const sessions = useQuery({ queryKey: keys.sessions, queryFn: () => unwrap(api.GET("/api/sessions")) });
  const [error, setError] = useState<Error | null>(null);
  const [done, setDone] = useState("");
  const take = (made: Schemas["Sessions"]) => client.setQueryData(keys.sessions, made);
  const end = (id: string) => {
    setError(null);
    unwrap(api.DELETE("/api/sessions/{session_id}", { params: { path: { session_id: id } } }))
      .then(take)
      .catch(setError);
  };
  const change = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const given = new FormData(form);
    setError(null);
    setDone("");
    unwrap(
      api.PUT("/api/session/password", {
        body: { old: String(given.get("old")), new: String(given.get("new")) },
      }),
    )
      .then((made) => {
        take(made);
        form.reset();
        setDone(text.thePasswordIsChangedEverywhere);
      })
      .catch(setError);
  };
  return (
    <Shell studyId={null} active="" title={text.yourAccount}>
      <div className="grid max-w-[860px] grid-cols-[minmax(0,1fr)_300px] items-start gap-3 max-[760px]:grid-cols-1">
        <section className="sheet p-4" aria-label={text.whereYouAreSigned}>
          <h2 className="text-lead font-bold">{text.whereYouAreSigned}</h2>
          {!sessions.data && <Skeleton className="mt-2 h-24" />}
          <ul className="mt-2">
            {sessions.data?.sessions.map((s) => (
              <li key={s.id} className="flex items-center gap-3 border-t border-rule-2 py-2 text-body">
                <span className="min-w-0 flex-1">
                  <b className="block truncate" title={s.agent}>
                    {s.agent}
                  </b>
                  <span className="text-ink-2">
                    {s.address ? text.since(s.address) : text.since2} {day(s.began_at)}
                    {!s.here && text.lastUsed(day(s.seen_at))}
                  </span>
                </span>
                {s.here ? (
                  <span className="chip">{text.thisOne}</span>
                ) : (
                  <button type="button" className="button" onClick={() => end(s.id)}>
                    {text.signOutThere}
                  </button>
                )}
              </li>
            ))}
          </ul>
          <Trouble error={error ?? sessions.error} />
        </section>
        <form onSubmit={change} className="sheet grid gap-2.5 p-4" aria-label={text.newPassword}>
          <h2 className="text-lead font-bold">{text.newPassword}</h2>
          <p className="text-small text-ink-2">{text.forItSignsYouOut(me.data?.name ?? "")}</p>
          <Field label={text.oldPassword}>
            <input className="input" name="old" type="password" autoComplete="current-password" />
          </Field>
          <NewPassword name="new" label={text.newPassword} hint={text.atLeast10Characters} />
          <button type="submit" className="button primary">
            {text.changeIt}
          </button>
          {done && (
            <p role="status" className="text-body text-ok-ink">
              {done}
            </p>
          )}
        </form>
      </div>
    </Shell>
  );
}
