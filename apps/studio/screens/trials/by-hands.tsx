'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { type Hand, type Otherwise, parseTape, type Trial } from '@arbeit/engine/tape';
import { useEffect, useState } from 'react';
import { Link } from '../../ui/link.tsx';
import { Mark } from '../../ui/mark.tsx';
import * as texts from '../../words/trials/by-hands.tsx';
import type { ByHand } from '../../workers/trials/messages.ts';
import { useThread } from '../../workers/trials/threads.ts';

const words: Readonly<Record<Hand, string>> = {
  keys: texts.byKeys,
  composing: texts.imeComposition,
  suggestion: texts.keyboardSuggestions,
  dictation: texts.dictated,
  autofill: texts.browserAutofill,
  program: texts.setByCode,
};

/** Why a result that differs from that of keys may be right. */
function why(hand: Hand, { keys, other }: Otherwise): string {
  if (hand === 'autofill' || hand === 'program') return texts.autofillReplacesTheWholeValue;
  if (other.leftOut || keys.rejected || other.rejected) return texts.insertedAtOnceWord;
  return texts.insertedAtOnce;
}

/** A trial with other kinds of input: the same result, or where it first differs and what each shows. */
export function ByHands({
  setKey,
  document,
  trial,
  today,
}: {
  readonly setKey: string;
  readonly document: SetDocument;
  readonly trial: Trial;
  readonly today: string;
}) {
  const [hands, setHands] = useState<readonly ByHand[]>();
  const { ask } = useThread((answered) => {
    if (answered.is === 'by hands') setHands(answered.hands);
  });
  useEffect(() => ask({ do: 'hands', document, trial, today }), [ask, document, trial, today]);
  const read = parseTape(trial.tape);
  const target = read.ok ? read.tape.target : undefined;
  if (!read.ok || !read.tape.steps.some((step) => step.do === 'type')) return null;
  return (
    <section aria-label={texts.otherInputMethodsWithName(trial.name ?? trial.id)}>
      <h3 className="caption">{texts.otherInputMethods}</h3>
      {/* Its lines are there before what they say is known: nothing below moves. */}
      <ul className="by-hands" aria-busy={hands === undefined}>
        {(['composing', 'suggestion', 'dictation', 'autofill', 'program'] as const).map((hand) => {
          const found = hands?.find((one) => one.hand === hand);
          const other = found?.otherwise;
          return (
            <li key={hand} data-is={other ? 'other' : found ? 'same' : undefined}>
              <Mark shape={other ? 'half' : found ? 'full' : 'hollow'} size={11} />
              <div>
                {target?.type === 'field' ? (
                  <Link
                    href={`/sets/${setKey}/fields/${target.id}?trial=${encodeURIComponent(trial.id)}&hand=${hand}`}
                    className="word-button"
                  >
                    {words[hand]}
                  </Link>
                ) : (
                  words[hand]
                )}{' '}
                <span className="text-faint">
                  {other ? texts.differentResultAtLine(other.line) : found ? texts.theSame : '…'}
                </span>
                {other && (
                  <p className="caption">
                    <span className="value">{other.source}</span>
                    {texts.withKeys(
                      <span className="value">{shown(other.other)}</span>,
                      <span className="value">{shown(other.keys)}</span>,
                      why(hand, other),
                    )}
                  </p>
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const shown = ({ display, raw, codes }: Otherwise['keys']): string =>
  texts.raw(display, raw, codes.length > 0 ? `, ${codes.join(' ')}` : '');
