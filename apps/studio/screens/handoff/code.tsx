'use client';

import { useEffect, useMemo, useState } from 'react';
import { useCopy } from '../../ui/copy-text.ts';
import * as words from '../../words/handoff/code.ts';
import type { Run } from './highlight.ts';

/** The highlighter, once it is loaded; until then code is shown plain. */
let loaded: typeof import('./highlight.ts') | undefined;

/** A text as code: highlighted, scrollable with the keyboard, with a copy button. */
export function Code({
  text,
  language,
  label,
  onCopied,
}: {
  readonly text: string;
  readonly language: string;
  readonly label: string;
  readonly onCopied?: () => void;
}) {
  const [highlight, setHighlight] = useState(loaded);
  const { said, copy } = useCopy(text, onCopied);
  useEffect(() => {
    if (loaded) return;
    import('./highlight.ts').then((module) => {
      loaded = module;
      setHighlight(module);
    });
  }, []);
  const runs = useMemo<readonly Run[]>(
    () => highlight?.highlighted(text, language) ?? [{ text, ink: '' }],
    [highlight, text, language],
  );
  return (
    <div className="hand-off-code">
      <p>
        <span className="value">{label}</span>
        <span role="status" className="caption">
          {said}
        </span>
        <button
          type="button"
          className="word-button"
          aria-label={words.copyWithLabel(label)}
          onClick={() => void copy()}
        >
          {words.copy}
        </button>
      </p>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be scrolled by key */}
      <section aria-label={label} tabIndex={0}>
        <pre>
          {runs.map(({ text: piece, ink }, i) =>
            ink ? (
              // biome-ignore lint/suspicious/noArrayIndexKey: pieces are told apart by their place alone
              <span key={i} data-run={ink}>
                {piece}
              </span>
            ) : (
              piece
            ),
          )}
        </pre>
      </section>
    </div>
  );
}
