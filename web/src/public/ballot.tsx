import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { useEffect } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { BlindTag, Empty, Key, Skeleton, Trouble } from "../parts/bits";
import { text } from "./text";

type View = Schemas["PublicBallot"];

/** The page for an audience, without signing in: two photos, one question. */
export function BallotPage() {
  const { key } = useParams({ from: "/ballot/$key" });
  const view = useQuery({
    queryKey: keys.ballot(key),
    queryFn: () => unwrap(api.GET("/api/ballots/{key}", { params: { path: { key } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (view.isError)
    return (
      <main className="p-6">
        <Trouble error={view.error} />
      </main>
    );
  if (!view.data) return <Skeleton className="h-dvh" />;
  return <Pair ballot={key} view={view.data} />;
}

function Pair({ ballot, view }: { ballot: string; view: View }) {
  const client = useQueryClient();
  const { first, second } = view;
  const say = useMutation({
    mutationFn: (won: Schemas["Won"]) =>
      unwrap(
        api.POST("/api/ballots/{key}/votes", {
          params: { path: { key: ballot } },
          body: {
            id: newId(),
            first: first?.blind_code ?? "",
            second: second?.blind_code ?? "",
            ticket: view.ticket,
            won,
          },
        }),
      ),
    onSuccess: (next) => client.setQueryData(keys.ballot(ballot), next),
  });
  const vote = (won: Schemas["Won"]) => {
    if (first && !say.isPending) say.mutate(won);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      const won = ({ l: "first", r: "second", n: "tie" } as const)[event.key.toLowerCase()];
      if (won) vote(won);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  if (!first || !second)
    return (
      <main className="grid min-h-dvh place-items-center">
        <Empty title={view.open ? text.done : text.closed}>
          <p>{view.question}</p>
        </Empty>
      </main>
    );
  return (
    <main className="mx-auto grid max-w-[1180px] gap-3 p-4 max-[560px]:p-2.5">
      <header className="grid gap-1">
        <h1 className="text-title leading-tight font-extrabold [font-stretch:90%]">{view.question}</h1>
        <p className="text-small text-ink-2">{text.how}</p>
      </header>
      <div className="grid grid-cols-2 gap-3 max-[560px]:grid-cols-1 max-[560px]:gap-2">
        <Side side={first} name={text.left} letter={text.l} say={() => vote("first")} waits={say.isPending} />
        <Side
          side={second}
          name={text.right}
          letter={text.r}
          say={() => vote("second")}
          waits={say.isPending}
        />
      </div>
      <button
        type="button"
        className="button big justify-center text-lead"
        disabled={say.isPending}
        onClick={() => vote("tie")}
      >
        <Key>{text.n}</Key> {text.same}
      </button>
      <Trouble error={say.error} />
      <p role="status" className="flex justify-between text-small text-ink-2">
        <span className="num">{text.said(view.said, view.pairs)}</span>
        <span>{text.until(new Date(view.closes_at).toLocaleString(undefined, { dateStyle: "medium" }))}</span>
      </p>
    </main>
  );
}

function Side({
  side,
  name,
  letter,
  say,
  waits,
}: {
  side: Schemas["PublicSide"];
  name: string;
  letter: string;
  say: () => void;
  waits: boolean;
}) {
  return (
    <section aria-label={name} className="sheet grid content-start gap-2 p-2.5">
      <span className="text-lead max-[560px]:hidden">
        <BlindTag code={side.blind_code} />
      </span>
      <img
        src={side.picture}
        alt={text.photoOf(side.blind_code)}
        width={1000}
        height={750}
        className="h-auto w-full rounded"
      />
      <button type="button" className="button big text-lead" disabled={waits} onClick={say}>
        <span className="max-[560px]:hidden">
          <Key>{letter}</Key>
        </span>{" "}
        {text.one}
        <span className="min-[561px]:hidden">
          <BlindTag code={side.blind_code} />
        </span>
      </button>
    </section>
  );
}
