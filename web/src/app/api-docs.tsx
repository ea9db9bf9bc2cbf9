import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { keys } from "../api/keys";
import { Field, Skeleton, Trouble } from "../parts/bits";
import { Shell } from "./shell";
import { text } from "./text";

type SchemaRef = {
  $ref?: string;
  type?: string;
  format?: string;
  title?: string;
  description?: string;
  enum?: unknown[];
  const?: unknown;
  items?: SchemaRef;
  anyOf?: SchemaRef[];
  properties?: Record<string, SchemaRef>;
  required?: string[];
  additionalProperties?: SchemaRef | boolean;
  prefixItems?: SchemaRef[];
};
type Content = Record<string, { schema?: SchemaRef }>;
type Operation = {
  summary?: string;
  description?: string;
  tags?: string[];
  parameters?: { name: string; in: string; required?: boolean; schema?: SchemaRef }[];
  requestBody?: { content: Content };
  responses: Record<string, { description?: string; content?: Content }>;
};
type Document = {
  paths: Record<string, Record<string, Operation>>;
  components: { schemas: Record<string, SchemaRef> };
};

/** Every call of the API, from the document the server gives of itself. */
export function ApiDocsPage() {
  const [typed, setTyped] = useState("");
  const [open, setOpen] = useState<string | null>(null);
  const doc = useQuery({
    queryKey: keys.apiDocument,
    queryFn: async () => (await (await fetch("/api/openapi.json")).json()) as Document,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const calls = Object.entries(doc.data?.paths ?? {}).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method: method.toUpperCase(), operation })),
  );
  const wanted = typed.trim().toLowerCase();
  const shown = calls.filter((c) =>
    `${c.method} ${c.path} ${c.operation.summary ?? ""}`.toLowerCase().includes(wanted),
  );
  return (
    <Shell studyId={null} active="api" title={text.api}>
      <section className="sheet mx-auto max-w-[980px] p-4">
        <p>
          {text.jsonOverHttpWithThe} <code>{text.xCsrftoken}</code> {text.from}{" "}
          <code>{text.getApiSession}</code>
          {text.andAClientMade} <code>{text.xWriteId}</code>
          {text.soThatARepeatIs}{" "}
          <a className="underline" href="/api/openapi.json">
            {text.apiOpenapiJson}
          </a>
          .
        </p>
        <div className="mt-3 max-w-[360px]">
          <Field label={text.narrowDown}>
            <input
              className="input"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
              placeholder={text.readings}
            />
          </Field>
        </div>
        <Trouble error={doc.error} />
        {!doc.data && <Skeleton className="mt-3 h-60" />}
        <ul className="mt-3">
          {shown.map(({ path, method, operation }) => {
            const id = `${method} ${path}`;
            return (
              <li key={id} className="border-b border-rule-2">
                <button
                  type="button"
                  aria-expanded={open === id}
                  onClick={() => setOpen(open === id ? null : id)}
                  className="grid w-full grid-cols-[64px_minmax(0,1fr)] gap-3 py-2 text-left hover:bg-station-on"
                >
                  <b className="num text-small">{method}</b>
                  <span className="min-w-0">
                    <span className="num block text-small break-all">{path}</span>
                    {operation.summary && <span className="text-ink-2">{operation.summary}</span>}
                  </span>
                </button>
                {open === id && doc.data && <Details operation={operation} doc={doc.data} />}
              </li>
            );
          })}
        </ul>
      </section>
    </Shell>
  );
}

function Details({ operation, doc }: { operation: Operation; doc: Document }) {
  const body = Object.values(operation.requestBody?.content ?? {})[0]?.schema;
  const query = (operation.parameters ?? []).filter((p) => p.in === "query");
  return (
    <div className="grid gap-3 pb-4 pl-19 text-small">
      {operation.description && operation.description !== operation.summary && <p>{operation.description}</p>}
      {query.length > 0 && (
        <Block title={text.query}>
          {query.map((p) => `${p.name}${p.required ? "" : "?"}: ${typeName(p.schema)}`).join("\n")}
        </Block>
      )}
      {body && <Block title={text.sends}>{shape(body, doc)}</Block>}
      {Object.entries(operation.responses)
        .filter(([status]) => status === "200")
        .map(([status, answer]) => {
          const schema = Object.values(answer.content ?? {})[0]?.schema;
          return schema ? (
            <Block key={status} title={text.answers}>
              {shape(schema, doc)}
            </Block>
          ) : null;
        })}
    </div>
  );
}

function Block({ title, children }: { title: string; children: string }) {
  return (
    <div>
      <h3 className="lab">{title}</h3>
      <pre className="num mt-1 overflow-x-auto rounded border border-rule-2 bg-bench p-2 text-small">
        {children}
      </pre>
    </div>
  );
}

function typeName(s: SchemaRef | undefined): string {
  if (!s) return "anything";
  if (s.$ref) return s.$ref.split("/").at(-1)!;
  if (s.const !== undefined) return JSON.stringify(s.const);
  if (s.enum) return s.enum.map((e) => JSON.stringify(e)).join(" | ");
  if (s.anyOf) return s.anyOf.map(typeName).join(" | ");
  if (s.prefixItems) return `(${s.prefixItems.map(typeName).join(", ")})`;
  if (s.type === "array") return `${typeName(s.items)}[]`;
  return s.format ?? s.type ?? "anything";
}

/** A schema's fields, one a line, with the named shapes it uses below. */
function shape(s: SchemaRef, doc: Document, seen = new Set<string>()): string {
  const name = s.$ref?.split("/").at(-1);
  if (!name) return s.properties ? fields(s) : typeName(s);
  if (seen.has(name)) return "";
  seen.add(name);
  const schema = doc.components.schemas[name];
  if (!schema) return name;
  if (!schema.properties) return `${name}: ${typeName(schema)}`;
  const inner = [...JSON.stringify(schema).matchAll(/"#\/components\/schemas\/([^"]+)"/g)]
    .map((m) => shape({ $ref: `#/components/schemas/${m[1]}` }, doc, seen))
    .filter(Boolean);
  return [`${name}\n${fields(schema)}`, ...inner].join("\n\n");
}

function fields(s: SchemaRef): string {
  const required = new Set(s.required ?? []);
  return Object.entries(s.properties ?? {})
    .map(([k, v]) => `  ${k}${required.has(k) ? "" : "?"}: ${typeName(v)}`)
    .join("\n");
}
