import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { api, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { type Form, formOf } from "./draft";

const PAUSE_MS = 700;

function place(studyId: string): string {
  return `crevlo.draft.${studyId}`;
}

/** What was typed here last and has not reached the server, if it was typed over the draft that is there now. */
export function keptDraft(plan: Schemas["PlanView"]): Form | null {
  try {
    const kept = JSON.parse(localStorage.getItem(place(plan.id)) ?? "null") as {
      version: number;
      form: Form;
    } | null;
    return kept && kept.version === plan.version ? kept.form : null;
  } catch {
    return null;
  }
}

type Save = {
  mutate: (version: number) => void;
  isPending: boolean;
  isSuccess: boolean;
  error: Error | null;
};

/** Saves the draft as it is typed, after a short pause and on leaving; until then this device keeps it. */
export function useSavedAsTyped(plan: Schemas["PlanView"], form: Form, may: boolean, save: Save) {
  const now = JSON.stringify(form);
  const sent = useRef<string | null>(null);
  const client = useQueryClient();
  // The server may write a name a little differently: what it has taken is saved, whatever it looks like.
  const saved = now === JSON.stringify(formOf(plan)) || (save.isSuccess && now === sent.current);
  const asSent = (version: number) => {
    sent.current = now;
    save.mutate(version);
  };
  const state = useRef({ now, saved, form, version: plan.version, may });
  state.current = { now, saved, form, version: plan.version, may };
  useEffect(() => {
    if (saved) localStorage.removeItem(place(plan.id));
    else localStorage.setItem(place(plan.id), JSON.stringify({ version: plan.version, form }));
  }, [plan.id, plan.version, form, saved]);
  const refused = save.error !== null && now === sent.current;
  // biome-ignore lint/correctness/useExhaustiveDependencies: one pause after each change, and again once a save has ended
  useEffect(() => {
    if (saved || refused || !may || save.isPending) return;
    const timer = setTimeout(() => asSent(plan.version), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [now, plan.version, saved, refused, may, save.isPending]);
  useEffect(
    () => () => {
      const left = state.current;
      if (left.saved || !left.may) return;
      void unwrap(
        api.PUT("/api/studies/{study_id}/plan", {
          params: { path: { study_id: plan.id } },
          body: { ...left.form, version: left.version },
          keepalive: true,
        }),
      )
        .then((view) => {
          localStorage.removeItem(place(plan.id));
          // Coming back at once must not show what was there before.
          client.setQueryData(keys.part(plan.id, "plan"), view);
        })
        .catch(() => undefined);
    },
    [plan.id, client],
  );
  return { asSent, saved };
}
