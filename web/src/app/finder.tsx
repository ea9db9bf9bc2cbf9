import { useNavigate } from "@tanstack/react-router";
import { Dialog } from "radix-ui";
import { useState } from "react";
import { useLibrary, useShelf, useStudies } from "../api/queries";
import { Key } from "../parts/bits";
import { useKeys } from "./keys";
import { LIBRARY, STATIONS } from "./stations";
import { text } from "./text";

type Found = { label: string; kind: string; go: () => void };

/** “/” finds a station, a study, a machine, spool or instrument by a part of its name. */
export function Finder({ studyId }: { studyId: string | null }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState("");
  const [at, setAt] = useState(0);
  useKeys([{ key: "/", does: "", run: () => setOpen(true) }]);
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(is) => {
        setOpen(is);
        setTyped("");
        setAt(0);
      }}
    >
      <Dialog.Trigger className="chip">
        <Key>/</Key> {text.find}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="sheet fixed top-16 left-1/2 z-20 w-[min(480px,92vw)] -translate-x-1/2 p-3"
        >
          <Dialog.Title className="sr-only">{text.find}</Dialog.Title>
          <Results
            studyId={studyId}
            typed={typed}
            setTyped={setTyped}
            at={at}
            setAt={setAt}
            close={() => setOpen(false)}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Results(props: {
  studyId: string | null;
  typed: string;
  setTyped: (t: string) => void;
  at: number;
  setAt: (n: number) => void;
  close: () => void;
}) {
  const { studyId, typed, setTyped, at, setAt, close } = props;
  const navigate = useNavigate();
  const studies = useStudies();
  const library = useLibrary();
  const shelf = useShelf();
  const all: Found[] = [
    ...(studyId
      ? STATIONS.map((s) => ({
          label: s.name,
          kind: "station",
          go: () => void navigate({ to: "/study/$studyId/$station", params: { studyId, station: s.id } }),
        }))
      : []),
    ...(studies.data?.studies ?? []).map((s) => ({
      label: s.title,
      kind: "study",
      go: () => void navigate({ to: "/study/$studyId/$station", params: { studyId: s.id, station: "plan" } }),
    })),
    ...LIBRARY.flatMap((l) => {
      const go = () => void navigate({ to: "/library/$kind", params: { kind: l.id } });
      const data = library.data;
      const names =
        l.id === "machines"
          ? data?.models.map((m) => m.name)
          : l.id === "spools"
            ? data?.spools.map((s) => `${s.code} ${s.colour} ${s.material}`)
            : l.id === "instruments"
              ? data?.instruments.map((i) => `${i.code} ${i.kind}`)
              : shelf.data?.artifacts.map((a) => a.name);
      return [
        { label: l.name, kind: "library", go },
        ...(names ?? []).map((label) => ({ label, kind: l.id.slice(0, -1), go })),
      ];
    }),
  ];
  const found = all.filter((f) => f.label.toLowerCase().includes(typed.trim().toLowerCase())).slice(0, 9);
  const pick = (f: Found | undefined) => {
    if (!f) return;
    f.go();
    close();
  };
  return (
    <>
      <input
        className="input"
        aria-label={text.find}
        placeholder={text.aStationStudyMachineSpool}
        value={typed}
        autoFocus
        onChange={(e) => {
          setTyped(e.target.value);
          setAt(0);
        }}
        onKeyDown={(e) => {
          if (e.key === "ArrowDown") setAt(Math.min(at + 1, found.length - 1));
          else if (e.key === "ArrowUp") setAt(Math.max(at - 1, 0));
          else if (e.key === "Enter") pick(found[at]);
        }}
      />
      <ul className="mt-2">
        {found.map((f, i) => (
          <li key={`${f.kind} ${f.label}`}>
            <button
              type="button"
              onClick={() => pick(f)}
              className={`flex w-full justify-between rounded px-2.5 py-1.5 text-left ${i === at ? "bg-station-on" : ""}`}
            >
              <span>{f.label}</span>
              <span className="text-ink-2">{f.kind}</span>
            </button>
          </li>
        ))}
        {found.length === 0 && <li className="px-2.5 py-2 text-ink-2">{text.nothingByThatName}</li>}
      </ul>
    </>
  );
}
