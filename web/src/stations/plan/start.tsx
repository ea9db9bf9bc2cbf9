import { DownloadSimple } from "@phosphor-icons/react/dist/csr/DownloadSimple";
import { UploadSimple } from "@phosphor-icons/react/dist/csr/UploadSimple";
import { useQueryClient } from "@tanstack/react-query";
import { type ChangeEvent, useRef, useState } from "react";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { useTemplates } from "../../api/queries";
import { Trouble } from "../../parts/bits";
import { text } from "./text";

type Read = Schemas["DraftRead"];

/** Ways to begin: a template, a protocol file; and ways to keep this one for later. */
export function Start({
  studyId,
  draft,
  take,
  may,
}: {
  studyId: string;
  draft: Omit<Schemas["Draft"], "version">;
  take: (read: Read) => void;
  may: boolean;
}) {
  const templates = useTemplates();
  const client = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [error, setError] = useState<Error | null>(null);
  const [naming, setNaming] = useState(false);
  const [name, setName] = useState("");
  const run = async (work: () => Promise<void>) => {
    setError(null);
    try {
      await work();
    } catch (e) {
      setError(e as Error);
    }
  };
  const open = (key: string) =>
    run(async () => take(await unwrap(api.GET("/api/templates/{key}", { params: { path: { key } } }))));
  const read = (event: ChangeEvent<HTMLInputElement>) => {
    const given = event.target.files?.[0];
    event.target.value = "";
    if (!given) return;
    void run(async () => {
      if (given.size > 1 << 20) throw new Error(text.theFileIsLargerThan);
      let body: Schemas["ProtocolFile"];
      try {
        body = JSON.parse(await given.text());
      } catch {
        throw new Error(`${given.name} is not JSON.`);
      }
      take(await unwrap(api.POST("/api/protocols/read", { body })));
    });
  };
  const keep = () =>
    run(async () => {
      const list = await unwrap(
        api.POST("/api/templates", {
          body: {
            id: newId(),
            name: name.trim(),
            repeats: draft.repeats,
            policies: draft.policies,
            arms: draft.arms,
          },
        }),
      );
      client.setQueryData(keys.templates, list);
      setNaming(false);
      setName("");
    });
  return (
    <div className="grid gap-1.5">
      <div className="flex flex-wrap items-center gap-2">
        <select
          className="input !w-[170px]"
          aria-label={text.startFromATemplate}
          value=""
          onChange={(e) => e.target.value && void open(e.target.value)}
        >
          <option value="">{text.startFromATemplate2}</option>
          {templates.data?.templates.map((t) => (
            <option key={t.key} value={t.key} title={t.about}>
              {text.printsAMachine(t.name, t.prints)}
            </option>
          ))}
        </select>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          aria-label={text.protocolFile}
          tabIndex={-1}
          onChange={read}
        />
        <button type="button" className="button" onClick={() => file.current?.click()}>
          <UploadSimple size={14} /> {text.readAFile}
        </button>
        <a className="button" href={`/api/studies/${studyId}/protocol.json`} download="protocol.json">
          <DownloadSimple size={14} /> {text.asJson}
        </a>
        {may &&
          (naming ? (
            <span className="flex items-center gap-1.5">
              <input
                className="input !w-[150px]"
                aria-label={text.nameOfTheTemplate}
                value={name}
                maxLength={80}
                autoFocus
                onChange={(e) => setName(e.target.value)}
                onKeyDown={(e) => e.key === "Enter" && name.trim() && void keep()}
              />
              <button
                type="button"
                className="button primary"
                disabled={!name.trim()}
                onClick={() => void keep()}
              >
                {text.keep}
              </button>
              <button type="button" className="button" onClick={() => setNaming(false)}>
                {text.back}
              </button>
            </span>
          ) : (
            <button type="button" className="button" onClick={() => setNaming(true)}>
              {text.keepAsTemplate}
            </button>
          ))}
      </div>
      <Trouble error={error} />
    </div>
  );
}
