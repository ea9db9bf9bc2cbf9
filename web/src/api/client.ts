import createClient, { type Middleware } from "openapi-fetch";
import { heardDate, heardNow } from "./clock";
import type { components, paths } from "./generated";
import { hold, offerHeld } from "./held";

export type Schemas = components["schemas"];

/** What the server says when it refuses: a sentence, and in a conflict the other's version. */
export class Refusal extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly theirs: Record<string, unknown> | null = null,
    readonly choices: Choice[] = [],
  ) {
    super(message);
  }
}

/** One of several things that what was asked for can be. */
export type Choice = { value: string; label: string; picture?: string };

/** The version to save over: the newest this person has seen, be it in a conflict. */
export function seenVersion(shown: number, conflict: Error | null): number {
  const theirs = conflict instanceof Refusal ? conflict.theirs?.version : undefined;
  return typeof theirs === "number" ? Math.max(shown, theirs) : shown;
}

/** The server could not be reached; nothing is known to have happened. */
export class Unreachable extends Error {}

let csrf = "";
export function setCsrf(token: string): void {
  csrf = token;
}

export function getCsrf(): string {
  return csrf;
}

export function newId(): string {
  return crypto.randomUUID();
}

const stamp: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") {
      request.headers.set("X-CSRFToken", csrf);
      if (!request.headers.has("X-Write-Id")) request.headers.set("X-Write-Id", newId());
    } else offerHeld(request);
    sentAt.set(request, Date.now());
    return request;
  },
  async onResponse({ request, response }) {
    const began = sentAt.get(request) ?? Date.now();
    heardDate(response.headers.get("Date"), began, Date.now());
    return request.method === "GET" ? hold(request, response) : undefined;
  },
};
const sentAt = new WeakMap<Request, number>();

export const api = createClient<paths>({ baseUrl: "/" });
api.use(stamp);

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The data of a call, or a thrown Refusal or Unreachable. */
export async function unwrap<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  const began = Date.now();
  try {
    answer = await call;
  } catch {
    throw new Unreachable("The server does not answer. Nothing was lost; try again.");
  }
  if (answer.response.ok && answer.data !== undefined) {
    heardNow((answer.data as { now?: unknown }).now, began, Date.now());
    return answer.data;
  }
  throw refusal(answer.response.status, answer.error);
}

function refusal(status: number, body: unknown): Refusal | Unreachable {
  const problem = (body ?? {}) as { title?: string; theirs?: Record<string, unknown>; choices?: Choice[] };
  // Busy with what was asked before: asked again in a moment.
  if (status === 429) return new Unreachable(problem.title ?? "The server is busy. Try again in a moment.");
  if (status >= 502 && status <= 504)
    return new Unreachable("The server does not answer. Nothing was lost; try again.");
  return new Refusal(
    problem.title ?? `The server answered with status ${status}.`,
    status,
    problem.theirs ?? null,
    problem.choices ?? [],
  );
}

/** A page or a text as the server gives it, or a thrown Refusal or Unreachable. */
export async function textOf(path: string): Promise<string> {
  let answer: Response;
  try {
    answer = await fetch(path);
  } catch {
    throw new Unreachable("The server does not answer. Nothing was lost; try again.");
  }
  if (answer.ok) return answer.text();
  throw refusal(answer.status, await answer.json().catch(() => null));
}

/** Sends a file as it is, with progress in shares of 1; `signal` cancels. */
export function sendFile<T>(
  path: string,
  file: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("PUT", path);
    request.setRequestHeader("X-CSRFToken", csrf);
    request.setRequestHeader("X-Write-Id", newId());
    request.setRequestHeader("Content-Type", "application/octet-stream");
    request.upload.onprogress = (event) => onProgress(event.total ? event.loaded / event.total : 0);
    request.onload = () => {
      let body: unknown = null;
      try {
        body = JSON.parse(request.responseText);
      } catch {}
      if (request.status === 200) resolve(body as T);
      else reject(refusal(request.status, body));
    };
    request.onerror = () =>
      reject(new Unreachable("The file could not be sent. Nothing was changed; try again."));
    request.onabort = () => reject(new Refusal("Cancelled. Nothing was changed.", 0));
    signal.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}
