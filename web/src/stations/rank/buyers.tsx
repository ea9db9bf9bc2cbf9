import { Dialog } from "radix-ui";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useBuyers, useChange } from "../../api/queries";
import { Field, Trouble } from "../../parts/bits";
import { text } from "./text";
import { useBuyer } from "./use-buyer";

/** Whom the study recommends for: added from nothing or from another buyer, named, removed. */
export function Buyers({
  studyId,
  view,
  choose,
}: {
  studyId: string;
  view: Schemas["RankView"];
  choose: (id: string | null) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="chip underline">{text.buyers}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="sheet fixed top-16 left-1/2 z-20 max-h-[80vh] w-[min(520px,94vw)] -translate-x-1/2 overflow-y-auto p-5"
        >
          <Dialog.Title className="text-head font-bold">{text.buyersTitle}</Dialog.Title>
          <ul className="mt-3 grid gap-1.5">
            {view.profiles.map((p) => (
              <Line
                key={p.id}
                studyId={studyId}
                buyer={p}
                last={view.profiles.length === 1}
                choose={choose}
              />
            ))}
          </ul>
          <Add
            studyId={studyId}
            added={(id) => {
              choose(id);
              setOpen(false);
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Line({
  studyId,
  buyer,
  last,
  choose,
}: {
  studyId: string;
  buyer: Schemas["ProfileOut"];
  last: boolean;
  choose: (id: string | null) => void;
}) {
  const rename = useBuyer(studyId, buyer);
  const remove = useChange(studyId, keys.part(studyId, "rank", firstBuyer), () =>
    unwrap(
      api.DELETE("/api/studies/{study_id}/buyers/{profile_id}", {
        params: {
          path: { study_id: studyId, profile_id: buyer.id },
          query: { version: buyer.version },
        },
      }),
    ),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    rename.mutate({ name: String(new FormData(event.currentTarget).get("name")) });
  };
  return (
    <li>
      <form onSubmit={submit} className="flex gap-2">
        <input
          key={buyer.name}
          className="input min-w-0 flex-1"
          name="name"
          aria-label={text.nameOf(buyer.name)}
          defaultValue={buyer.name}
          required
          maxLength={80}
        />
        <button type="submit" className="button">
          {text.rename}
        </button>
        <button
          type="button"
          className="button"
          disabled={last || remove.isPending}
          title={last ? text.lastBuyer : undefined}
          aria-label={text.remove2(buyer.name)}
          onClick={() => remove.mutate(undefined, { onSuccess: () => choose(null) })}
        >
          {text.remove}
        </button>
      </form>
      <Trouble error={rename.error ?? remove.error} />
    </li>
  );
}

function Add({ studyId, added }: { studyId: string; added: (id: string) => void }) {
  const others = useBuyers();
  const add = useChange(studyId, keys.part(studyId, "rank", firstBuyer), (body: Schemas["NewBuyer"]) =>
    unwrap(api.POST("/api/studies/{study_id}/buyers", { params: { path: { study_id: studyId } }, body })),
  );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const typed = new FormData(event.currentTarget);
    const id = newId();
    const from = String(typed.get("from"));
    add.mutate(
      { id, name: String(typed.get("name")), copy_of: from || null },
      { onSuccess: () => added(id) },
    );
  };
  return (
    <form onSubmit={submit} className="mt-4 grid gap-2 border-t border-rule pt-3">
      <h3 className="lab">{text.newBuyer}</h3>
      <div className="grid grid-cols-2 gap-2 max-[560px]:grid-cols-1">
        <Field label={text.who}>
          <input className="input" name="name" required maxLength={80} placeholder={text.newBuyerName} />
        </Field>
        <Field label={text.weightsAndMustHaves}>
          <select className="input" name="from" defaultValue="">
            <option value="">{text.fromNothing}</option>
            {(others.data?.buyers ?? []).map((b) => (
              <option key={b.id} value={b.id}>
                {b.name} · {b.study}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <button type="submit" className="button now" disabled={add.isPending}>
        {text.addThisBuyer}
      </button>
      <Trouble error={add.error} />
    </form>
  );
}

const firstBuyer = { profile_id: null, weights: null, show_gated: false };
