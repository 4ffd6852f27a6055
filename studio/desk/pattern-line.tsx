'use client';

import { type Notation, parseNotation, readAloud } from '@arbeit/engine/kinds/pattern';
import { memo, useEffect, useId, useRef, useState } from 'react';
import { keepText, keptText } from '../definition/draft.ts';

/**
 * The pattern as text, in step with the specimen. While it has faults it is the writer's own: each fault is told
 * with its column and marked under it, and the desk stays with the last pattern that read. Drawn again
 * only when the definition changes, not at every key.
 */
export const PatternLine = memo(function PatternLine({
  pattern,
  notation,
  classes,
  name,
  onChange,
}: {
  /** Under which a faulty text is kept in the browser: it is unsaved work. */
  readonly name: string;
  readonly pattern: string;
  readonly notation: Notation;
  readonly classes: readonly string[];
  /** `about` is the same for what is typed in one visit to the line: one step of undo. */
  readonly onChange: (pattern: string, about: string) => void;
}) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const visit = useRef(0);
  useEffect(() => {
    setDraft((own) => own ?? keptText(name));
  }, [name]);
  const take = (next: string | null): void => {
    setDraft(next);
    keepText(name, next);
  };
  const text = draft ?? pattern;
  const { faults } = draft === null ? notation : parseNotation(draft, classes);
  return (
    <section aria-label="Pattern">
      <label htmlFor={id} className="caption">
        Pattern
      </label>
      <div className="overflow-x-auto">
        <input
          id={id}
          className="entry value"
          value={text}
          spellCheck={false}
          autoComplete="off"
          autoCapitalize="off"
          aria-invalid={faults.length > 0}
          aria-describedby={`${id}-said`}
          onChange={(event) => {
            const next = event.target.value;
            const isSound = parseNotation(next, classes).faults.length === 0;
            take(isSound ? null : next);
            if (isSound) onChange(next, `pattern ${visit.current}`);
          }}
          onBlur={() => {
            visit.current++;
          }}
        />
      </div>
      <div id={`${id}-said`} aria-live="polite" className="min-h-12 pt-1 text-sm">
        {faults.length === 0 ? (
          <p className="text-faint">
            <span className="sr-only">Read aloud: </span>
            {readAloud(notation.nodes)}.
          </p>
        ) : (
          <>
            <p className="value overflow-hidden whitespace-pre text-brick" aria-hidden="true">
              {marksFor(text, faults)}
            </p>
            {faults.map((fault) => (
              <p key={`${fault.at} ${fault.message}`} className="text-brick">
                Column {fault.column}: {fault.message}{' '}
                {fault.suggestion !== undefined && (
                  <span className="text-ink">
                    Perhaps <code className="value">{fault.suggestion}</code>
                  </span>
                )}
              </p>
            ))}
            <button type="button" className="word-button mt-1" onClick={() => take(null)}>
              Back to the last pattern that read
            </button>
          </>
        )}
      </div>
    </section>
  );
});

/** The text again with everything but the faulty stretches blanked, so that it can stand as marks beneath. */
function marksFor(text: string, faults: Notation['faults']): string {
  return [...text]
    .map((_, i) => (faults.some((f) => i + 1 >= f.column && i + 1 < f.column + (f.end - f.at)) ? '¯' : ' '))
    .join('');
}
