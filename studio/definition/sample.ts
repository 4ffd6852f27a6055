import { compileField } from '../../engine/compile/compile.ts';
import type { FieldDocument, SetDocument } from '../../engine/compile/document.ts';
import { codeOf } from '../../engine/plans/plans.ts';
import type { BoxesPlan } from '../../engine/run/boxes.ts';
import { kindOf } from '../../engine/run/kind.ts';
import type { LineBody } from '../../engine/run/line.ts';
import type { NumberPlan } from '../../engine/run/number.ts';
import type { PartsBody, PartsPlan } from '../../engine/run/parts.ts';
import type { PhoneFormat } from '../../engine/run/phone.ts';
import type { CompiledField } from '../../engine/run/plan.ts';
import { apply, start } from '../../engine/run/state.ts';

/** A piece of the specimen: what it shows, and which part of the definition a click on it opens. */
export interface Piece {
  readonly id: string;
  readonly part: string;
  readonly text: string;
  readonly caption: string;
  /** Shown although the field does not have it as it stands: a place to switch it on. */
  readonly isOff?: boolean;
  /** Stands beside the text and is no part of it: a region, a control, a limit. */
  readonly isAside?: boolean;
  /** Belongs to the value, not to the signs around it. */
  readonly isValue?: boolean;
}

type Facts = Pick<SetDocument, 'locale' | 'classes'>;

/** A finished text of the field, in pieces. The text as it rests is one of them where it is another. */
export function sampleOf(field: FieldDocument, set: Facts): readonly Piece[] {
  const compiled = compileField({ ...field, rules: [] } as FieldDocument, set);
  const { plan } = compiled;
  switch (plan.kind) {
    case 'number':
    case 'currency':
    case 'percent':
      return numberPieces(compiled, plan);
    case 'date':
    case 'time':
    case 'duration':
      return partPieces(compiled, plan);
    case 'phone':
      return phonePieces(compiled, plan.home, plan.extension);
    case 'pin':
    case 'one-time-code':
      return boxPieces(plan);
    case 'text':
      return textPieces(field as FieldDocument<'text'>);
    case 'pattern':
      return [];
  }
}

function numberPieces(compiled: CompiledField, plan: NumberPlan): readonly Piece[] {
  const decimals = '56789'.repeat(20).slice(0, Math.max(plan.least, Math.min(plan.most, 2)));
  const number = `1234${decimals ? `.${decimals}` : ''}`;
  const { body } = apply(compiled, start(compiled), { type: 'set', text: number });
  const { display, from, to } = body as LineBody;
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
    add(
      'group',
      plan.group === ' ' || plan.group === '\u00a0' || plan.group === '\u202f' ? '⎵' : plan.group,
      'groups',
    );
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

const sampleText = { date: '2027-02-14', time: '14:30:45', duration: '90' } as const;
const partNames: Readonly<Record<string, string>> = {
  day: 'day', month: 'month', year: 'year', hour: 'hours', minute: 'minutes', second: 'seconds', period: 'half',
}; // biome-ignore format: a table

function partPieces(compiled: CompiledField, plan: PartsPlan): readonly Piece[] {
  const kind = plan.kind as keyof typeof sampleText;
  const filled = [{ type: 'set', text: sampleText[kind] }, { type: 'focus' }, { type: 'leave' }] as const;
  const rested = filled.reduce((state, event) => apply(compiled, state, event), start(compiled));
  const { body } = apply(compiled, rested, { type: 'focus' });
  const { display, texts, at } = body as PartsBody;
  const pieces: Piece[] = [];
  let from = 0;
  const fixed = (end: number) => {
    const text = display.slice(from, end);
    if (text)
      pieces.push({
        id: `fixed-${pieces.length}`,
        part: kind === 'duration' ? 'units' : 'separator',
        text,
        caption: kind === 'duration' ? 'unit' : '·',
      });
  };
  for (const [i, { name }] of plan.parts.entries()) {
    fixed(at[i]!);
    const end = at[i]! + texts[i]!.length;
    pieces.push({
      id: name,
      part: kind === 'duration' ? 'units' : name,
      text: display.slice(at[i]!, end) || '0',
      caption: partNames[name] ?? name,
      isValue: true,
    });
    from = end;
  }
  fixed(display.length);
  if (kind === 'date')
    pieces.push({
      id: 'resting',
      part: 'resting',
      text: rested.body.display,
      caption: 'at rest',
      isAside: true,
    });
  if (kind === 'time' && !plan.parts.some(({ name }) => name === 'second'))
    pieces.push({ id: 'second', part: 'second', text: ':45', caption: 'seconds', isOff: true });
  return pieces;
}

/** Numbers kept for fiction by the regulators, without trunk prefix. Elsewhere a shape is filled with fives. */
const fictional: Readonly<Record<string, string>> = {
  GB: '7700900123',
  US: '2015550123',
  CA: '4165550123',
  FR: '639980010',
  AU: '491570006',
};

function phonePieces(compiled: CompiledField, home: string, hasExtension: boolean): readonly Piece[] {
  const { plan } = compiled;
  if (plan.kind !== 'phone') return [];
  const { formats } = plan.plans[home]!;
  const isWanted = ({ type }: PhoneFormat) =>
    plan.types.length === 0 || type === 'either' || plan.types.includes(type as 'mobile');
  const format = formats.find(isWanted) ?? formats[0]!;
  const lead = format.starts[0]!.replace(/\[(.)[^\]]*\]/g, '$1').replaceAll('?', '5');
  const given = fictional[home];
  const isGiven = given !== undefined && !(plan.types.length === 1 && plan.types[0] === 'fixed');
  const digits = isGiven ? given : (lead + '5550123456'.repeat(2)).slice(0, format.min);
  const { body } = apply(compiled, start(compiled), { type: 'set', text: `+${codeOf(home)!.code}${digits}` });
  const pieces: Piece[] = [{ id: 'region', part: 'region', text: home, caption: 'region', isAside: true }];
  for (const [i, text] of (body.display.match(/[+\d]+|[^+\d]+/g) ?? []).entries()) {
    const isDigits = /\d/.test(text);
    const isLead = i === 0 && isDigits;
    pieces.push({
      id: `n${i}`,
      part: isLead ? 'style' : 'number',
      text,
      caption: isLead ? (text.startsWith('+') ? 'code' : 'first') : isDigits ? 'digits' : '·',
      isValue: isDigits,
    });
  }
  pieces.push({ id: 'ext', part: 'extension', text: 'ext. 12', caption: 'extension', isOff: !hasExtension });
  return pieces;
}

function boxPieces({ length, groups, conceal, accept, kind }: BoxesPlan): readonly Piece[] {
  const sample = accept === 'digit' ? '481516234208' : 'K7M2P9X4T6QD';
  const pieces: Piece[] = [];
  let at = 0;
  for (const [group, size] of groups.entries()) {
    if (group > 0) pieces.push({ id: `gap-${group}`, part: 'groups', text: '⎵', caption: 'gap' });
    for (let i = 0; i < size; i++, at++)
      pieces.push({
        id: `box-${at}`,
        part: 'box',
        text: conceal ? '•' : sample[at]!,
        caption: accept === 'digit' ? '0-9' : 'a/9',
        isValue: true,
      });
  }
  if (kind === 'pin')
    pieces.push({
      id: 'conceal',
      part: 'conceal',
      isAside: true,
      text: conceal ? 'Reveal' : 'Conceal',
      caption: 'concealed',
      isOff: !conceal,
    });
  else if (groups.length === 1 && length > 3)
    pieces.push({ id: 'gap', part: 'groups', text: '⎵', caption: 'groups', isOff: true });
  return pieces;
}

function textPieces({ entry }: FieldDocument<'text'>): readonly Piece[] {
  const said = 'Two Vegetarians';
  const cased =
    entry.case === 'upper' ? said.toUpperCase() : entry.case === 'lower' ? said.toLowerCase() : said;
  return [
    { id: 'trim', part: 'blanks', isAside: true, text: '⎵', caption: 'ends', isOff: entry.trim !== false },
    { id: 'text', part: 'text', text: cased, caption: 'case', isValue: true },
    { id: 'collapse', part: 'blanks', isAside: true, text: entry.collapse ? '⎵' : '⎵⎵', caption: 'blanks' },
    {
      id: 'max',
      part: 'max',
      isAside: true,
      text: entry.max ? `${entry.max}` : '∞',
      caption: 'at most',
      isOff: !entry.max,
    },
  ];
}

/** The specimen as one line of text, for showing what a choice would make of it. */
export const sampleLine = (pieces: readonly Piece[]): string =>
  pieces
    .filter((piece) => !piece.isOff && !piece.isAside)
    .map((piece) => piece.text)
    .join('');

/** How a field shows a raw value at rest. */
export function shownAt(compiled: CompiledField, raw: string): string {
  const { body } = kindOf(compiled).read(compiled.plan, raw);
  return (kindOf(compiled).rest?.(compiled.plan, body) ?? body).display;
}
