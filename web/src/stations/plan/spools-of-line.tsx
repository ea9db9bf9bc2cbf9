import { useState } from "react";
import type { Schemas } from "../../api/client";
import { text } from "./text";

type Line = Schemas["LineIn"];
export type Candidate = { model_id: string; unit: number; name: string };

/** Spools of one line: its first, those of further tools, and machines that take another of the same material. */
export function SpoolsOfLine({
  line,
  name,
  tools,
  spools,
  machines,
  most,
  edit,
}: {
  line: Line;
  name: string;
  /** Of the artifact. */
  tools: number;
  spools: Schemas["SpoolOut"][];
  machines: Candidate[];
  /** Spools that a line can have. */
  most: number;
  edit: (part: Partial<Line>) => void;
}) {
  const [own, setOwn] = useState((line.own_spools ?? []).length > 0);
  const more = line.more_spool_ids ?? [];
  const second = tools > 1 || !!line.second_spool_id;
  const material = spools.find((s) => s.id === line.spool_id)?.material;
  const alike = spools.filter((s) => s.material === material);
  const setMore = (at: number, to: string | null) =>
    edit({
      more_spool_ids: to === null ? more.filter((_, k) => k !== at) : more.map((s, k) => (k === at ? to : s)),
    });
  return (
    <>
      <SpoolChoice
        label={text.spoolOf(name)}
        spools={spools}
        value={line.spool_id ?? null}
        set={(spool_id) => edit({ spool_id, own_spools: [] })}
      />
      {second && (
        <SpoolChoice
          label={text.secondSpoolOf(name)}
          spools={spools}
          value={line.second_spool_id ?? null}
          set={(second_spool_id) =>
            edit(second_spool_id ? { second_spool_id } : { second_spool_id, more_spool_ids: [] })
          }
        />
      )}
      {more.map((id, at) => (
        <SpoolChoice
          key={at}
          label={text.spoolOfTool(at + 3, name)}
          spools={spools}
          value={id}
          set={(to) => setMore(at, to)}
        />
      ))}
      <span className="flex flex-wrap gap-x-2 text-tiny text-ink-2">
        {line.second_spool_id && more.length + 2 < most && (
          <button
            type="button"
            className="underline"
            aria-label={text.oneMoreToolOf(name)}
            onClick={() => {
              const used = [line.spool_id, line.second_spool_id, ...more];
              const free = spools.find((s) => !used.includes(s.id));
              if (free) edit({ more_spool_ids: [...more, free.id] });
            }}
          >
            {text.oneMoreTool}
          </button>
        )}
        {line.spool_id && alike.length > 1 && machines.length > 0 && (
          <button
            type="button"
            className="underline"
            aria-expanded={own}
            aria-label={text.byMachineOf(name)}
            onClick={() => setOwn(!own)}
          >
            {text.byMachine}
          </button>
        )}
      </span>
      {own &&
        machines.map((m) => {
          const mine = (o: Schemas["OwnSpool"]) => o.model_id === m.model_id && o.unit === m.unit;
          const others = (line.own_spools ?? []).filter((o) => !mine(o));
          return (
            <div key={m.model_id + m.unit} className="text-tiny text-ink-2">
              {m.name}
              <SpoolChoice
                label={text.ownSpoolOf(m.name, name)}
                spools={alike}
                none={text.asTheLine}
                value={(line.own_spools ?? []).find(mine)?.spool_id ?? null}
                set={(spool_id) =>
                  edit({
                    own_spools: spool_id
                      ? [...others, { model_id: m.model_id, unit: m.unit, spool_id }]
                      : others,
                  })
                }
              />
            </div>
          );
        })}
    </>
  );
}

function SpoolChoice({
  label,
  spools,
  value,
  set,
  none = text.noSpool,
}: {
  label: string;
  spools: Schemas["SpoolOut"][];
  value: string | null;
  set: (to: string | null) => void;
  none?: string;
}) {
  return (
    <select
      className="input"
      aria-label={label}
      value={value ?? ""}
      onChange={(e) => set(e.target.value || null)}
    >
      <option value="">{none}</option>
      {spools.map((s) => (
        <option key={s.id} value={s.id}>
          {spoolWords(s)}
        </option>
      ))}
    </select>
  );
}

export const spoolWords = (s: Schemas["SpoolOut"]) => `${s.code} · ${s.colour} ${s.material}`;
