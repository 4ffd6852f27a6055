import type { Change } from '../../../store/followers.ts';

/** Interval of comment lines, in milliseconds. They keep proxies from closing the connection. */
const pulse = 20_000;
/** Pause before a browser reconnects, in milliseconds. */
const again = 3_000;
/** Unread events after which the stream ends: the reader is gone. */
const mostUnread = 200;

/** A change of the set `key`. */
export interface SetChange extends Change {
  readonly key: string;
}

interface Source {
  /** Calls `listener` after each change. Returns a function that ends this. */
  follow(listener: (change: SetChange) => void): () => void;
  /** The current state, sent as the first events. */
  now(): Promise<readonly SetChange[]>;
  /** Each of them ends the stream. */
  readonly signals: readonly AbortSignal[];
  /** Called once, after the end. */
  ended(): void;
}

/**
 * Server-sent events (HTML, section 9.2). The data of each: the key of a set, the generation of the store,
 * and the revision.
 */
export function changeStream({ follow, now, signals, ended }: Source): ReadableStream<Uint8Array> {
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
      const send = ({ key, generation, revision }: SetChange): void =>
        say(`data: ${key} ${generation} ${revision}\n\n`);
      const letGo = follow(send);
      const beat = setInterval(() => say(':\n\n'), pulse);
      stop.signal.addEventListener('abort', () => {
        clearInterval(beat);
        letGo();
        try {
          controller.close();
        } catch {
          // The browser has closed the stream.
        }
        ended();
      });
      // Removed with the stream: the signal of the process lives longer.
      for (const signal of signals) signal.addEventListener('abort', end, { signal: stop.signal });
      if (signals.some(({ aborted }) => aborted)) return end();
      say(`retry: ${again}\n\n`);
      // A set may have changed before `follow`. If the store does not answer, the stream ends and the browser
      // reconnects.
      now().then((all) => all.forEach(send), end);
    },
    cancel: end,
  });
}
