'use client';

import type { RuleDocument } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import { useMemo } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { ruleExamples } from '../../model/rule-examples.ts';
import { finishedText } from '../../model/sample.ts';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import * as words from '../../words/desk/rule-readings.ts';

/** The messages of a rule as somebody will read them: at its limit and next to it. */
export function RuleReadings({
  compiled,
  rule,
  today,
}: {
  readonly compiled: HydratedField;
  readonly rule: RuleDocument;
  /** The current date, ISO 8601. */
  readonly today: string;
}) {
  const kinds = useKinds();
  const examples = useMemo(
    () => ruleExamples(compiled, rule, finishedText(compiled, kinds), today),
    [compiled, rule, kinds, today],
  );
  if (examples.length === 0) return null;
  return (
    <table className="readings">
      <caption className="caption">{words.asItWillRead}</caption>
      <tbody>
        {examples.map(({ display, verdict, message }) => (
          <tr key={display}>
            <th scope="row" className="value">
              {display || words.emptyField}
            </th>
            <td>
              <VerdictIcon verdict={verdict} />
            </td>
            <td>{message}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
