'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import {
  type Notation,
  needsText,
  type PatternPlan,
  parseNotation,
  readAloud,
} from '@arbeit/engine/kinds/pattern';
import dynamic from 'next/dynamic';
import { memo, type ReactNode, useEffect, useId, useRef, useState } from 'react';
import { keepText, keptText } from '../../model/draft.ts';
import { Help } from '../../ui/help.tsx';
import { deferred } from '../../ui/later.tsx';
import { useUnsavedLine } from '../../ui/unsaved.ts';
import * as words from '../../words/desk/pattern-line.tsx';
import { InlinePanel } from './inline-panel.tsx';
import { OptionEditors } from './option-editors-later.ts';

/** Words that are read when somebody asks for them. */
const PatternHelp = deferred(() => import('./pattern-words.tsx').then((own) => own.PatternHelp));
/** Seldom there, and then from the first picture on, so that nothing moves. */
const Loss = dynamic(() => import('./pattern-words.tsx').then((own) => own.Loss));

/**
 * The pattern as text, in step with the specimen. While it has faults, the text stays as typed: each fault is
 * shown with its column and marked, and the desk keeps the last valid pattern. It renders only when the
 * definition changes, not at every key.
 */
export const PatternLine = memo(function PatternLine({
  definition,
  pattern,
  problemOf,
  plan,
  notation,
  classes,
  set,
  name,
  onChange,
  onOption,
  beside,
  isBegun,
  onBegun,
}: {
  /** The name under which a faulty text is stored in the browser, because it is unsaved work. */
  readonly name: string;
  readonly definition: FieldDocument<'pattern'>;
  /** The pattern that is edited: one of the field's. */
  readonly pattern: string;
  /** What is wrong with a text in its place beside its notation; `null` if nothing. */
  readonly problemOf: (text: string) => string | null;
  readonly plan: PatternPlan;
  readonly notation: Notation;
  readonly classes: readonly string[];
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
  /** `about` is the same for everything typed between focus and blur, which makes it one undo step. */
  readonly onChange: (pattern: string, about: string) => void;
  readonly onOption: (change: (field: FieldDocument) => FieldDocument, about?: string) => void;
  /** A button beside those of the line. */
  readonly beside: ReactNode;
  /** Whether this pattern was just added; then its text is selected, to be typed over. */
  readonly isBegun: boolean;
  readonly onBegun: () => void;
}) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const visit = useRef(0);
  const latest = useRef(draft);
  latest.current = draft;
  useEffect(() => {
    // When the field gets another id, its draft is stored under the new name.
    if (latest.current === null) setDraft(keptText(name));
    else keepText(name, latest.current);
  }, [name]);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (!isBegun) return;
    input.current?.focus();
    input.current?.select();
    onBegun();
  }, [isBegun, onBegun]);
  const take = (next: string | null): void => {
    setDraft(next);
    keepText(name, next);
  };
  const text = draft ?? pattern;
  const { faults } = draft === null ? notation : parseNotation(draft, classes);
  const problem = draft !== null && faults.length === 0 ? problemOf(draft) : null;
  const isWrong = faults.length > 0 || problem !== null;
  useUnsavedLine(isWrong);
  return (
    <section aria-label={words.pattern} className="mt-1">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <label htmlFor={id} className="caption">
          {words.pattern}
        </label>
        <input
          ref={input}
          id={id}
          className="entry value min-w-48 flex-1"
          value={text}
          spellCheck={false}
          autoComplete="off"
          autoCapitalize="off"
          aria-invalid={isWrong}
          aria-describedby={`${id}-said`}
          onChange={(event) => {
            const next = event.target.value;
            const isSound = parseNotation(next, classes).faults.length === 0 && problemOf(next) === null;
            take(isSound ? null : next);
            if (isSound) onChange(next, `pattern ${visit.current}`);
          }}
          onBlur={() => {
            visit.current++;
          }}
        />
        <HowItTypes definition={definition} plan={plan} set={set} onChange={onOption} />
        {beside}
        <Help about={words.thePattern}>
          <PatternHelp classes={classes} />
        </Help>
      </div>
      <Said
        id={`${id}-said`}
        text={text}
        notation={draft === null ? notation : undefined}
        faults={faults}
        problem={problem}
        onBack={() => take(null)}
      />
    </section>
  );
});

/** The pattern in words; or each of its faults, with its column and a way out. */
function Said({
  id,
  text,
  notation,
  faults,
  problem,
  onBack,
}: {
  readonly id: string;
  readonly text: string;
  /** The last valid pattern; `undefined` while the text is another. */
  readonly notation: Notation | undefined;
  readonly faults: Notation['faults'];
  readonly problem: string | null;
  readonly onBack: () => void;
}) {
  return (
    <div id={id} aria-live="polite" className="min-h-6 pt-0.5 text-sm">
      {notation && faults.length === 0 ? (
        <p className="text-faint">
          <span className="sr-only">{words.readAloud} </span>
          {readAloud(notation.nodes)}.
        </p>
      ) : (
        <>
          <p className="value overflow-hidden whitespace-pre text-brick" aria-hidden="true">
            {marksFor(text, faults)}
          </p>
          {problem !== null && <p className="text-brick">{problem}</p>}
          {faults.map((fault) => (
            <p key={`${fault.at} ${fault.message}`} className="text-brick">
              {words.column(fault.column, fault.message)}{' '}
              {fault.suggestion !== undefined && (
                <span className="text-ink">
                  {words.didYouMean(<code className="value">{fault.suggestion}</code>)}
                </span>
              )}
            </p>
          ))}
          <button type="button" className="word-button mt-1" onClick={onBack}>
            {words.revertToTheLastValid}
          </button>
        </>
      )}
    </div>
  );
}

/** The text with everything but the faulty ranges replaced by spaces, to be drawn as marks below it. */
function marksFor(text: string, faults: Notation['faults']): string {
  return [...text]
    .map((_, i) => (faults.some((f) => i + 1 >= f.column && i + 1 < f.column + (f.end - f.at)) ? '¯' : ' '))
    .join('');
}

/** Options that belong to no single part of a pattern: how it behaves while typing. */
function HowItTypes({
  definition,
  plan,
  set,
  onChange,
}: {
  readonly definition: FieldDocument<'pattern'>;
  readonly plan: PatternPlan;
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
  readonly onChange: (change: (field: FieldDocument) => FieldDocument, about?: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const { raw } = definition.entry;
  const mayLoseText = plan.positions === 'flow' && needsText(plan) && raw !== 'text';
  return (
    <>
      <button
        type="button"
        ref={button}
        className="word-button text-sm"
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
      >
        {words.typingBehaviour}
      </button>
      <div className="order-last basis-full empty:hidden">
        {isOpen && (
          <InlinePanel
            label={words.typingBehaviour}
            needs={OptionEditors}
            onClose={() => {
              setOpen(false);
              button.current?.focus();
            }}
          >
            {() => (
              <OptionEditors
                definition={definition}
                part="typing"
                set={set}
                onPreview={nobody}
                onChange={onChange}
              />
            )}
          </InlinePanel>
        )}
        {mayLoseText && (isOpen || raw === 'content' || raw === 'compact') && <Loss raw={raw} />}
      </div>
    </>
  );
}

const nobody = (): void => undefined;
