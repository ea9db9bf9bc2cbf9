import { Moon } from "@phosphor-icons/react/dist/csr/Moon";
import { SignOut } from "@phosphor-icons/react/dist/csr/SignOut";
import { Sun } from "@phosphor-icons/react/dist/csr/Sun";
import { User } from "@phosphor-icons/react/dist/csr/User";
import { useQueryClient } from "@tanstack/react-query";
import { Link } from "@tanstack/react-router";
import { createContext, type ReactNode, useContext, useState } from "react";
import { createPortal } from "react-dom";
import { api, type Schemas, setCsrf, unwrap } from "../api/client";
import { useLine, useMe } from "../api/queries";
import { duration } from "../parts/bits";
import { HiddenFigures } from "../parts/hidden-figures";
import { Hint } from "../parts/hint";
import { text as partText } from "../parts/text";
import { Finder } from "./finder";
import { NotSent } from "./outbox";
import { Rail } from "./rail";
import { text } from "./text";
import { useTheme } from "./theme";

const TopSlot = createContext<HTMLElement | null>(null);

/** Puts a station's own chips into the top strip. */
export function Top({ children }: { children: ReactNode }) {
  const slot = useContext(TopSlot);
  return slot ? createPortal(children, slot) : null;
}

export function Shell({
  studyId,
  active,
  title,
  children,
}: {
  studyId: string | null;
  active: string;
  title?: string;
  children: ReactNode;
}) {
  const me = useMe();
  const line = useLine(studyId ?? "");
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  const rater = me.data?.role === "rater";
  return (
    <TopSlot.Provider value={slot}>
      <div className="grid h-dvh min-h-0 print:block print:h-auto grid-cols-[172px_minmax(0,1fr)] max-[640px]:grid-cols-1 max-[640px]:grid-rows-[auto_minmax(0,1fr)]">
        <Rail
          studyId={studyId}
          line={line.data}
          active={active}
          rater={rater}
          owner={me.data?.role === "owner"}
        />
        <div className="grid min-h-0 min-w-0 grid-rows-[48px_minmax(0,1fr)] max-[640px]:grid-rows-[auto_minmax(0,1fr)] print:block">
          <header className="flex min-w-0 items-center gap-3 border-b border-rule px-4 print:hidden max-[640px]:flex-wrap max-[640px]:gap-x-2 max-[640px]:gap-y-1 max-[640px]:py-1.5">
            <h1 className="truncate text-head font-bold max-[640px]:min-w-0 max-[640px]:flex-1 max-[640px]:text-body">
              {title ?? line.data?.title ?? text.crevlo}
            </h1>
            <div
              ref={setSlot}
              className="flex min-w-fit flex-1 items-center gap-2.5 max-[640px]:order-last max-[640px]:min-w-0 max-[640px]:basis-full max-[640px]:overflow-x-auto max-[640px]:empty:hidden"
            />
            {line.data?.entered_from && (
              <Hint says={text.enteredFrom(line.data.entered_from)}>
                <span className="chip max-[860px]:hidden">{text.enteredAfterwards}</span>
              </Hint>
            )}
            {ENTERS.has(active) && line.data?.blinding.marked && (
              <Hint says={partText.hidden.marked}>
                <span className="chip">{text.notBlind}</span>
              </Hint>
            )}
            <NotSent />
            {line.data && line.data.printing.length > 0 && <PrintingNow line={line.data} />}
            {!rater && <Finder studyId={studyId} />}
            <ThemeButton />
            <Link
              to="/account"
              className="chip !px-1.5"
              aria-label={text.yourAccount}
              title={text.yourAccount2(me.data?.name ?? "")}
            >
              <User size={15} />
            </Link>
            <SignOutButton name={me.data?.name ?? ""} />
          </header>
          <main className="min-h-0 min-w-0 overflow-auto p-3 px-4 print:overflow-visible print:p-0">
            {studyId && line.data && BY_PRINTER.has(active) && !rater ? (
              <div
                className={`grid h-full min-h-0 grid-rows-[auto_minmax(0,1fr)] print:block ${line.data.blinding.withheld ? "gap-2" : ""}`}
              >
                <div>
                  <HiddenFigures
                    studyId={studyId}
                    blinding={line.data.blinding}
                    may={me.data?.role === "owner" || me.data?.role === "reviewer"}
                  />
                </div>
                <div className="min-h-0 min-w-0">{children}</div>
              </div>
            ) : (
              children
            )}
          </main>
        </div>
      </div>
    </TopSlot.Provider>
  );
}

// Stations that show by printer what rests on parts.
const BY_PRINTER = new Set(["rank", "publish"]);
// Stations where a person enters what may be blind.
const ENTERS = new Set(["measure", "inspect"]);

/** What runs at this moment, one press from anywhere. */
function PrintingNow({ line }: { line: Schemas["Line"] }) {
  const first = line.printing[0]!;
  const elapsed = (Date.parse(line.now) - Date.parse(first.started_at)) / 1000;
  return (
    <Link
      to="/study/$studyId/$station"
      params={{ studyId: line.study_id, station: "print" }}
      hash={first.job_id}
      className="chip max-[1100px]:hidden"
      title={text.printingNow(line.printing.map((p) => p.machine).join(", "))}
    >
      <i aria-hidden="true" className="size-2 rounded-full bg-needle" />
      {line.printing.length === 1 ? (
        <>
          <span className="max-[1400px]:hidden">{first.machine}</span>
          <span className="min-[1401px]:hidden">{text.printing}</span>
          <span className="text-ink-2">{duration(elapsed)}</span>
        </>
      ) : (
        text.printing2(line.printing.length)
      )}
    </Link>
  );
}

function ThemeButton() {
  const [theme, toggle] = useTheme();
  return (
    <button
      type="button"
      className="chip !px-1.5"
      onClick={toggle}
      aria-label={theme === "light" ? text.lateShiftDark : text.daylightLight}
    >
      {theme === "light" ? <Moon size={15} /> : <Sun size={15} />}
    </button>
  );
}

function SignOutButton({ name }: { name: string }) {
  const client = useQueryClient();
  const leave = async () => {
    const me = await unwrap(api.DELETE("/api/session"));
    setCsrf(me.csrf);
    client.clear();
    window.location.assign("/");
  };
  return (
    <Hint says={text.signOut(name)}>
      <button
        type="button"
        className="chip !px-1.5"
        onClick={() => void leave()}
        aria-label={text.signOut(name)}
      >
        <SignOut size={15} />
      </button>
    </Hint>
  );
}
