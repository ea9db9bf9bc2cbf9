import { Link, useNavigate } from "@tanstack/react-router";
import { useEffect, useRef } from "react";
import type { Schemas } from "../api/client";
import { useKeys } from "./keys";
import { LIBRARY, RATER_STATIONS, STATIONS } from "./stations";
import { text } from "./text";

const BEADS = 6;

/** The line: eight stations in working order, each with a bead row that fills as the study progresses. */
export function Rail({
  studyId,
  line,
  active,
  rater,
  owner,
}: {
  studyId: string | null;
  line: Schemas["Line"] | undefined;
  active: string;
  rater: boolean;
  owner: boolean;
}) {
  const navigate = useNavigate();
  const shown = useRef<HTMLAnchorElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: on a phone the line is wider than the screen
  useEffect(() => {
    shown.current?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [active, studyId]);
  const open = STATIONS.filter((s) => !rater || RATER_STATIONS.includes(s.id));
  useKeys([
    ...STATIONS.flatMap((s, i) =>
      [`${i + 1}`, `g ${i + 1}`].map((key) => ({
        key,
        does: "",
        base: true,
        run: () => {
          if (studyId && open.includes(s))
            void navigate({ to: "/study/$studyId/$station", params: { studyId, station: s.id } });
        },
      })),
    ),
    ...(rater || !studyId
      ? []
      : [
          {
            key: "t",
            does: text.results,
            base: true,
            run: () =>
              void navigate({
                to: "/study/$studyId/$station",
                params: { studyId, station: "rank" },
                hash: "results",
              }),
          },
        ]),
    ...(rater
      ? []
      : LIBRARY.map((l) => ({
          key: `g ${l.key}`,
          does: "",
          run: () => void navigate({ to: "/library/$kind", params: { kind: l.id } }),
        }))),
  ]);
  return (
    <nav
      aria-label={text.stations}
      className="flex flex-col print:hidden bg-[#1d3b34] pt-3.5 pb-2.5 text-on-enamel max-[640px]:flex-row max-[640px]:overflow-x-auto max-[640px]:p-1"
    >
      <Link
        to="/"
        className="px-4 pb-3 text-head font-extrabold tracking-tight [font-stretch:110%] max-[640px]:py-2"
      >
        {text.crevlo}
        <i className="ml-1 inline-block h-[7px] w-[26px] rounded bg-needle align-middle" />
      </Link>
      {studyId &&
        STATIONS.map((s, i) => {
          const progress = line?.stations[i];
          const on = active === s.id;
          const filled = Math.round((progress?.share ?? 0) * BEADS);
          if (!open.includes(s)) return null;
          return (
            <Link
              key={s.id}
              to="/study/$studyId/$station"
              params={{ studyId, station: s.id }}
              aria-current={on ? "page" : undefined}
              ref={on ? shown : undefined}
              className={`grid grid-cols-[22px_1fr_auto] items-baseline gap-x-1.5 border-l-4 py-2 pr-3.5 pl-3 ${on ? "border-needle bg-bench text-ink" : "border-transparent hover:bg-[#24483f]"}`}
            >
              <span className={`num text-tiny ${on ? "text-ink-2" : "text-[#b8cac1]"}`}>{i + 1}</span>
              <b className="text-body font-semibold">{s.name}</b>
              <span
                className={`num text-tiny ${(progress?.count ?? "").length > 8 ? "-mr-2.5" : ""} ${on ? "text-ink-2" : "text-[#b8cac1]"}`}
              >
                {progress?.count ?? ""}
              </span>
              <span className="col-start-2 col-end-4 mt-1.5 flex gap-0.5 max-[640px]:hidden">
                {Array.from({ length: BEADS }, (_, k) => {
                  const trouble = progress?.trouble && k === Math.min(filled, BEADS - 1);
                  const colour = trouble
                    ? "var(--needle)"
                    : k < filled
                      ? on
                        ? "var(--enamel-2)"
                        : "#cfe0d6"
                      : on
                        ? "var(--rule)"
                        : "#345b50";
                  return <u key={k} className="h-1 flex-1 rounded-sm" style={{ background: colour }} />;
                })}
              </span>
            </Link>
          );
        })}
      {!rater && (
        <div className="mt-auto grid gap-1 px-4 py-2 text-small text-[#c7d6ce] max-[640px]:hidden">
          {LIBRARY.map((l) => (
            <Link key={l.id} to="/library/$kind" params={{ kind: l.id }} className="py-0.5 hover:underline">
              {l.name}
            </Link>
          ))}
          {owner && (
            <Link to="/people" className="py-0.5 hover:underline">
              {text.people}
            </Link>
          )}
          <Link to="/api-docs" className="py-0.5 hover:underline">
            {text.api}
          </Link>
        </div>
      )}
    </nav>
  );
}
