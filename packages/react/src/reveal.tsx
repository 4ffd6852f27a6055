'use client';

import type { Field } from './use-field.ts';

/** The words of the control that reveals a concealed field. */
export interface RevealWords {
  readonly reveal: string;
  readonly conceal: string;
}

/** The words of a field, in its language. */
export const revealWordsOf = ({ store }: Field): RevealWords => {
  const { reveal = '', conceal = '' } = store.field.words ?? {};
  return { reveal, conceal };
};

/** The control that reveals a concealed field, and conceals it again. */
export function Reveal({
  isRevealed,
  onChange,
  words,
  className,
}: {
  readonly isRevealed: boolean;
  onChange(isRevealed: boolean): void;
  readonly words: RevealWords;
  readonly className?: string | undefined;
}) {
  return (
    <button type="button" className={className} data-arbeit="reveal" onClick={() => onChange(!isRevealed)}>
      {isRevealed ? words.conceal : words.reveal}
    </button>
  );
}
