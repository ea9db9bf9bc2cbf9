import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { api, newId, setCsrf, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useMe } from "../api/queries";
import { Field, Trouble } from "../parts/bits";
import { text } from "./text";

/** Signs in by the one-time token behind the #, which never reaches a server log. */
export function LinkPage() {
  const client = useQueryClient();
  const me = useMe();
  const [error, setError] = useState<Error | null>(null);
  const used = useRef(false);
  useEffect(() => {
    if (!me.data || used.current) return;
    used.current = true;
    const token = window.location.hash.slice(1);
    unwrap(api.POST("/api/session/link", { body: { token } }))
      .then((next) => {
        setCsrf(next.csrf);
        client.setQueryData(keys.me, next);
        window.location.replace("/");
      })
      .catch((e: Error) => (me.data.person_id ? window.location.replace("/") : setError(e)));
  }, [me.data, client]);
  return (
    <Card title={error ? text.thisLinkDoesNotWork : text.signingIn}>
      <Trouble error={error} />
    </Card>
  );
}

export function SignIn({ needsOwner }: { needsOwner: boolean }) {
  const client = useQueryClient();
  const [error, setError] = useState<Error | null>(null);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const email = String(form.get("email"));
    const password = String(form.get("password"));
    try {
      if (needsOwner)
        await unwrap(
          api.POST("/api/owner", {
            body: { id: newId(), name: String(form.get("name")), email, password, role: "owner" },
          }),
        );
      else await unwrap(api.POST("/api/session", { body: { email, password } }));
      await client.invalidateQueries();
    } catch (e) {
      setError(e as Error);
    }
  };
  return (
    <Card title={needsOwner ? text.makeTheOwnerAccount : text.signIn}>
      {needsOwner && <p className="text-ink-2">{text.thisInstallationIsEmpty}</p>}
      <form onSubmit={(e) => void submit(e)} className="grid gap-3">
        {needsOwner && (
          <Field label={text.nameOrRole}>
            <input className="input" name="name" required maxLength={80} defaultValue="Reviewer" />
          </Field>
        )}
        <Field label={text.address}>
          <input className="input" name="email" type="email" autoComplete="username" required />
        </Field>
        <Field label={text.password} {...(needsOwner ? { hint: text.atLeast10Characters3 } : {})}>
          <input
            className="input"
            name="password"
            type="password"
            autoComplete={needsOwner ? "new-password" : "current-password"}
            minLength={needsOwner ? 10 : 1}
            required
          />
        </Field>
        <Trouble error={error} />
        <button type="submit" className="button primary">
          {needsOwner ? text.makeAccount : text.signIn}
        </button>
      </form>
    </Card>
  );
}

function Card({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <main className="grid min-h-dvh place-items-center p-4">
      <div className="sheet grid w-[min(360px,100%)] gap-3 p-6">
        <span className="text-head font-extrabold [font-stretch:110%]">
          {text.crevlo}
          <i className="ml-1 inline-block h-[7px] w-[26px] rounded bg-needle align-middle" />
        </span>
        <h1 className="text-head font-bold">{title}</h1>
        {children}
      </div>
    </main>
  );
}
