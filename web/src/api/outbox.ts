import { useSyncExternalStore } from "react";
import { getCsrf, newId } from "./client";
import { clockAhead, heardDate } from "./clock";
import { arrive, leave } from "./flights";

/**
 * What a person pressed or typed at the bench, kept on this device until the server has it: in order, once, over a
 * reload, shared by all tabs, and under the name of who pressed it.
 */
export type Entry = {
  /** The write id: a repeat is carried out once. */
  id: string;
  person: string;
  order: number;
  /** In words, for the person. */
  label: string;
  study: string;
  method: "POST" | "PUT" | "DELETE";
  path: string;
  body: Record<string, unknown> | null;
  /** The field of the body that holds the moment of the press. */
  moment: string | null;
  /** This device's clock at the press. */
  pressed: number;
  /** A file is kept beside it. */
  file: boolean;
  /** The query whose data the answer is. */
  takes: readonly unknown[] | null;
  tries: number;
  /** Why the server would not have it. */
  refused: string | null;
};

/** `alone`: no other change of its study was under way meanwhile. */
export type Kept = { entry: Entry; answer: unknown; alone: boolean };

const PREFIX = "crevlo.outbox.";
const COUNTER = "crevlo.outbox-order";
const LAST = "crevlo.outbox-last";
const LOCK = "crevlo-outbox";
const WAIT_MS = [1000, 2000, 4000, 8000, 15_000];
const ANSWER_MS = 30_000;

let entries: Entry[] = load();
let person: string | null = null;
let away = 0;
let timer: ReturnType<typeof setTimeout> | null = null;
let pumping = false;
const listeners = new Set<() => void>();
const keptListeners = new Set<(kept: Kept) => void>();
const signedOutListeners = new Set<() => void>();

function load(): Entry[] {
  const found: Entry[] = [];
  for (let i = 0; i < localStorage.length; i++) {
    const key = localStorage.key(i)!;
    if (!key.startsWith(PREFIX)) continue;
    try {
      found.push(JSON.parse(localStorage.getItem(key)!) as Entry);
    } catch {}
  }
  return found.sort((a, b) => a.order - b.order);
}

function tell(): void {
  entries = load();
  for (const listener of listeners) listener();
}

function store(entry: Entry): void {
  // One key an entry: tabs that write at once never write over each other.
  localStorage.setItem(PREFIX + entry.id, JSON.stringify(entry));
  tell();
}

function remove(id: string): void {
  localStorage.removeItem(PREFIX + id);
  void files.drop(id);
  tell();
}

window.addEventListener("storage", (event) => {
  if (event.key === null || event.key.startsWith(PREFIX)) tell();
});
window.addEventListener("online", () => pump());

/** Everything that waits on this device, whoever it is of. */
export function useOutbox(): Entry[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => entries,
  );
}

/** The same at this very moment, between two drawings of the screen. */
export function outboxNow(): Entry[] {
  return entries;
}

/** Who is signed in here; only what is theirs is sent. */
export function setPerson(id: string | null): void {
  if (person === id) return;
  person = id;
  pump();
}

export function onKept(listener: (kept: Kept) => void): () => void {
  keptListeners.add(listener);
  return () => keptListeners.delete(listener);
}

export function onSignedOut(listener: () => void): () => void {
  signedOutListeners.add(listener);
  return () => signedOutListeners.delete(listener);
}

export type Put = {
  label: string;
  study: string;
  method?: Entry["method"];
  path: string;
  body?: Record<string, unknown> | null;
  moment?: string;
  file?: Blob;
  takes?: readonly unknown[];
};

/** Keeps what was pressed now, and sends it as soon as it can. Throws where this device has no room to keep it. */
export async function put(given: Put): Promise<Entry> {
  if (!person) throw new Error("Nobody is signed in here. Sign in, then enter it again.");
  const order = Number(localStorage.getItem(COUNTER) ?? "0") + 1;
  localStorage.setItem(COUNTER, String(order));
  const entry: Entry = {
    id: newId(),
    person,
    order,
    label: given.label,
    study: given.study,
    method: given.method ?? "POST",
    path: given.path,
    body: given.body ?? null,
    moment: given.moment ?? null,
    pressed: Date.now(),
    file: !!given.file,
    takes: given.takes ?? null,
    tries: 0,
    refused: null,
  };
  if (given.file) await files.keep(entry.id, given.file);
  store(entry);
  pump();
  return entry;
}

/** Takes away what the server refused, or what is no longer wanted. */
export function takeBack(id: string): void {
  remove(id);
}

export function sendAgain(id: string): void {
  const entry = entries.find((e) => e.id === id);
  if (!entry) return;
  store({ ...entry, refused: null, tries: 0 });
  pump();
}

/** When it was pressed, in the server's time. */
export function momentOf(entry: Entry): Date {
  const settled = entry.moment && entry.body?.[entry.moment];
  return new Date(typeof settled === "string" ? settled : entry.pressed + clockAhead());
}

export function pump(): void {
  if (pumping) return;
  if (timer) clearTimeout(timer);
  timer = null;
  pumping = true;
  void alone(sendAll).finally(() => {
    pumping = false;
    // What another tab sends, or what could not be sent, is looked at again.
    if (entries.some((e) => e.person === person && !e.refused))
      timer = setTimeout(pump, WAIT_MS[Math.min(away, WAIT_MS.length - 1)]);
  });
}

/** One tab sends at a time; where the browser knows no locks, the write ids keep repeats harmless. */
async function alone(work: () => Promise<void>): Promise<void> {
  if (!("locks" in navigator)) return work();
  await navigator.locks.request(LOCK, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
  });
}

async function sendAll(): Promise<void> {
  for (;;) {
    tell();
    const next = entries.find((e) => e.person === person && !e.refused);
    if (!next) {
      away = 0;
      return;
    }
    if (!(await sendOne(settled(next)))) {
      away += 1;
      return;
    }
    away = 0;
  }
}

/** By so much at most two answers may differ in what they say of the server's clock, which they tell in whole seconds. */
const CLOCKS_MS = 3000;

type Told = { pressed: number; told: number };
let told: Told = { pressed: 0, told: 0 };

/** What was told last from this device; kept with the entries, as one may wait over a reload. */
function lastTold(): Told {
  try {
    const kept: Told | null = JSON.parse(localStorage.getItem(LAST) ?? "null");
    return kept && kept.pressed > told.pressed ? kept : told;
  } catch {
    return told;
  }
}

/**
 * The moment of the press is worked out once: a repeat says the same. What was pressed later is told as later, also where
 * the answer in between has put the server's clock back a little.
 */
function settled(entry: Entry): Entry {
  if (!entry.moment || entry.body?.[entry.moment]) return entry;
  const now = entry.pressed + clockAhead();
  const last = lastTold();
  const putBack = entry.pressed >= last.pressed && now <= last.told && last.told - now < CLOCKS_MS;
  const at = putBack ? last.told + 1 : now;
  told = { pressed: entry.pressed, told: at };
  const made = { ...entry, body: { ...entry.body, [entry.moment]: new Date(at).toISOString() } };
  try {
    localStorage.setItem(LAST, JSON.stringify(told));
    store(made);
  } catch {
    // No room left on this device: what is sent makes some, so it goes all the same.
  }
  return made;
}

/** Whether to go on with the next one. */
async function sendOne(entry: Entry): Promise<boolean> {
  const began = Date.now();
  const flight = leave(entry.study);
  let response: Response;
  let answer: unknown = null;
  try {
    const file = entry.file ? await files.get(entry.id) : null;
    if (entry.file && !file) {
      store({ ...entry, refused: "The file is no longer on this device. Take it again." });
      return true;
    }
    response = await fetch(entry.path, {
      method: entry.method,
      headers: {
        "X-CSRFToken": getCsrf(),
        "X-Write-Id": entry.id,
        "X-Person": entry.person,
        "Content-Type": file ? "application/octet-stream" : "application/json",
      },
      body: file ?? (entry.body ? JSON.stringify(entry.body) : null),
      signal: AbortSignal.timeout(ANSWER_MS),
    });
    answer = await response.json().catch(() => null);
  } catch {
    return false;
  } finally {
    arrive(flight);
  }
  heardDate(response.headers.get("Date"), began, Date.now());
  if (response.ok) {
    // First the answer, and away with the entry once the screens have drawn it: they would show neither in between, and a
    // key pressed then would find the work undone.
    for (const listener of keptListeners) listener({ entry, answer, alone: flight.alone });
    await new Promise((drawn) => setTimeout(drawn, 0));
    remove(entry.id);
    return true;
  }
  const problem = (answer ?? {}) as { title?: string; wait?: boolean };
  if (response.status === 401 || problem.wait) {
    // Not refused: it waits until the one who pressed it is signed in here.
    for (const listener of signedOutListeners) listener();
    return false;
  }
  const busy = response.status === 408 || response.status === 429 || response.status >= 500;
  if (busy && (response.status !== 500 || entry.tries < 3)) {
    store({ ...entry, tries: entry.tries + 1 });
    return false;
  }
  store({ ...entry, refused: problem.title ?? `The server answered with status ${response.status}.` });
  return true;
}

/** Files beside the entries; they are too large for where the entries are kept. */
const files = {
  open: () =>
    new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open("crevlo-outbox", 1);
      request.onupgradeneeded = () => request.result.createObjectStore("files");
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    }),
  async run<T>(mode: IDBTransactionMode, work: (store: IDBObjectStore) => IDBRequest<T>): Promise<T> {
    const database = await this.open();
    return new Promise((resolve, reject) => {
      const transaction = database.transaction("files", mode);
      const request = work(transaction.objectStore("files"));
      transaction.oncomplete = () => resolve(request.result);
      transaction.onerror = () => reject(transaction.error);
    });
  },
  keep(id: string, file: Blob) {
    return this.run("readwrite", (s) => s.put(file, id));
  },
  get(id: string) {
    return this.run<Blob | undefined>("readonly", (s) => s.get(id) as IDBRequest<Blob | undefined>);
  },
  drop(id: string) {
    return this.run("readwrite", (s) => s.delete(id)).catch(() => undefined);
  },
};
