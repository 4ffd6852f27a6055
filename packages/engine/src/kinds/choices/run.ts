import type { Kind } from '../../field/kind.ts';
import type { TextState } from '../../field/text-state.ts';
import type { Offer } from '../../options/option.ts';
import { passed } from '../../rules/finding.ts';
import { made } from '../../values/made.ts';
import { picking, pickNamed } from '../editing/picking.ts';
import { separatorOf } from './separator.ts';

/** Any of several options. */
export interface ChoicesPlan {
  readonly kind: 'choices';
  readonly options: readonly Offer[];
  readonly draw: 'tick';
  /** Fewest and most options that can be picked. */
  readonly least: number;
  readonly most: number;
}

/** Separator of labels. */
const between = '; ';

/** The text state of picked options, in the order of the options. */
function bodyOf({ options, least }: ChoicesPlan, values: ReadonlySet<string>): TextState {
  const chosen = options.filter(({ value }) => values.has(value));
  return {
    content: chosen.map(({ value }) => value).join(separatorOf(options)),
    display: chosen.map(({ label }) => label).join(between),
    complete: chosen.length >= Math.max(1, least),
  };
}

const valuesOf = ({ options }: ChoicesPlan, { content }: TextState): Set<string> =>
  new Set(content.split(separatorOf(options)).filter(Boolean));

/**
 * The options a text names, each with the text that names it: values as in raw, or labels separated by
 * semicolons.
 */
function named(
  { options }: ChoicesPlan,
  text: string,
): readonly { words: string; value: string | undefined }[] {
  const known = new Set(options.map(({ value }) => value));
  const isWords = separatorOf(options) === ' ';
  const tokens = isWords ? text.trim().split(/\s+/u) : text.split('\n').map((line) => line.trim());
  if (tokens.every((token) => known.has(token)))
    return tokens.map((token) => ({ words: token, value: token }));
  return text.split(/[;\n]/).flatMap((piece) => {
    const whole = pickNamed(options, piece);
    if (whole) return [{ words: piece, value: whole.value }];
    return piece.split(/[\s,]+/u).map((words) => ({ words, value: pickNamed(options, words)?.value }));
  });
}

/** Content and raw are the picked values, the display their labels, in the order of the options. */
export const choices: Kind<ChoicesPlan, TextState> = /*#__PURE__*/ made(
  (): Kind<ChoicesPlan, TextState> => ({
    control: 'picks',
    separator: ({ options }) => separatorOf(options),
    // All its labels, one after the other, and blanks between them.
    extraLength: ({ options }) =>
      options.reduce((sum, { value, label }) => sum + value.length + label.length, 0),
    ...picking<ChoicesPlan, TextState>({
      empty: (plan) => bodyOf(plan, new Set()),
      raw: (_, { content }) => content,
      value: (_, { content, complete }) => (complete ? content : null),
      named(plan, text, beside) {
        const values = beside ? valuesOf(plan, beside) : new Set<string>();
        let leftOut = '';
        let isNamed = false;
        for (const { words, value } of named(plan, text)) {
          isNamed ||= value !== undefined;
          if (value !== undefined && (values.has(value) || values.size < plan.most)) values.add(value);
          else leftOut += words.replace(/[^\p{L}\p{N}]/gu, '');
        }
        return isNamed ? { body: bodyOf(plan, values), leftOut } : null;
      },
      without(plan, body, start, end) {
        const values = valuesOf(plan, body);
        let at = 0;
        for (const { value, label } of plan.options) {
          if (!values.has(value)) continue;
          if (start < at + label.length && end > at) values.delete(value);
          at += label.length + between.length;
        }
        return bodyOf(plan, values);
      },
      hasRoom: (plan, body) => valuesOf(plan, body).size < plan.most,
    }),
    validate(plan, body, check) {
      if (check.type !== 'complete') return undefined;
      const data = { min: String(plan.least), max: String(plan.most) };
      return body.complete ? passed : { verdict: 'open', code: 'incomplete', data };
    },
  }),
);
