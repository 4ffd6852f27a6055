import { type Cursor, readId } from '../faults/cursor.ts';
import { most } from '../faults/limits.ts';
import { say } from '../faults/say.ts';
import { ruleTexts } from '../faults/texts.ts';
import { parseTape } from '../tape/parse-tape.ts';

/**
 * Reads trials: tapes that parse and have expectations. Whether the fields and rules they name exist is
 * checked when they run, so that deleting a field does not break the document.
 */
export function readTrials(at: Cursor): void {
  const ids = new Set<string>();
  for (const trial of at.items()) {
    if (!trial.object(['id', 'name', 'why', 'tape'], ['id', 'tape'])) continue;
    if (trial.has('id')) readId(trial.get('id'), ids);
    if (trial.has('name')) trial.get('name').filled();
    if (trial.has('why')) trial.get('why').string();
    if (trial.has('tape')) readTrialTape(trial.get('tape'));
  }
}

function readTrialTape(at: Cursor): void {
  const text = at.string(most.tape);
  if (text === undefined) return;
  const read = parseTape(text);
  if (!read.ok)
    for (const { line, column, message } of read.faults)
      at.fault(say(ruleTexts, 'trial-syntax', { line, column, message }));
  else if (!read.tape.steps.some((step) => step.do === 'expect')) at.fault(say(ruleTexts, 'no-expectations'));
}
