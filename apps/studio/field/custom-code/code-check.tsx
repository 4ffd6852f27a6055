'use client';

import type { CheckDocument } from '@arbeit/engine/document';
import { problemWithCheck } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Definition } from '@arbeit/engine/kinds';
import type { CodeOutcome } from '@arbeit/engine/rules';
import { useMemo } from 'react';
import * as words from '../../words/custom-code/code-check.ts';
import { CodeEditor, type Mistake, type Offer } from './code-editor.tsx';
import { runnerInPage, useAnswers } from './use-custom-code.ts';
import { useCodeDraft } from './use-draft.ts';

/** A kind without restrictions. */
const anyKind: Definition = { name: 'field', options: {}, plan: () => ({ kind: '' }) };

type Custom = Extract<CheckDocument, { type: 'custom' }>;

/** The arguments of every check; values of other fields are added by name. */
const given: readonly Offer[] = [
  { label: 'value', detail: words.theTypedValue },
  { label: 'raw', detail: words.theRawValue },
  { label: 'values', detail: words.typedValuesOfTheFields },
  { label: 'today', detail: words.dayInIso },
  { label: 'code', detail: words.returnLabel },
  { label: 'data', detail: words.returnLabelBy },
  { label: 'facts', detail: words.returnLabelInText },
  { label: 'open', detail: words.returnOpen },
];

/**
 * Editor of a custom check that runs it on the sample of the field while it is written. Code that cannot be
 * saved stays in the editor with its problem.
 */
export function CodeCheck({
  compiled,
  check,
  onChange,
}: {
  readonly compiled: HydratedField;
  readonly check: Custom;
  readonly onChange: (check: CheckDocument) => void;
}) {
  const [draft, setDraft] = useCodeDraft(check.code);
  const problem = problemWithCheck(anyKind, { ...check, code: draft })[0];
  const outcome = useTried(compiled, draft);
  const mistakes = useMemo<readonly Mistake[]>(() => {
    if (!outcome || !('broken' in outcome)) return [];
    return [{ line: outcome.line ?? 1, message: outcome.broken }];
  }, [outcome]);
  const offers = useMemo(
    () => [
      ...given,
      ...(check.with ?? []).map((name) => ({ label: `values.${name}`, detail: words.aTypedValueOrNull })),
    ],
    [check.with],
  );
  return (
    <div className="w-full space-y-1">
      <CodeEditor
        label={words.codeOfTheCheck}
        code={draft}
        offers={offers}
        mistakes={mistakes}
        onChange={(code) => {
          setDraft(code);
          if (code !== check.code && problemWithCheck(anyKind, { ...check, code }).length === 0)
            onChange({ ...check, code });
        }}
      />
      <p role="status" className="min-h-6 text-sm">
        {problem ? (
          <span className="text-brick">{words.notSaved(problem)}</span>
        ) : outcome === undefined ? (
          <span className="text-faint">{words.running}</span>
        ) : 'undecided' in outcome ? (
          <span className="text-marigold">{outcome.undecided}</span>
        ) : 'broken' in outcome ? (
          <span className="text-brick">
            {outcome.line === undefined ? '' : words.line(outcome.line)}
            {outcome.broken}
          </span>
        ) : (
          <span className="text-faint">
            {words.resultForTheSample}{' '}
            {outcome.answer === undefined || outcome.answer === null ? (
              words.passes
            ) : (
              <code className="value">{JSON.stringify(outcome.answer)}</code>
            )}
          </span>
        )}
      </p>
    </div>
  );
}

/** The result of the code for the field's placeholder or, without one, an empty text. */
function useTried(compiled: HydratedField, code: string): CodeOutcome | undefined {
  const { check } = runnerInPage();
  const { kind, plan } = compiled;
  const { body } = kind.parse(plan, compiled.placeholder);
  const input = { value: kind.value(plan, body) ?? '', raw: kind.raw(plan, body), values: {}, today: '' };
  useAnswers(true);
  return check(code, input);
}
