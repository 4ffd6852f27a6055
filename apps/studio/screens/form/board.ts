import type { Evaluation, FieldState } from '@arbeit/engine/field';
import { evaluateInForm, type FormState, fieldOf, type HydratedForm, withField } from '@arbeit/engine/form';
import type { Rule } from '@arbeit/engine/rules';
import * as words from '../../words/form/board.ts';

/** The times at which messages may show, in order. */
export const moments = { typing: words.whileTyping, leaving: words.onBlur, sending: words.onSubmit } as const;
export type ShowOn = keyof typeof moments;

/** A rule that fails but whose message does not show at a time, and why not. */
export interface Quiet {
  readonly rule: string;
  readonly why: string;
}

/** What shows at one field at one time for the current values. */
export interface Seen {
  readonly shown: Evaluation['shown'];
  readonly quiet: readonly Quiet[];
}

/** One line of the board: a field, and what shows at it at each time. */
export interface BoardRow {
  readonly field: string;
  readonly label: string;
  readonly seen: Readonly<Record<ShowOn, Seen>>;
}

/** The flags of a field at each time. */
const at: Readonly<Record<ShowOn, Partial<FieldState>>> = {
  typing: { focused: true, touched: false, submitted: false },
  leaving: { focused: false, touched: true, submitted: false },
  sending: { focused: false, touched: true, submitted: true },
};

/**
 * For the current values, what would show at each active field: while it is typed into for the first time,
 * after it was blurred (like all others), and after the form was submitted; and the failing rules that do not
 * show, with the reason.
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
  if (code === 'unanswered') return words.waitingForTheServer;
  if (show === 'submit' && moment !== 'sending') return words.shownOnSubmit;
  if (show === 'leave' && moment === 'typing') return words.shownOnBlur;
  if (show === 'at-once' && verdict === 'open' && moment !== 'sending') return words.stillOpen;
  return first === undefined ? words.notShownYet : words.hiddenBy(first);
}
