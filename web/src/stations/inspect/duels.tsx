import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { put, useOutbox } from "../../api/outbox";
import { useChange, useMe } from "../../api/queries";
import { useKeys } from "../../app/keys";
import { Top } from "../../app/shell";
import { BlindTag, Empty, Key, Skeleton, Trouble } from "../../parts/bits";
import { ArtifactDrawing, drawn } from "../../parts/drawing";
import { Toggles } from "../../parts/form/toggles";
import { Refused } from "../../parts/refused";
import { Ballots } from "./ballots";
import { text } from "./text";

type Sells = NonNullable<Schemas["NewDuel"]["sells"]>;

/** Two pieces side by side under blind codes: the one question, three keys. */
export function Duels({ studyId, may }: { studyId: string; may: boolean }) {
  const [line, setLine] = useState<number | null>(null);
  const view = useQuery({
    queryKey: keys.duels(studyId, line),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/duels", {
          params: { path: { study_id: studyId }, query: line === null ? {} : { line } },
        }),
      ),
  });
  if (view.isError) return <Trouble error={view.error} />;
  if (!view.data) return <Skeleton className="h-full" />;
  if (view.data.lines.length === 0)
    return (
      <Empty title={text.duels.none}>
        <p>{view.data.needs}</p>
      </Empty>
    );
  return <Side studyId={studyId} view={view.data} asked={line} choose={setLine} may={may} />;
}

function Side({
  studyId,
  view,
  asked,
  choose,
  may,
}: {
  studyId: string;
  view: Schemas["DuelView"];
  asked: number | null;
  choose: (line: number) => void;
  may: boolean;
}) {
  const outbox = useOutbox();
  const role = useMe().data?.role;
  const leads = role === "owner" || role === "reviewer";
  const [error, setError] = useState<Error | null>(null);
  const [sells, setSells] = useState<Sells | null>(null);
  const path = `/api/studies/${studyId}/duels`;
  const pair = view.pair;
  const both = pair && [pair.first.id, pair.second.id];
  // What was pressed for this pair waits here until the server has shown the next one.
  const waiting = outbox.filter((e) => e.path === path);
  const pressed = waiting.some((e) => !e.refused && both?.includes(String(e.body?.first_id)));
  const line = view.lines.find((l) => l.number === view.number);
  // The piece that this person has compared least comes next.
  const following = view.revealed
    ? undefined
    : view.lines.find((l) => l.number !== view.number && l.mine === 0);
  const back = useChange(studyId, keys.duels(studyId, asked), (duel: string) =>
    unwrap(
      api.POST("/api/duels/{duel_id}/back", {
        params: { path: { duel_id: duel } },
        body: { id: newId() },
      }),
    ),
  );
  const say = (won: Schemas["Won"]) => {
    if (!pair || pressed || !may) return;
    setError(null);
    put({
      label: text.duels.label(pair.first.blind_code, pair.second.blind_code),
      study: studyId,
      path,
      body: {
        id: newId(),
        first_id: pair.first.id,
        second_id: pair.second.id,
        ticket: pair.ticket,
        won,
        ...(sells ? { sells } : {}),
      },
      moment: "judged_at",
      takes: keys.duels(studyId, asked),
    }).catch(setError);
    setSells(null);
  };
  const takeBack = () => {
    if (view.last && may) back.mutate(view.last);
  };
  const turn: Sells[] = ["both", "first", "second", "neither"];
  useKeys([
    { key: "l", does: text.duels.left, run: () => say("first") },
    { key: "r", does: text.duels.right, run: () => say("second") },
    { key: "n", does: text.duels.noDifference, run: () => say("tie") },
    { key: "u", does: text.duels.back, run: takeBack },
    {
      key: "s",
      does: text.duels.sells,
      run: () => setSells((s) => turn[s === null ? 0 : turn.indexOf(s) + 1] ?? null),
    },
  ]);
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_minmax(0,1fr)_280px] gap-3 max-[1020px]:h-auto max-[1020px]:grid-cols-2">
      <Top>
        <span className="chip">{text.duels.nth(line ? line.fought + 1 : 1)}</span>
        <span className="chip border-[var(--brass)] bg-brass-wash">{text.blind}</span>
      </Top>
      {pair ? (
        (["first", "second"] as const).map((side) => (
          <Hand
            key={side}
            side={side}
            piece={pair[side]}
            studyId={studyId}
            say={() => say(side)}
            off={pressed || !may}
          />
        ))
      ) : (
        <section
          className="sheet col-span-2 grid place-items-center p-6 text-center"
          aria-label={text.duels.question}
        >
          <div className="grid justify-items-center gap-3">
            <p className="text-lead">{view.needs}</p>
            {following && (
              <button
                type="button"
                autoFocus
                className="button primary"
                onClick={() => choose(following.number)}
              >
                {text.duels.following(following.artifact)}
              </button>
            )}
          </div>
        </section>
      )}
      <section
        aria-label={text.duels.question}
        className="sheet flex min-h-0 flex-col gap-2 overflow-y-auto p-3.5 max-[1020px]:col-span-2"
      >
        <h2 className="lab">{text.duels.one}</h2>
        <p className="text-title leading-tight font-extrabold [font-stretch:90%]">{text.duels.question}</p>
        <p className="text-small text-ink-2">{text.duels.how}</p>
        {pair && (
          <button
            type="button"
            className="button big justify-start text-lead"
            disabled={pressed || !may}
            onClick={() => say("tie")}
          >
            <Key>N</Key> {text.duels.noDifference}
          </button>
        )}
        {pair && (
          <div>
            <p className="lab pb-1">
              {text.duels.sells} <Key>S</Key>
            </p>
            <Toggles
              label={text.duels.sells}
              value={sells}
              options={turn.map((v) => ({ value: v, name: text.duels.sold[v] }))}
              change={setSells}
              clear={() => setSells(null)}
              className="flex flex-wrap gap-1"
              item="py-1"
            />
          </div>
        )}
        {view.last && may && !view.revealed && (
          <button
            type="button"
            className="justify-self-start text-left text-small underline"
            onClick={takeBack}
          >
            {text.duels.back} <Key>U</Key>
          </button>
        )}
        {pressed && <p className="text-small text-ink-2">{text.duels.waiting}</p>}
        <Trouble error={error ?? back.error} />
        <Refused entries={waiting} />
        <h2 className="lab pt-2">{text.duels.known}</h2>
        <p>{line && text.duels.soFar(line.fought, line.ties)}</p>
        <p className="text-small text-ink-2">
          {line?.words} {pair && line && line.fought > 0 && text.duels.tellsMost}
        </p>
        {view.lines.length > 1 && (
          <>
            <h2 className="lab pt-2">{text.duels.pieces}</h2>
            <ul>
              {view.lines.map((l) => (
                <li key={l.number}>
                  <button
                    type="button"
                    aria-current={l.number === view.number ? "true" : undefined}
                    onClick={() => choose(l.number)}
                    className={`flex w-full justify-between border-b border-rule-2 px-1.5 py-1.5 text-left text-small ${l.number === view.number ? "bg-station-on" : "hover:bg-station-on"}`}
                  >
                    <span>{l.lot ? text.duels.lot(l.artifact, l.lot) : l.artifact}</span>
                    <span className="num">{l.fought}</span>
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
        <p className="mt-auto pt-2 text-small text-ink-2">{text.duels.shuffled}</p>
        {leads && <Ballots studyId={studyId} />}
      </section>
    </div>
  );
}

function Hand({
  side,
  piece,
  studyId,
  say,
  off,
}: {
  side: "first" | "second";
  piece: Schemas["Side"];
  studyId: string;
  say: () => void;
  off: boolean;
}) {
  const queue = useQuery({
    queryKey: keys.measure(studyId),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/measure", { params: { path: { study_id: studyId } } })),
    enabled: piece.photos.length === 0,
  });
  const artifact = queue.data?.artifacts.find(
    (a) => a.id === queue.data?.queue.find((q) => q.id === piece.id)?.artifact_id,
  );
  const photo = piece.photos[piece.photos.length - 1];
  const left = side === "first";
  return (
    <section
      aria-label={left ? text.duels.leftHand : text.duels.rightHand}
      className="sheet flex min-h-0 flex-col p-3.5 max-[1020px]:min-h-[340px]"
    >
      <div className="flex items-baseline justify-between">
        <span className="text-gauge leading-none">
          <BlindTag code={piece.blind_code} />
        </span>
        <span className="lab">{left ? text.duels.leftHand : text.duels.rightHand}</span>
      </div>
      <div className="grid min-h-0 flex-1 place-items-center py-3">
        {photo ? (
          <img
            src={`/api/photos/${photo.id}/picture`}
            alt={photo.caption || text.duels.photoOf(piece.blind_code)}
            className="max-h-full max-w-full rounded object-contain"
          />
        ) : (
          artifact && <ArtifactDrawing artifact={drawn(artifact)} bare />
        )}
      </div>
      <button type="button" className="button big justify-start text-lead" disabled={off} onClick={say}>
        <Key>{left ? text.duels.l : text.duels.r}</Key> {text.duels.thisOne}
      </button>
    </section>
  );
}
