'use client';

import { memo, useRef, useState } from 'react';
import * as words from '../../words/desk/pattern-list.ts';
import { AddPattern } from './add-pattern.tsx';

/**
 * The patterns of a field in order: which one is drawn, which one is in use, and how to add, move and remove
 * one.
 */
export const PatternList = memo(function PatternList({
  patterns,
  shown,
  used,
  problemWith,
  onChoose,
  onChange,
  onAdd,
  onAlone,
}: {
  readonly patterns: readonly string[];
  readonly problemWith: (patterns: readonly string[]) => string | null;
  /** `at`: the index of the pattern to draw from then on. */
  readonly onChange: (patterns: readonly string[], at: number) => void;
  /** Index of the pattern that is drawn and edited. */
  readonly shown: number;
  /** Index of the pattern that lays out what is typed; -1 if none accepts it. */
  readonly used: number;
  readonly onChoose: (index: number) => void;
  readonly onAdd: () => void;
  /** One pattern is left, without a list. */
  readonly onAlone: () => void;
}) {
  const list = useRef<HTMLOListElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const change = (next: readonly string[], at: number): void => {
    const found = problemWith(next);
    setProblem(found);
    if (found !== null) return;
    onChange(next, at);
    // One pattern alone has no list.
    if (next.length === 1) onAlone();
    // Once the list is drawn anew.
    requestAnimationFrame(() => list.current?.querySelectorAll('button')[at]?.focus());
  };
  const [above = '', own = ''] = [patterns[shown - 1], patterns[shown]];
  return (
    <section aria-label={words.patternsInOrder} className="mt-1">
      <p className="caption">
        {words.patternsInOrderThat}
        {used < 0 && <span className="text-brick">{words.noneAcceptsWhatIsTyped}</span>}
      </p>
      <ol ref={list} className="max-h-40 overflow-y-auto">
        {patterns.map((text, i) => (
          <li key={text} className="flex items-baseline gap-2">
            <span className="caption w-6 text-right">{i + 1}</span>
            <button
              type="button"
              className="value min-h-6 min-w-0 truncate text-left hover:text-oxide aria-pressed:font-bold"
              aria-pressed={i === shown}
              onClick={() => {
                setProblem(null);
                onChoose(i);
              }}
            >
              {text}
            </button>
            {i === used && <span className="caption whitespace-nowrap">{words.inUse}</span>}
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-x-4">
        <AddPattern count={patterns.length} onAdd={onAdd} />
        <button
          type="button"
          className="word-button text-sm"
          disabled={shown === 0}
          onClick={() => change(patterns.with(shown - 1, own).with(shown, above), shown - 1)}
        >
          {words.movePatternUp(shown + 1)}
        </button>
        <button
          type="button"
          className="word-button text-sm"
          onClick={() => change(patterns.toSpliced(shown, 1), Math.max(0, shown - 1))}
        >
          {words.removePattern(shown + 1)}
        </button>
      </div>
      <p role="status" className="text-sm text-brick empty:hidden">
        {problem}
      </p>
    </section>
  );
});
