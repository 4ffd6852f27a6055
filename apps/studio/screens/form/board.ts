import type { Evaluation, FieldState } from '@arbeit/engine/field';
import { evaluateInForm, type FormState, fieldOf, type HydratedForm, withField } from '@arbeit/engine/form';
import type { Rule } from '@arbeit/engine/rules';

/** The moments at which messages may be seen, in the order in which they come. */
export const moments = { typing: 'while typing', leaving: 'on leaving', sending: 'on sending' } as const;
export type ShowOn = keyof typeof moments;

/** A rule that has something against the value and is not heard at a moment, and why not. */
export interface Quiet {
  readonly rule: string;
  readonly why: string;
}

/** What is seen at one field at one moment for the present values. */
export interface Seen {
  readonly shown: Evaluation['shown'];
  readonly quiet: readonly Quiet[];
}

/** One line of the board: a field, and what is seen of it at each moment. */
export interface BoardRow {
  readonly field: string;
  readonly label: string;
  readonly seen: Readonly<Record<ShowOn, Seen>>;
}

/** How a field is at each moment. */
const at: Readonly<Record<ShowOn, Partial<FieldState>>> = {
  typing: { focused: true, touched: false, submitted: false },
  leaving: { focused: false, touched: true, submitted: false },
  sending: { focused: false, touched: true, submitted: true },
};

/**
 * For the present values, what would be seen at each field that counts: while it is typed into for the first
 * time, once it was left (as all others were), and once the form was sent. With what is not heard, and why.
 */
export function boardOf(form: HydratedForm, state: FormState, today: string): readonly BoardRow[] {
  let left = state;
  for (const { id } of form.fields)
    left = withField(form, left, id, { ...fieldOf(form, state, id).state, touched: true, refused: null });
  return form.fields.flatMap(({ id, label }) => {
    if (!evaluateInForm(form, state, id, today).counts) return [];
    const own = fieldOf(form, left, id).state;
    const seenAt = (moment: ShowOn): Seen => {
      const then = withField(form, left, id, { ...own, ...at[moment] });
      return seen(form, id, evaluateInForm(form, then, id, today), moment);
    };
    return [
      {
        field: id,
        label,
        seen: { typing: seenAt('typing'), leaving: seenAt('leaving'), sending: seenAt('sending') },
      },
    ];
  });
}

function seen(form: HydratedForm, id: string, { findings, shown }: Evaluation, moment: ShowOn): Seen {
  const rules: readonly Rule[] = [
    ...(form.fields[form.places.get(id) ?? 0]?.rules ?? []),
    ...(form.rulesAt.get(id) ?? []),
  ];
  const quiet = rules.flatMap((rule, i): readonly Quiet[] => {
    const finding = findings[i];
    if (!finding || finding.verdict === 'pass' || shown.some((one) => one.rule === rule.id)) return [];
    return [{ rule: rule.id, why: whyQuiet(rule, finding.code, finding.verdict, moment, shown[0]?.rule) }];
  });
  return { shown, quiet };
}

function whyQuiet(
  { show }: Rule,
  code: string,
  verdict: 'open' | 'fail',
  moment: ShowOn,
  first: string | undefined,
): string {
  if (code === 'unanswered') return 'waits for an answer';
  if (show === 'submit' && moment !== 'sending') return 'speaks on sending';
  if (show === 'leave' && moment === 'typing') return 'speaks on leaving';
  if (show === 'at-once' && verdict === 'open' && moment !== 'sending')
    return 'still open: it could yet come right';
  return first === undefined ? 'has nothing to say yet' : `“${first}” is heard first`;
}
