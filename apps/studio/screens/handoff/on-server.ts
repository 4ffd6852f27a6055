import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { handOff, snippets, sourcesFrom, type Use, weigher } from '@arbeit/handoff/emit';
import { settledOnServer } from '../../workers/custom-code/on-server.ts';
import { type Choice, chosen } from './choice.ts';
import type { Made, MakeProgress } from './made.ts';

/** The packages as they were built, found from where the server runs. */
const sources = () => sourcesFrom(process.cwd());

/** Uses whose script a page or a server carries. */
const weighed = ['element', 'dom', 'react', 'vue', 'svelte', 'server'] as const;

/**
 * Makes a hand-off of what is chosen of a set, telling step by step. A step that was begun is finished;
 * between two it is left off once nobody listens.
 */
export async function makeHandOff(
  stored: SetDocument,
  choice: Choice,
  tell: (told: MakeProgress) => void,
  signal: AbortSignal,
): Promise<void> {
  const set = chosen(stored, choice);
  if (set.fields.length === 0) return tell({ problem: 'Nothing is chosen: choose a field or a form.' });
  try {
    const all = sources();
    const uses = choice.uses satisfies readonly Use[];
    const files = await handOff({
      set,
      uses,
      sources: all,
      run: settledOnServer(),
      onProgress: (step, done) => tell({ step, done: done * 0.5 }),
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
    tell({
      made: {
        files: [...files],
        weights,
        snippets: snippets(set, uses),
        version: all.version,
      },
    });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    tell({ problem: error.message });
  }
}
