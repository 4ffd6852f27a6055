import type { Change } from '../../../store/followers.ts';

/** A line that says nothing, every so many milliseconds, so that nobody between takes the connection for a dead one. */
const pulse = 20_000;
/** How long a browser waits before it asks again after a lost connection, in milliseconds. */
const again = 3_000;
/** So many lines may lie unread: whoever reads none of them is gone. */
const mostUnread = 200;

/** A change of the set of a key. */
export interface Told extends Change {
  readonly key: string;
}

interface Telling {
  /** Begins to tell of changes; answers what ends that. */
  follow(listener: (told: Told) => void): () => void;
  /** What holds now. */
  now(): Promise<readonly Told[]>;
  /** Any of them ends it. */
  readonly signals: readonly AbortSignal[];
  /** Called once, when it has ended. */
  ended(): void;
}

/** Changes as server-sent events (HTML, 9.2), first the present state: each the key of the set, the generation of the store and the revision. */
export function changeStream({ follow, now, signals, ended }: Telling): ReadableStream<Uint8Array> {
  const stop = new AbortController();
  const end = (): void => stop.abort();
  const text = new TextEncoder();
  return new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (line: string): void => {
        if (stop.signal.aborted) return;
        if ((controller.desiredSize ?? 0) < -mostUnread) end();
        else controller.enqueue(text.encode(line));
      };
      const tell = ({ key, generation, revision }: Told): void =>
        say(`data: ${key} ${generation} ${revision}\n\n`);
      const letGo = follow(tell);
      const beat = setInterval(() => say(':\n\n'), pulse);
      stop.signal.addEventListener('abort', () => {
        clearInterval(beat);
        letGo();
        try {
          controller.close();
        } catch {
          // It was closed from the other end.
        }
        ended();
      });
      // With the stream their listeners go: the process's own outlives them all.
      for (const signal of signals) signal.addEventListener('abort', end, { signal: stop.signal });
      if (signals.some(({ aborted }) => aborted)) return end();
      say(`retry: ${again}\n\n`);
      // It may have changed before anybody followed it. Without the store nothing can be told; the browser asks again.
      now().then((all) => all.forEach(tell), end);
    },
    cancel: end,
  });
}
