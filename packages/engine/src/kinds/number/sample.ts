import { apply, start } from '../../field/apply.ts';
import type { HydratedField } from '../../field/kind.ts';
import type { Piece, SpecimenRenderer } from '../contract/specimen-renderer.ts';
import type { LineBody } from '../editing/line.ts';
import type { NumberPlan } from './plan.ts';

function sample(field: HydratedField<NumberPlan, LineBody>): readonly Piece[] {
  const { plan } = field;
  const decimals = '56789'.repeat(20).slice(0, Math.max(plan.least, Math.min(plan.most, 2)));
  const number = `1234${decimals ? `.${decimals}` : ''}`;
  const { body } = apply(field, start(field), { type: 'set', text: number });
  const { display, from, to } = body;
  const inner = display.slice(from, to);
  const point = decimals ? inner.lastIndexOf(plan.decimal) : -1;
  const whole = point < 0 ? inner : inner.slice(0, point);
  const group = whole.indexOf(plan.group);
  const pieces: Piece[] = [];
  const add = (part: string, text: string, caption: string, more: Partial<Piece> = {}) => {
    if (text) pieces.push({ id: `${part}-${pieces.length}`, part, text, caption, ...more });
  };
  const isMoney = plan.kind === 'currency';
  const prefix = display.slice(0, from);
  const suffix = display.slice(to);
  const outside = (text: string) =>
    isMoney
      ? add('sign', text, 'currency')
      : add(plan.kind === 'number' ? 'unit' : 'digits', text, plan.kind === 'number' ? 'unit' : 'percent');
  add('minus', plan.negative === 'parentheses' ? '(' : '−', 'negative', { isOff: plan.negative === 'no' });
  outside(prefix);
  if (isMoney && !prefix.trim() && !suffix.trim()) add('sign', '¤', 'currency', { isOff: true });
  if (group > 0) {
    add('digits', whole.slice(0, group), 'digits', { isValue: true });
    add('group', plan.group, 'groups');
    add('digits', whole.slice(group + 1), 'digits', { isValue: true });
  } else {
    add('digits', whole, 'digits', { isValue: true });
    add('group', plan.group.trim() || '⎵', 'groups', { isOff: true });
  }
  if (point >= 0) {
    add('decimals', plan.decimal, 'point');
    add('decimals', inner.slice(point + 1), 'decimals', { isValue: true });
  } else add('decimals', `${plan.decimal}0`, 'decimals', { isOff: true });
  outside(suffix);
  if (plan.kind === 'number' && !suffix && !prefix) add('unit', 'kg', 'unit', { isOff: true });
  return pieces;
}

const digit = /^\p{Nd}$/u;

export const drawing: SpecimenRenderer<NumberPlan, LineBody> = {
  sample,
  isUsers: (plan, body) => {
    // Filler zeros are not content: a right fill begins with them, a resting text ends with them.
    let padding = body.skip;
    let left = body.content.replace('-', '').length;
    return (character, offset) => {
      if (offset === body.head) return true;
      if (offset < body.from || offset >= body.to) return false;
      const isPoint = character === plan.decimal && plan.fill === 'left';
      if (!digit.test(character) && !isPoint) return false;
      if (padding-- > 0) return false;
      return left-- > 0;
    };
  },
  other: ({ fill }) =>
    fill === 'right'
      ? { entry: { fill: 'left' }, label: 'filled from the left' }
      : { entry: { fill: 'right' }, label: 'filled from the right' },
};
