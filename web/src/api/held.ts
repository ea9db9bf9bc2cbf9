/** The last answers to what is asked again and again: an unchanged one is not sent a second time. */
type Held = { tag: string; body: string };
const MOST = 60;
/** Longer ones are asked for rarely. */
const LONGEST = 400_000;
const held = new Map<string, Held>();
const offered = new WeakMap<Request, Held>();

/** Tells the server which answer to this question is held. */
export function offerHeld(request: Request): void {
  const kept = held.get(request.url);
  if (!kept) return;
  offered.set(request, kept);
  request.headers.set("If-None-Match", kept.tag);
}

/** What was offered, where the server says that it still is so; else what came is held for the next time. */
export async function hold(request: Request, response: Response): Promise<Response | undefined> {
  const kept = offered.get(request);
  if (response.status === 304 && kept)
    return new Response(kept.body, { headers: { "Content-Type": "application/json" } });
  const tag = response.headers.get("ETag");
  held.delete(request.url);
  if (response.status !== 200 || !tag) return undefined;
  const body = await response.clone().text();
  if (body.length > LONGEST) return undefined;
  held.set(request.url, { tag, body });
  const [oldest] = held.keys();
  if (held.size > MOST && oldest !== undefined) held.delete(oldest);
  return undefined;
}
