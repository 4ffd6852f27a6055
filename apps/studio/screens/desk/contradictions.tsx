'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import { definitionIn } from '@arbeit/engine/kinds';
import { type Contradiction, contradictionsIn } from '@arbeit/engine/proof';
import { useEffect, useState } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { ruleInWords } from '../../model/rule-words.ts';
import * as words from '../../words/desk/contradictions.ts';

/** How long the definition must stay the same before its rules are compared, in ms. */
const pause = 300;

/** Contradictions among the rules of a field, announced as they appear. */
export function Contradictions({
  definition,
  compiled,
  today,
}: {
  readonly definition: FieldDocument;
  readonly compiled: HydratedField;
  /** ISO 8601. */
  readonly today: string;
}) {
  const kinds = useKinds();
  const [found, setFound] = useState<readonly Contradiction[]>([]);
  const { rules = [] } = definition;
  useEffect(() => {
    const timer = setTimeout(() => setFound(contradictionsIn(rules, compiled, kinds, today)), pause);
    return () => clearTimeout(timer);
  }, [rules, compiled, kinds, today]);
  const { limits } = definitionIn(kinds, definition);
  const wordsOf = (id: string): string => {
    const rule = rules.find((one) => one.id === id);
    return rule ? ruleInWords(rule.check, compiled, limits) : id;
  };
  return (
    // At the lower edge of the window while an open editor reaches below it; it moves nothing above.
    <div
      role="status"
      aria-label={words.contradictionsAmongTheRules}
      className="sticky bottom-0 z-10 bg-paper"
    >
      {found.length > 0 && (
        <ul className="border-t border-rule py-1">
          {found.map(({ rules: ids, message }) => (
            <li key={ids.join(' ') + message} className="py-1 pl-6 text-brick">
              {ids.map((id) => `“${wordsOf(id)}”`).join(words.andJoint)}: {message}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
