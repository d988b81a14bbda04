/** The core beside the drafter, in a thread of its own: the same Python as the server's, woken from a picture of its memory. */
import type { FromCore, Look, ToCore } from "./messages";

interface Held {
  revision: number;
  open(source: string): number;
  follow(since: number, revision: number, edits: string): boolean;
  read(asked: string): string;
  ahead(acts: string): string;
  look(what: Look, asked: string): string;
}

type Wake = (at: string, memory: ArrayBuffer, lock: string) => Promise<Held>;

const tell = (message: FromCore): void => self.postMessage(message);

async function fetched(address: string): Promise<Response> {
  const answer = await fetch(address, { credentials: "same-origin" });
  if (!answer.ok) throw new Error(`${address.replace(/^.*\//, "")}: ${String(answer.status)}`);
  return answer;
}

async function woken(): Promise<Held> {
  const at = `${location.origin}${__CORE_AT__}`;
  const [{ wake }, memory, lock] = await Promise.all([
    import(/* @vite-ignore */ `${at}/wake.mjs`) as Promise<{ wake: Wake }>,
    fetched(`${at}/memory.bin`).then((answer) => answer.arrayBuffer()),
    fetched(`${at}/lock.json`).then((answer) => answer.text()),
  ]);
  return wake(at, memory, lock);
}

const begun = performance.now();
const since = (from: number): number => (performance.now() - from) / 1000;
const held = woken();

async function answer(message: ToCore, source: Promise<string> | null): Promise<void> {
  const core = await held;
  switch (message.do) {
    case "open": {
      const found = (await source) ?? "";
      const from = performance.now();
      const revision = core.open(found);
      tell({ is: "opened", drawing: message.drawing, revision, seconds: since(from) });
      break;
    }
    case "follow":
      if (!core.follow(message.since, message.revision, message.edits)) tell({ is: "behind" });
      break;
    case "read":
      tell({ is: "answer", seq: message.seq, answer: core.read(message.asked) });
      break;
    case "ahead":
      tell({ is: "ahead", found: core.ahead(message.acts) });
      break;
    case "look":
      tell({ is: "looked", seq: message.seq, found: core.look(message.what, message.asked) });
  }
}

// One after the other, in the order in which they came: what is read is read of what was followed before.
let last: Promise<void> = held.then(
  () => tell({ is: "ready", seconds: since(begun) }),
  (error: unknown) => tell({ is: "failed", why: String(error).slice(0, 300) }),
);
self.onmessage = (event: MessageEvent<ToCore>) => {
  const { data } = event;
  // What is to be opened is on its way while the core still wakes.
  const source = data.do === "open" ? fetched(`/api/drawings/${data.drawing}/source`).then((a) => a.text()) : null;
  source?.catch(() => undefined);
  last = last
    .then(() => answer(data, source))
    .catch((error: unknown) => tell({ is: "failed", why: String(error).slice(0, 300) }));
};
