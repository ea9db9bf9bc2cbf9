import { X } from "@phosphor-icons/react/dist/csr/X";
import { useQuery } from "@tanstack/react-query";
import { Dialog } from "radix-ui";
import { createContext, type ReactNode, useCallback, useContext, useEffect, useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { day } from "./bits";
import { text } from "./text";

/** Names a figure: where its source can be asked for. */
export type Figure =
  | { station: "measure"; specimen: string; feature?: string; finding?: string }
  | { station: "cost"; study: string; unit: string; part: string; by?: Schemas["By"] }
  | {
      station: "results";
      study: string;
      unit: string;
      query: {
        by: Schemas["ResultsView"]["by"];
        code: string;
        artifact?: string;
        spool?: string;
        arm?: string;
      };
    }
  | { station: "rank"; study: string; unit: string; criterion: string; shown: Schemas["WhatIf"] };

const Open = createContext<(figure: Figure) => void>(() => {});
export const useSource = () => useContext(Open);

function ask(figure: Figure): Promise<Schemas["Source"]> {
  if (figure.station === "measure")
    return unwrap(
      api.GET("/api/specimens/{specimen_id}/source", {
        params: {
          path: { specimen_id: figure.specimen },
          query: {
            ...(figure.feature ? { feature: figure.feature } : {}),
            ...(figure.finding ? { finding: figure.finding } : {}),
          },
        },
      }),
    );
  const path = { study_id: figure.study, unit_id: figure.unit };
  if (figure.station === "results")
    return unwrap(
      api.GET("/api/studies/{study_id}/units/{unit_id}/result-source", {
        params: { path, query: figure.query },
      }),
    );
  if (figure.station === "cost")
    return unwrap(
      api.GET("/api/studies/{study_id}/units/{unit_id}/cost-source", {
        params: { path, query: { part: figure.part, by: figure.by ?? "machine" } },
      }),
    );
  return unwrap(
    api.POST("/api/studies/{study_id}/units/{unit_id}/rank-source", {
      params: { path },
      body: { ...figure.shown, criterion: figure.criterion },
    }),
  );
}

/** A figure with its dotted underline: click, Enter or “.” opens how it was made. */
export function Sourced({
  figure,
  children,
  label,
}: {
  figure: Figure;
  children: ReactNode;
  label?: string;
}) {
  const open = useSource();
  return (
    <button
      type="button"
      className="sourced"
      data-figure={JSON.stringify(figure)}
      aria-label={label}
      onClick={() => open(figure)}
    >
      {children}
    </button>
  );
}

export function SourceDrawer({ children }: { children: ReactNode }) {
  // The way taken from figure to figure; its end is shown.
  const [way, setWay] = useState<Figure[]>([]);
  const figure = way.at(-1) ?? null;
  const open = useCallback((next: Figure) => setWay([next]), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "." || event.ctrlKey || event.metaKey) return;
      const focused = document.activeElement;
      const holder = focused instanceof HTMLElement ? focused.closest<HTMLElement>("[data-figure]") : null;
      if (!holder?.dataset.figure) return;
      event.preventDefault();
      setWay([JSON.parse(holder.dataset.figure) as Figure]);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const source = useQuery({
    queryKey: keys.source(figure),
    queryFn: () => ask(figure!),
    enabled: figure !== null,
    staleTime: 0,
  });
  return (
    <Open.Provider value={open}>
      {children}
      <Dialog.Root open={figure !== null} onOpenChange={(is) => !is && setWay([])}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 bg-black/20" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed inset-y-0 right-0 z-20 flex w-[min(440px,100vw)] flex-col overflow-y-auto border-l border-rule bg-sheet p-5"
          >
            <div className="flex items-start justify-between gap-3">
              <div>
                {way.length > 1 ? (
                  <button
                    type="button"
                    className="text-small underline"
                    onClick={() => setWay(way.slice(0, -1))}
                  >
                    {text.backToTheFigure}
                  </button>
                ) : (
                  <span className="lab">{text.howItWasMade}</span>
                )}
                <Dialog.Title className="text-head font-bold leading-tight [font-stretch:92%]">
                  {source.data?.title ?? text.source}
                </Dialog.Title>
                {source.data?.amount && <p className="num mt-1 text-lead">{source.data.amount}</p>}
              </div>
              <Dialog.Close className="button !min-h-[32px] !px-2" aria-label={text.close}>
                <X size={16} />
              </Dialog.Close>
            </div>
            {source.isError && <p className="trouble mt-3">{source.error.message}</p>}
            {source.data && figure && (
              <SourceBody source={source.data} follow={(lead) => setWay([...way, leadFrom(figure, lead)])} />
            )}
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </Open.Provider>
  );
}

/** Another figure of the same machine, seen under the same weights. */
function leadFrom(figure: Figure, lead: Schemas["Lead"]): Figure {
  if (figure.station === "measure") return figure;
  const { study, unit } = figure;
  if (lead.station === "cost") return { station: "cost", study, unit, part: lead.figure };
  const shown = figure.station === "rank" ? figure.shown : {};
  return { station: "rank", study, unit, criterion: lead.figure, shown };
}

function SourceBody({
  source,
  follow,
}: {
  source: Schemas["Source"];
  follow: (lead: Schemas["Lead"]) => void;
}) {
  return (
    <>
      <p className="mt-3 border-l-3 border-enamel pl-3 text-body text-ink-2">{source.rule}</p>
      {source.inputs.length > 0 && (
        <dl className="mt-4 grid gap-1.5">
          {source.inputs.map((input, i) => (
            <div key={i} className="grid grid-cols-[1fr_auto] gap-x-3 border-b border-rule-2 pb-1.5">
              <dt>
                {input.lead ? (
                  <button type="button" className="sourced" onClick={() => follow(input.lead!)}>
                    {input.name}
                  </button>
                ) : (
                  input.name
                )}
              </dt>
              <dd className="num text-small font-semibold">{input.amount}</dd>
              {input.note && <dd className="col-span-2 text-small text-ink-2">{input.note}</dd>}
            </div>
          ))}
        </dl>
      )}
      {source.departures.length > 0 && (
        <>
          <h3 className="lab mt-5 mb-1">{text.departuresFromTheProtocol(source.departures.length)}</h3>
          <ul className="caution grid gap-1">
            {source.departures.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
        </>
      )}
      {source.entries.length > 0 && (
        <>
          <h3 className="lab mt-5 mb-1">{text.entries(source.entries.length)}</h3>
          <ul className="grid">
            {source.entries.map((entry, i) => (
              <li
                key={i}
                className={`grid grid-cols-[1fr_auto] gap-x-3 border-b border-rule-2 py-1.5 text-small ${entry.struck ? "text-ink-2 line-through" : ""}`}
              >
                <span>{entry.what}</span>
                <span className="num font-semibold">{entry.amount}</span>
                <span className="col-span-2 text-small text-ink-2">
                  {[entry.by, entry.using, day(entry.at), entry.note].filter(Boolean).join(" · ")}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
