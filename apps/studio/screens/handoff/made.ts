import * as words from '../../words/handoff/made.ts';

/**
 * Progress of a build as the page receives it: one JSON value per line. The result comes as soon as the files
 * exist, their sizes last.
 */
export type MakeProgress =
  | { readonly step: string; readonly done: number }
  | { readonly made: Made }
  | { readonly weights: Made['weights'] }
  | { readonly problem: string };

/** A hand-off as the page shows it. */
export interface Made {
  /** Texts by path, sorted by path. */
  readonly files: readonly (readonly [path: string, text: string])[];
  /** Sizes per use; empty while they are measured. */
  readonly weights: readonly {
    readonly use: string;
    readonly bytes: number;
    readonly parts: readonly Part[];
  }[];
  readonly snippets: readonly {
    readonly use: string;
    /** The application it is from, if it is from one. */
    readonly app?: string;
    readonly of: { readonly type: 'form' | 'field'; readonly id: string };
    readonly title: string;
    readonly language: string;
    readonly code: string;
  }[];
  /** Where the packages come from. It is shown, but not part of any name. */
  readonly version: string;
}

/** The size of one component in bytes, minified and gzipped. */
export interface Part {
  readonly name: string;
  readonly bytes: number;
}

/** Lines of JSON as they arrive. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<MakeProgress> {
  const decoder = new TextDecoder();
  let rest = '';
  const reader = body.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    rest += decoder.decode(value, { stream: !done });
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) if (line) yield JSON.parse(line) as MakeProgress;
    if (done) return;
  }
}

/**
 * Asks the server to build a hand-off, and reports progress: steps, and the result, first without sizes.
 * Throws `Error` with a message for the user.
 */
export async function make(
  setKey: string,
  choice: object,
  { onStep, onMade }: { onStep(step: string, done: number): void; onMade(made: Made): void },
  signal: AbortSignal,
): Promise<void> {
  const response = await fetch(`/api/sets/${encodeURIComponent(setKey)}/hand-off`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(choice),
    signal,
  });
  if (!response.ok || !response.body) {
    const told = (await response.json().catch(() => undefined)) as { readonly error?: string } | undefined;
    throw new Error(told?.error ?? words.noResponseFromTheServerTry);
  }
  let made: Made | undefined;
  for await (const told of linesOf(response.body)) {
    if ('problem' in told) throw new Error(told.problem);
    if ('made' in told) {
      made = told.made;
      onMade(made);
    } else if ('weights' in told) {
      if (made) onMade({ ...made, weights: told.weights });
      return;
    } else onStep(told.step, told.done);
  }
  throw new Error(words.theBuildWasInterrupted);
}
