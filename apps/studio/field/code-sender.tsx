'use client';

import { onCompletion, onNextEdit } from '@arbeit/dom';
import type { BoxesPlan } from '@arbeit/engine/kinds/boxes';
import type { Field } from '@arbeit/react';
import { useEffect, useState } from 'react';
import * as words from '../words/field/code-sender.tsx';
import { codeFor } from './simulated-sender.ts';

/**
 * A stand-in for whoever sends codes: shows the message a guest would get, and answers as soon as a code is
 * complete. The problem with a wrong code disappears with the next key.
 */
export function CodeSender({
  field,
  onAnswer,
}: {
  readonly field: Field;
  /** Called with the problem of the code; empty if there is none. */
  readonly onAnswer: (problem: string) => void;
}) {
  const { store } = field;
  const plan = store.field.plan as BoxesPlan;
  const [isRight, setRight] = useState(false);
  const code = codeFor(plan);
  useEffect(() => {
    let forget = () => {};
    const letGo = onCompletion(store, (value) => {
      setRight(value === code);
      onAnswer(value === code ? '' : words.thatCodeIsNotCorrect);
      forget();
      forget = onNextEdit(store, () => {
        setRight(false);
        onAnswer('');
      });
    });
    return () => {
      letGo();
      forget();
    };
  }, [store, code, onAnswer]);
  return (
    <div className="mt-1 border-t pt-1 text-sm">
      <p className="text-faint">{words.simulatedMessage(<span className="value text-ink">{code}</span>)}</p>
      <p role="status" className="min-h-6">
        {isRight && <span className="text-oxide">{words.theCodeIsRight}</span>}
      </p>
    </div>
  );
}
