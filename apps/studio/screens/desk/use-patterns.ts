import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import {
  type Notation,
  type PatternBody,
  type PatternPlan,
  parseNotation,
} from '@arbeit/engine/kinds/pattern';
import type { Field } from '@arbeit/react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { hasNotation, patternsOf, withPatterns } from '../../model/notation.ts';
import { later, useLater } from '../../ui/later.tsx';
import type { Change } from './change.ts';

/** What is wrong with patterns together: few fields have several. */
const problems = later(() => import('../../model/pattern-problems.ts'));

/** The patterns of a field, the one of them that is drawn and edited, and how to change them. */
interface Patterns {
  readonly patterns: readonly string[];
  /** Index of the pattern that is drawn. */
  readonly shown: number;
  /** Index of the pattern that lays out what is typed; -1 if none accepts it. */
  readonly used: number;
  readonly pattern: string;
  readonly plan: PatternPlan;
  readonly notation: Notation;
  readonly classNames: readonly string[];
  readonly choose: (index: number) => void;
  readonly setPattern: (next: string, about?: string) => void;
  readonly setPatterns: (next: readonly string[], at: number) => void;
  /** Adds a pattern that can be in use, and draws it; resolves to its index, `null` if there is no room. */
  readonly add: () => Promise<number | null>;
  /** What is wrong with patterns together; `null` if nothing. */
  readonly problemWith: (patterns: readonly string[]) => string | null;
  /** What is wrong with a text in place of the drawn pattern, beside its notation. */
  readonly problemOf: (text: string) => string | null;
}

/** Which pattern is drawn: what is typed decides, until another one is chosen. */
function useShown(content: string, used: number, count: number) {
  const [chosen, setChosen] = useState<number | null>(null);
  const [followed, setFollowed] = useState(content);
  if (followed !== content) {
    setFollowed(content);
    setChosen(null);
  }
  return { shown: Math.min(chosen ?? Math.max(0, used), count - 1), choose: setChosen };
}

export function usePatterns(
  definition: FieldDocument<'pattern'>,
  field: Field,
  { classes }: Pick<SetDocument, 'classes'>,
  onChange: Change,
): Patterns {
  const kinds = useKinds();
  const whole = field.store.field.plan as PatternPlan;
  const { which: used = 0, content } = field.state.body as PatternBody;
  const patterns = useMemo(() => patternsOf(definition), [definition]);
  const { shown, choose } = useShown(content, used, patterns.length);
  const pattern = patterns[shown] ?? '';
  const plan = whole.alternatives?.[shown] ?? whole;
  const classNames = useMemo(() => Object.keys(classes ?? {}), [classes]);
  const notation = useMemo(() => parseNotation(pattern, classNames), [pattern, classNames]);
  const setPattern = useCallback(
    (next: string, about?: string) => {
      if (parseNotation(next, classNames).faults.length > 0) return;
      onChange((f) => (hasNotation(f) ? withPatterns(f, patternsOf(f).with(shown, next)) : f), about);
    },
    [onChange, classNames, shown],
  );
  const setPatterns = useCallback(
    (next: readonly string[], at: number) => {
      choose(at);
      onChange((f) => withPatterns(f, next));
    },
    [onChange, choose],
  );
  const { it: checks, want } = useLater(problems);
  const isList = patterns.length > 1;
  useEffect(() => {
    if (isList) want();
  }, [isList, want]);
  const problemWith = useCallback(
    (all: readonly string[]) => checks?.problemWithPatterns(definition, all, kinds, classes) ?? null,
    [checks, definition, kinds, classes],
  );
  const add = useCallback(async () => {
    const { problemWithPatterns, withAnother } = await problems.fetch();
    const isGood = (all: readonly string[]) => problemWithPatterns(definition, all, kinds, classes);
    const next = withAnother(patterns, isGood);
    if (!next) return null;
    setPatterns(next, patterns.length);
    return patterns.length;
  }, [definition, kinds, classes, patterns, setPatterns]);
  const problemOf = useCallback(
    (text: string) => problemWith(patterns.with(shown, text)),
    [problemWith, patterns, shown],
  );
  return { patterns, shown, used, pattern, plan, notation, classNames, choose, setPattern, setPatterns, add, problemWith, problemOf }; // biome-ignore format: a list
}
