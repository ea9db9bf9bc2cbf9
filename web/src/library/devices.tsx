import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../api/client";
import { keys } from "../api/keys";
import { useLibrary } from "../api/queries";
import { day, Field, Skeleton, Trouble } from "../parts/bits";
import { Explained } from "../parts/hint";
import { text } from "./text";

const KINDS: Schemas["DeviceKind"][] = ["power meter", "printer", "sound meter", "scale", "caliper", "gauge"];

/** Devices that send by themselves: what they are on, when they were heard last, and a token for a new one. */
export function Devices({ may }: { may: boolean }) {
  const client = useQueryClient();
  const list = useQuery({
    queryKey: keys.devices,
    queryFn: () => unwrap(api.GET("/api/devices")),
    refetchInterval: 10_000,
  });
  const [adding, setAdding] = useState(false);
  const [made, setMade] = useState<Schemas["DeviceAdded"] | null>(null);
  const [error, setError] = useState<Error | null>(null);
  if (!list.data) return list.isError ? <Trouble error={list.error} /> : <Skeleton className="mt-4 h-40" />;
  const retire = async (id: string) => {
    try {
      await unwrap(api.POST("/api/devices/{device_id}/retire", { params: { path: { device_id: id } } }));
      await client.invalidateQueries({ queryKey: keys.devices });
    } catch (e) {
      setError(e as Error);
    }
  };
  const now = Date.parse(list.data.now);
  return (
    <section aria-label={text.devicesThatSendBy} className="sheet mx-auto mt-3 max-w-[980px] p-4">
      <h2 className="text-lead font-bold">{text.devicesThatSendBy}</h2>
      <p className="pt-0.5 pb-2 text-small text-ink-2">{text.powerMetersAndPrinters}</p>
      {list.data.devices.length > 0 && (
        <table className="table [&_td]:!text-left [&_th]:!text-left">
          <thead>
            <tr>
              {["Name", "Kind", "On", "Over", text.heardLast, ""].map((h) => (
                <th key={h} scope="col">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {list.data.devices.map((d) => (
              <tr key={d.id} className={d.retired ? "text-ink-2" : ""}>
                <td className="font-semibold">{d.name}</td>
                <td>{d.kind}</td>
                <td>{d.unit ?? d.instrument ?? "–"}</td>
                <td>{d.topic ? text.mqtt(d.topic) : text.http}</td>
                <td>
                  {d.last_at === null
                    ? text.never
                    : now - Date.parse(d.last_at) < 60_000
                      ? text.justNow
                      : day(d.last_at)}
                  {d.refused > 0 && (
                    <small className="block text-brass-ink">
                      <Explained says={d.refused_why}>{text.refused(d.refused, d.refused_why)}</Explained>
                    </small>
                  )}
                </td>
                <td>
                  {d.retired
                    ? text.retired
                    : may && (
                        <button
                          type="button"
                          className="underline"
                          aria-label={text.retire2(d.name)}
                          onClick={() => void retire(d.id)}
                        >
                          {text.retire}
                        </button>
                      )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {made && (
        <div className="mt-3 border-l-3 border-needle bg-needle-wash px-3 py-2" role="status">
          <b>{made.token ? text.isAddedItsTokenShown(made.name) : text.wasAddedBeforeAndIts(made.name)}</b>
          <code className="num block py-1 text-body break-all select-all">{made.token}</code>
          <p className="text-small">
            {made.topic
              ? text.startTheListenerWithThe(made.topic)
              : text.itSendsToApiIngest(
                  location.origin,
                  made.kind === "power meter",
                  made.kind === "printer",
                )}
          </p>
        </div>
      )}
      <Trouble error={error} />
      {may &&
        (adding ? (
          <NewDevice
            done={(device) => {
              setAdding(false);
              if (device) setMade(device);
            }}
          />
        ) : (
          <button type="button" className="button mt-3" onClick={() => setAdding(true)}>
            {text.addADevice}
          </button>
        ))}
    </section>
  );
}

function NewDevice({ done }: { done: (made: Schemas["DeviceAdded"] | null) => void }) {
  const client = useQueryClient();
  const library = useLibrary();
  const units = useQuery({ queryKey: keys.units, queryFn: () => unwrap(api.GET("/api/units")) });
  const [kind, setKind] = useState<Schemas["DeviceKind"]>("power meter");
  const [error, setError] = useState<Error | null>(null);
  const plugged = kind === "power meter" || kind === "printer";
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const words = (name: string) => String(form.get(name) ?? "").trim();
    try {
      const made = await unwrap(
        api.POST("/api/devices", {
          body: {
            id: newId(),
            name: words("name"),
            kind,
            unit_id: plugged ? words("unit") || null : null,
            instrument_id: words("instrument") || null,
            topic: words("topic") || null,
            ...(words("power") && { power_key: words("power") }),
          },
        }),
      );
      await client.invalidateQueries({ queryKey: keys.devices });
      done(made);
    } catch (e) {
      setError(e as Error);
    }
  };
  const instruments = (library.data?.instruments ?? []).filter((i) => i.kind === kind);
  return (
    <form
      onSubmit={(e) => void submit(e)}
      aria-label={text.newDevice}
      className="mt-3 grid gap-2 rounded border border-rule p-3"
    >
      <div className="grid grid-cols-2 gap-2">
        <Field label={text.kind}>
          <select
            className="input"
            value={kind}
            onChange={(e) => setKind(e.target.value as Schemas["DeviceKind"])}
          >
            {KINDS.map((k) => (
              <option key={k}>{k}</option>
            ))}
          </select>
        </Field>
        <Field label={text.name}>
          <input className="input" name="name" required maxLength={60} placeholder={text.plugLeft1} />
        </Field>
        {plugged && (
          <Field label={text.machine}>
            <select className="input" name="unit" required defaultValue="">
              <option value="" disabled>
                {text.chooseOne}
              </option>
              {(units.data?.units ?? []).map((u) => (
                <option key={u.id} value={u.id}>
                  {u.name}
                </option>
              ))}
            </select>
          </Field>
        )}
        <Field label={text.itIsTheInstrument}>
          <select className="input" name="instrument" defaultValue="">
            <option value="">{text.noneOnRecord}</option>
            {instruments.map((i) => (
              <option key={i.id} value={i.id}>
                {i.code}
              </option>
            ))}
          </select>
        </Field>
        {kind === "power meter" && (
          <>
            <Field label={text.mqttTopicIfIt}>
              <input className="input num" name="topic" maxLength={200} />
            </Field>
            <Field label={text.whereThePowerIs}>
              <input className="input num" name="power" maxLength={120} placeholder={text.powerW} />
            </Field>
          </>
        )}
      </div>
      <Trouble error={error} />
      <div className="flex gap-2">
        <button type="submit" className="button primary">
          {text.addItAndMake}
        </button>
        <button type="button" className="button" onClick={() => done(null)}>
          {text.back}
        </button>
      </div>
    </form>
  );
}
