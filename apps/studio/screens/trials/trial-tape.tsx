'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { parseTape, type Trial } from '@arbeit/engine/tape';
import { useMemo, useState } from 'react';
import { CodeEditor, type Mistake } from '../../field/custom-code/code-editor.tsx';
import { keepText, keptText } from '../../model/draft.ts';
import { useUnsavedLine } from '../../ui/unsaved.ts';
import * as words from '../../words/trials/trial-tape.ts';
import { offersFor, tapeLanguage } from './tape-language.ts';

/** The faults of a text as the tape of a trial, each with its place. */
function mistakesIn(text: string): readonly Mistake[] {
  const read = parseTape(text);
  if (!read.ok) return read.faults;
  return read.tape.steps.some((step) => step.do === 'expect')
    ? []
    : [
        {
          line: text.split('\n').length,
          message: words.thisTrialHasNoExpectations,
        },
      ];
}

/**
 * The tape of a trial as text. It is applied once it is valid and expects something; until then its faults
 * are shown below it.
 */
export function TrialTape({
  set,
  name,
  trial,
  onChange,
}: {
  readonly set: SetDocument;
  /** The name under which a faulty tape is stored in the browser, because it is unsaved work. */
  readonly name: string;
  readonly trial: Trial;
  readonly onChange: (tape: string) => void;
}) {
  const [draft, setDraft] = useState<string | null>(() => keptText(name));
  const take = (next: string | null): void => {
    setDraft(next);
    keepText(name, next);
  };
  const text = draft ?? trial.tape;
  const mistakes = useMemo(() => mistakesIn(text), [text]);
  useUnsavedLine(mistakes.length > 0);
  const offers = useMemo(() => offersFor(set, text), [set, text]);
  return (
    <div>
      <CodeEditor
        label={words.tapeOf(trial.name ?? trial.id)}
        code={text}
        language={tapeLanguage}
        offers={offers}
        mistakes={mistakes}
        onChange={(written) => {
          const isSound = mistakesIn(written).length === 0;
          take(isSound ? null : written);
          if (isSound && written !== trial.tape) onChange(written);
        }}
      />
      <div role="status" aria-label={words.whatIsWrong} className="min-h-5 text-sm text-brick">
        {mistakes.slice(0, 3).map(({ line, column, message }) => (
          <p key={`${line} ${message}`}>{words.lineWithColumn(line, column, message)}</p>
        ))}
      </div>
      {mistakes.length > 0 && (
        <button type="button" className="word-button" onClick={() => take(null)}>
          {words.revertToTheLastValid}
        </button>
      )}
    </div>
  );
}
