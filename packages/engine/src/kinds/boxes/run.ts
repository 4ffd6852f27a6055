import type { Kind } from '../../field/kind.ts';
import { fold } from '../../values/graphemes.ts';
import { made } from '../../values/made.ts';
import { type Cleaned, type LineBody, lineKind } from '../editing/line.ts';

/** A PIN or a one-time code: one character per box, drawn over one real input. */
export interface BoxesPlan {
  readonly kind: 'pin' | 'one-time-code';
  readonly length: number;
  readonly accept: 'digit' | 'alnum';
  /** Sizes of the groups of boxes; they add up to `length`. */
  readonly groups: readonly number[];
  /** Whether it is concealed, with a control that reveals. */
  readonly conceal: boolean;
}

const bodies = new WeakMap<BoxesPlan, LineBody>();

function lay(plan: BoxesPlan, content: string): LineBody {
  let body = content ? undefined : bodies.get(plan);
  if (!body) {
    const { length } = content;
    body = {
      content,
      display: content,
      complete: length === plan.length,
      from: 0,
      to: length,
      skip: 0,
      head: -1,
    };
    if (!content) bodies.set(plan, body);
  }
  return body;
}

const accepts = (plan: BoxesPlan, c: string): boolean =>
  plan.accept === 'digit' ? /^[0-9]$/.test(c) : /^[0-9a-z]$/i.test(c);

/**
 * Returns the part of a pasted text that is the code. An origin-bound one-time code (`@host #123456`, its
 * last line) names it; a text of only the code and separators is the code; in a longer message it is the only
 * run of the right length, digits before letters.
 */
function clean(plan: BoxesPlan, text: string): Cleaned {
  const folded = [...text].map(fold).join('');
  const bound = /(?:^|\s)@[^\s#]+ #([0-9A-Za-z]+)/.exec(folded)?.[1];
  const bare = folded.replace(/[\s\p{P}]/gu, '');
  if (bound?.length !== plan.length && bare.length <= plan.length) return { text: bare, leftOut: '' };
  const found = bound?.length === plan.length ? [bound] : runs(plan, folded);
  if (found.length !== 1) return { text: bare, leftOut: '' };
  const rest = folded.replace(found[0]!, '').replace(/[^\p{L}\p{N}\p{So}]/gu, '');
  return { text: found[0]!.replace(/[^0-9A-Za-z]/g, ''), leftOut: rest, assumed: 'code' };
}

/** Runs of the right length, with separators inside allowed, each once. */
function runs(plan: BoxesPlan, text: string): string[] {
  const set = plan.accept === 'digit' ? '0-9' : '0-9A-Za-z';
  const one = new RegExp(
    `(?<![0-9A-Za-z])[${set}](?:[-. ]?[${set}]){${plan.length - 1}}(?![0-9A-Za-z])`,
    'g',
  );
  const plain = new RegExp(`(?<![0-9A-Za-z])[${set}]{${plan.length}}(?![0-9A-Za-z])`, 'g');
  const all = [...new Set(text.match(plain) ?? text.match(one) ?? [])];
  const withDigits = all.filter((run) => /[0-9]/.test(run));
  return withDigits.length ? withDigits : all;
}

const editing = /*#__PURE__*/ lineKind<BoxesPlan, LineBody>({
  lay,
  is: () => true,
  insertCharacter(plan, content, at, character) {
    const c = fold(character);
    if (!accepts(plan, c)) return 'not-accepted';
    if (content.length >= plan.length) return 'full';
    return { content: content.slice(0, at) + c + content.slice(at), at: at + 1 };
  },
  clean,
});

/** The kinds `pin` and `one-time-code`. */
export const boxes: Kind<BoxesPlan, LineBody> = /*#__PURE__*/ made(
  (): Kind<BoxesPlan, LineBody> => ({
    control: 'boxes',
    ...editing,
    raw: (_, body) => body.content,
    value: (_, body) => (body.complete ? body.content : null),
    hasRoom: (_, body) => !body.complete,
    parse: (plan, text) => editing.insert(plan, lay(plan, ''), 0, 0, text),
  }),
);
