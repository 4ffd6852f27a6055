'use client';

import type { Miss, Trial } from '@arbeit/engine/tape';
import { targetOf } from '../../model/trial-edits.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { Link } from '../../ui/link.tsx';
import * as words from '../../words/trials/misses.ts';
import type { Ran } from '../../workers/trials/messages.ts';

/** Expected and actual texts as two rulers, one below the other; with a link to that row on the desk. */
export function Misses({
  set,
  trial,
  outcome,
}: {
  readonly set: EditedSet;
  readonly trial: Trial;
  readonly outcome: Ran;
}) {
  const target = targetOf(trial);
  if (outcome.misses.length + outcome.faults.length === 0) return null;
  return (
    <ul aria-label={words.failedExpectations} className="misses">
      {outcome.faults.map(({ line, message }) => (
        <li key={`${line} ${message}`}>
          <p className="text-brick">{words.lineWithLineMessage(line, message)}</p>
        </li>
      ))}
      {outcome.misses.map((miss) => (
        <li key={`${miss.line} ${miss.source}`}>
          <p>
            <span className="caption">{words.lineWithLine(miss.line)}</span>{' '}
            <span className="value">{miss.source}</span>{' '}
            {target && (
              <Link
                href={`/sets/${set.key}/${target.type}s/${target.id}?trial=${encodeURIComponent(trial.id)}&line=${miss.line}`}
                className="word-button text-sm"
              >
                {target.type === 'field' ? words.showOnDesk : words.toThisRow}
              </Link>
            )}
          </p>
          <Rulers miss={miss} />
        </li>
      ))}
    </ul>
  );
}

/** Two texts aligned by character, with differences marked. */
function Rulers({ miss: { expected, found } }: { readonly miss: Miss }) {
  const [a, b] = [[...expected], [...found]];
  const cells = Array.from({ length: Math.max(a.length, b.length) }, (_, i) => i);
  const row = (label: string, text: readonly string[], other: readonly string[]) => (
    <tr>
      <th scope="row">{label}</th>
      <td>
        <span className="sr-only">{text.join('')}</span>
        <span aria-hidden="true" className="value">
          {cells.map((i) => (
            <span key={i} data-apart={text[i] !== other[i] || undefined}>
              {text[i] ?? '\u00a0'}
            </span>
          ))}
        </span>
      </td>
    </tr>
  );
  return (
    <table className="rulers">
      <tbody>
        {row(words.expected, a, b)}
        {row(words.actual, b, a)}
      </tbody>
    </table>
  );
}
