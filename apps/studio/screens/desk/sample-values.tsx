'use client';

import type { RuleDocument } from '@arbeit/engine/document';
import { type HydratedField, sampleVerdict } from '@arbeit/engine/field';
import { useAnswers } from '../../field/custom-code/use-custom-code.ts';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import * as words from '../../words/desk/sample-values.tsx';

type Side = 'pass' | 'fail';

/**
 * Values stored with a rule, each with the rule's current verdict. A verdict other than the expected one is
 * marked.
 */
export function SampleValues({
  compiled,
  rule,
  present,
  today,
  onChange,
}: {
  readonly compiled: HydratedField;
  readonly rule: RuleDocument;
  /** The current raw value. */
  readonly present: string;
  readonly today: string;
  readonly onChange: (rule: RuleDocument) => void;
}) {
  const { samples = {} } = rule;
  const isCode = rule.check.type === 'custom';
  useAnswers(isCode);
  const put = (side: Side, values: readonly string[]) => {
    const { [side]: _, ...others } = samples;
    const next = values.length ? { ...samples, [side]: values } : others;
    const { samples: __, ...bare } = rule;
    onChange(Object.keys(next).length ? { ...rule, samples: next } : bare);
  };
  const all = (['pass', 'fail'] as const).flatMap((side) =>
    (samples[side] ?? []).map((value) => ({ side, value })),
  );
  return (
    <fieldset>
      <legend className="caption">{words.testValues}</legend>
      <ul>
        {all.map(({ side, value }) => {
          const { finding, isRead } = sampleVerdict(compiled, rule.id, value, today);
          const isAsMeant = isRead && (finding.verdict === 'pass') === (side === 'pass');
          const isUnknown = finding.code === 'unanswered';
          return (
            <li
              key={`${side} ${value}`}
              className="flex flex-wrap items-baseline gap-x-3"
              data-disagrees={!isAsMeant && !isUnknown ? '' : undefined}
            >
              <VerdictIcon verdict={finding.verdict} />
              <span className="value min-w-0 wrap-anywhere">{value || words.emptyWord}</span>
              <span className={isAsMeant || isUnknown ? 'caption' : 'text-brick'}>
                {!isRead
                  ? words.cannotBeTypedInto
                  : isUnknown
                    ? words.noAnswerYet
                    : isAsMeant
                      ? words.asExpected[side]
                      : words.unexpected[side]}
              </span>
              <button
                type="button"
                className="word-button ml-auto"
                aria-label={words.removeTestValue(value || words.emptyValue)}
                onClick={() =>
                  put(
                    side,
                    (samples[side] ?? []).filter((one) => one !== value),
                  )
                }
              >
                {' '}
                {words.remove}{' '}
              </button>
            </li>
          );
        })}
      </ul>
      <p className="flex flex-wrap gap-x-4">
        {(['pass', 'fail'] as const).map((side) => (
          <button
            key={side}
            type="button"
            className="word-button"
            onClick={() => {
              if (!(samples[side] ?? []).includes(present)) put(side, [...(samples[side] ?? []), present]);
            }}
          >
            {words.addAsAValue[side](
              present ? <span className="value">{present}</span> : words.theEmptyField,
            )}
          </button>
        ))}
      </p>
    </fieldset>
  );
}
