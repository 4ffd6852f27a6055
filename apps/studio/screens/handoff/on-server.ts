import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { handOff, snippets, sourcesFrom, type Use, weigher } from '@arbeit/handoff/emit';
import * as words from '../../words/handoff/on-server.ts';
import { settledOnServer } from '../../workers/custom-code/on-server.ts';
import { type Choice, chosen } from './choice.ts';
import type { Made, MakeProgress } from './made.ts';

/** The built packages, found from the server's working directory. */
const sources = () => sourcesFrom(process.cwd());

/** Uses whose script is loaded by a page or a server. */
const weighed = ['element', 'dom', 'react', 'vue', 'svelte', 'server'] as const;

/**
 * Builds a hand-off with the chosen parts of a set and reports each step. A step that began is finished; the
 * build stops between two steps if nobody reads any more.
 */
export async function makeHandOff(
  stored: SetDocument,
  choice: Choice,
  tell: (told: MakeProgress) => void,
  signal: AbortSignal,
): Promise<void> {
  const set = chosen(stored, choice);
  if (set.fields.length === 0) return tell({ problem: words.selectAtLeastOneField });
  try {
    const all = sources();
    const uses = choice.uses satisfies readonly Use[];
    const files = await handOff({
      set,
      uses,
      languages: choice.languages,
      sources: all,
      run: settledOnServer(),
      onProgress: (step, done) => tell({ step, done: done * 0.5 }),
    });
    // Shown before it is weighed, which takes as long again.
    tell({
      made: { files: [...files], weights: [], snippets: snippets(set, uses), version: all.version },
    });
    const weights: Made['weights'][number][] = [];
    const weigh = weigher(set, all);
    const wanted = weighed.filter(
      (use) => uses.includes(use) && (use !== 'server' || set.forms?.some((form) => fieldIdsOf(form).length)),
    );
    for (const [i, use] of wanted.entries()) {
      if (signal.aborted) return;
      tell({ step: 'weighing', done: 0.5 + (0.5 * i) / wanted.length });
      weights.push({ use, ...(await weigh(use)) });
    }
    tell({ weights });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    tell({ problem: error.message });
  }
}
