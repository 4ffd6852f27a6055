import type { DocumentFault } from '../faults/document-fault.ts';
import { nearest } from '../faults/fault.ts';
import { most } from '../faults/limits.ts';
import { list, nameOf, readId, Spot } from '../faults/spot.ts';
import type { Definition, Limits } from '../kinds/contract/definition.ts';
import { parseExpression } from '../rules/expression.ts';
import type { Comparison } from '../rules/rule.ts';
import { pluralCategories } from '../rules/wording.ts';
import type { CheckDocument } from './document.ts';

const checks = {
  required: [[], []],
  complete: [[], []],
  length: [['min', 'max'], []],
  matches: [['pattern', 'flags'], ['pattern']],
  in: [['values'], ['values']],
  'not-in': [['values'], ['values']],
  checksum: [['scheme', 'rotate'], ['scheme']],
  range: [['min', 'max', 'step'], []],
  'not-trivial': [[], []],
  compare: [
    ['op', 'field', 'days'],
    ['op', 'field'],
  ],
  custom: [['code', 'with'], ['code']],
  remote: [['ask', 'timeout', 'on', 'with'], ['ask']],
} as const;

/** Every check, by its type. */
export const checkTypes = Object.keys(checks) as readonly (keyof typeof checks)[];

/** The rules of a field of that kind. */
export function readRules(at: Spot, kind: Definition | undefined): void {
  const ids = new Set<string>();
  for (const rule of at.items(most.rules)) {
    if (!rule.object(ruleKeys, ['id', 'check'])) continue;
    if (rule.has('id')) readId(rule.get('id'), ids);
    readRule(rule, kind);
  }
}

const ruleKeys = ['id', 'check', 'say', 'code', 'show', 'severity', 'when', 'refused', 'samples'];

/** The rules of a form; `fields` tells of each field, by its id, what kind it is. */
export function readFormRules(at: Spot, fields: ReadonlyMap<unknown, Definition | undefined>): void {
  const ids = new Set<string>();
  for (const rule of at.items(most.rules)) {
    if (!rule.object([...ruleKeys, 'field'], ['id', 'field', 'check'])) continue;
    if (rule.has('id')) readId(rule.get('id'), ids);
    if (rule.has('field')) rule.get('field').string();
    readRule(rule, fields.get(rule.get('field').value));
  }
}

/** What a rule is beside its id. */
function readRule(rule: Spot, kind: Definition | undefined): void {
  if (rule.has('code') && !/^[a-z][\w-]*$/i.test(rule.get('code').string() ?? 'x'))
    rule.get('code').fault('A code is one word of letters, digits, "-" and "_".');
  if (rule.has('show')) rule.get('show').oneOf(['at-once', 'leave', 'submit']);
  if (rule.has('severity')) rule.get('severity').oneOf(['error', 'warning']);
  if (rule.has('refused')) rule.get('refused').oneOf(['keep', 'clear']);
  if (rule.has('samples')) readSamples(rule.get('samples'));
  if (rule.has('when')) readCondition(rule.get('when'));
  if (rule.has('check')) readCheck(rule.get('check'), kind);
  if (rule.has('say')) readMessage(rule.get('say'), typeOf(rule.get('check').value), kind);
}

/** What a message of each check may name in `{…}`, beside the label. */
const dataOf: Readonly<Record<keyof typeof checks, readonly string[]>> = {
  required: [],
  complete: [],
  length: ['min', 'max', 'length'],
  matches: [],
  in: ['allowed'],
  'not-in': ['value'],
  checksum: [],
  range: ['min', 'max', 'step'],
  'not-trivial': ['value'],
  compare: ['value', 'other', 'other-label', 'days'],
  // What the code and the server bring, only they know.
  custom: [],
  remote: [],
};

const bringsItsOwn: readonly (keyof typeof checks)[] = ['custom', 'remote'];

function readSamples(at: Spot): void {
  if (!at.object(['pass', 'fail'], [])) return;
  for (const key of ['pass', 'fail'])
    if (at.has(key)) for (const value of at.get(key).items()) value.string();
}

/** The form of a condition; which fields there are is looked at once all are known. */
export function readCondition(at: Spot): void {
  const kinds = ['field', 'all', 'any', 'not'];
  if (!at.object([...kinds, 'is'], [])) return;
  const given = kinds.filter((key) => at.has(key));
  if (given.length !== 1) {
    at.fault('A condition is one of "field" with "is", "all", "any" and "not".');
    return;
  }
  if (at.has('is') !== at.has('field'))
    at.fault(at.has('is') ? '"is" goes with "field".' : '"is" is missing: what the field is to hold.');
  if (at.has('field')) at.get('field').string();
  if (at.has('not')) readCondition(at.get('not'));
  for (const key of ['all', 'any']) {
    const all = at.has(key) ? at.get(key) : undefined;
    for (const one of all?.items(most.conditions) ?? []) readCondition(one);
    if (all?.isEmpty) all.fault('Expected at least one condition.');
  }
  if (!at.has('is')) return;
  const is = at.get('is');
  const values = Array.isArray(is.value) ? is.items() : [is];
  if (is.isEmpty) is.fault('Expected at least one value.');
  for (const one of values)
    if (typeof one.value === 'string') one.string();
    else if (one.value !== null && !['number', 'boolean'].includes(typeof one.value))
      one.fault(`Expected a value, true, false or null, found ${nameOf(one.value)}.`);
}

const typeOf = (check: unknown): keyof typeof checks | undefined => {
  const type = (check as { type?: unknown } | null | undefined)?.type;
  return typeof type === 'string' && Object.hasOwn(checks, type) ? (type as keyof typeof checks) : undefined;
};

/** A message of a check of a field of that kind, or any text in forms. */
export function readMessage(
  at: Spot,
  type: keyof typeof checks | undefined,
  kind: Definition | undefined,
): void {
  const isPlural = typeof at.value === 'object' && at.value !== null && !Array.isArray(at.value);
  if (isPlural) readPlural(at, type, kind);
  else readText(at, type, kind);
}

function readText(at: Spot, type: keyof typeof checks | undefined, kind: Definition | undefined): void {
  const text = at.filled();
  if (text === undefined || !type) return;
  for (const { problem, suggestion } of problemsOfMessage(type, text, kind))
    at.fault(problem, { suggestion });
}

/** A text in several forms, which goes by one of the check's own numbers. */
function readPlural(at: Spot, type: keyof typeof checks | undefined, kind: Definition | undefined): void {
  if (!at.object(['by', ...pluralCategories], ['by', 'other'])) return;
  for (const form of pluralCategories) if (at.has(form)) readText(at.get(form), type, kind);
  if (!at.has('by')) return;
  const by = at.get('by').string();
  const known = type ? numbered[type] : undefined;
  if (by === undefined || type === undefined || known?.includes(by)) return;
  at.get('by').fault(
    known
      ? `The forms go by a number of the check: expected ${list(known)}.`
      : `A check "${type}" has no number its message could go by: write one text.`,
    { suggestion: known?.[0] },
  );
}

/** The numbers of each check that a message can go by. */
const numbered: Readonly<Partial<Record<keyof typeof checks, readonly string[]>>> = {
  length: ['min', 'max'],
  range: ['min', 'max'],
  compare: ['days'],
};

function dataFor(type: keyof typeof checks, kind: Definition | undefined): readonly string[] {
  const own = (type === 'complete' && kind?.says) || [];
  return [...dataOf[type], ...own, 'label'];
}

/** Data in a message that its check does not bring, in sentences. */
function problemsOfMessage(
  type: keyof typeof checks,
  text: string,
  kind: Definition | undefined,
): readonly { readonly problem: string; readonly suggestion?: string | undefined }[] {
  if (bringsItsOwn.includes(type)) return [];
  const known = dataFor(type, kind);
  const named = [...new Set([...text.matchAll(/\{([\w-]+)\}/g)].map((match) => match[1]!))];
  return named
    .filter((name) => !known.includes(name))
    .map((name) => {
      const meant = nearest(name, known);
      return {
        problem: `There is no {${name}} in this message: a check "${type}" brings ${list(known)}.`,
        suggestion: meant && `{${meant}}`,
      };
    });
}

function readCheck(at: Spot, kind: Definition | undefined): void {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.object([], []);
    return;
  }
  if (!at.has('type')) {
    at.get('type').fault('"type" is missing.');
    return;
  }
  const type = at.get('type').oneOf(Object.keys(checks)) as keyof typeof checks | undefined;
  if (!type) return;
  const [known, needed] = checks[type];
  at.object(['type', ...known], needed);
  if (kind?.pointless?.includes(type))
    at.get('type').fault(`A ${kind.name} field cannot have a check "${type}".`, {
      suggestion: kind.limits ? 'range' : 'complete',
    });
  if (type === 'range') readRange(at, kind);
  if (type === 'length') {
    if (at.has('min')) at.get('min').whole();
    if (at.has('max')) at.get('max').whole();
    readLength(at);
  }
  if (type === 'checksum' && at.has('rotate')) at.get('rotate').wholeFrom(1, 20);
  if (at.has('scheme') && type === 'checksum') at.get('scheme').oneOf(['luhn', 'mod97', 'mod11']);
  if (at.has('values') && (type === 'in' || type === 'not-in')) {
    const values = at.get('values').items();
    for (const value of values) value.string();
    if (at.get('values').isEmpty) at.get('values').fault('Expected at least one value.');
  }
  if (type === 'matches') readMatches(at);
  if (type === 'compare') readCompare(at, kind);
  if (type === 'custom' && at.has('code')) readCode(at.get('code'));
  if (type === 'remote') readRemote(at);
  if ((type === 'custom' || type === 'remote') && at.has('with'))
    for (const name of at.get('with').items(most.with)) name.string();
}

/** What each comparison needs of the values it compares. */
const comparisons: Readonly<Record<Comparison, readonly (Definition['comparable'] | 'any')[]>> = {
  same: ['any'],
  differs: ['any'],
  after: ['day', 'time'],
  'not-before': ['day', 'time'],
  before: ['day', 'time'],
  'not-after': ['day', 'time'],
  above: ['number', 'minutes'],
  below: ['number', 'minutes'],
  'at-most-days': ['day'],
  'at-least-days': ['day'],
};

/** The comparisons that values of a kind can be put to. */
export const comparisonsFor = ({ comparable }: Pick<Definition, 'comparable'>): readonly Comparison[] =>
  (Object.keys(comparisons) as Comparison[]).filter((op) =>
    comparisons[op].some((one) => one === 'any' || one === comparable),
  );

function readCompare(at: Spot, kind: Definition | undefined): void {
  if (at.has('field')) at.get('field').string();
  const op = at.has('op')
    ? (at.get('op').oneOf(Object.keys(comparisons)) as Comparison | undefined)
    : undefined;
  if (op && kind && !comparisonsFor(kind).includes(op))
    at.get('op').fault(`A ${kind.name} field cannot be "${op}" another.`, {
      suggestion: comparisonsFor(kind).at(-1),
    });
  const counts = op === 'at-most-days' || op === 'at-least-days';
  if (at.has('days') && op && !counts) at.get('days').fault(`"${op}" counts no days: leave them out.`);
  else if (at.has('days')) at.get('days').wholeFrom(0, 36_500);
  else if (counts) at.get('days').fault('"days" is missing: how many.');
}

/** What else is wrong with code shows where it runs. */
function readCode(at: Spot): void {
  const code = at.filled(most.code);
  if (code === undefined) return;
  const exported = code.match(/^[^\S\n\r\u2028\u2029]*export\s+default\s/gm)?.length ?? 0;
  if (exported !== 1)
    at.fault('The code has one function behind "export default", at the start of a line.', {
      suggestion: 'export default ({ value }) => {}',
    });
}

function readRemote(at: Spot): void {
  if (at.has('ask')) {
    const path = at.get('ask').string();
    // Of this server alone, whoever wrote the document.
    if (path !== undefined && !/^\/(?![/\\])[\w\-./]*$/.test(path))
      at.get('ask').fault('Expected a path of this server, such as "/api/passes".', {
        suggestion: '/api/passes',
      });
  }
  if (at.has('timeout')) at.get('timeout').wholeFrom(100, 60_000);
  if (at.has('on')) at.get('on').oneOf(['leave', 'pause']);
}

function readLength(at: Spot): void {
  const { min, max } = at.value as { min?: unknown; max?: unknown };
  if (min === undefined && max === undefined) at.fault('A length needs "min", "max" or both.');
  if (typeof min === 'number' && typeof max === 'number' && max < min)
    at.get('max').fault(`"max" is below "min" (${min}).`, { suggestion: String(min) });
}

function readRange(at: Spot, kind: Definition | undefined): void {
  if (kind === undefined) return;
  const { limits, name } = kind;
  if (!limits) {
    at.get('type').fault(`A ${name} field has no order, so it has no range.`, { suggestion: 'length' });
    return;
  }
  const given = ['min', 'max', 'step'].filter((key) => at.has(key));
  if (given.length === 0) at.fault('A range needs "min", "max", "step" or some of them.');
  for (const key of given) {
    const spot = at.get(key);
    const { value } = spot;
    const text = typeof value === 'number' && Number.isFinite(value) ? String(value) : value;
    if (key === 'step' && !limits.hasSteps) spot.fault(`A ${name} field has no steps: leave it out.`);
    else if (
      typeof text !== 'string' ||
      text.length > most.id ||
      !limits.isGood(text) ||
      (key === 'step' && !/[1-9]/.test(text.replace('-', '')))
    )
      spot.fault(`Expected a ${name} such as "${limits.example}", found ${nameOf(value)}.`, {
        suggestion: limits.example,
      });
    else if (key === 'step' && text.startsWith('-'))
      spot.fault('A step is above zero.', { suggestion: text.slice(1) });
  }
  readOrder(at, limits);
}

/** A lower limit above the upper one lets nothing pass. */
function readOrder(at: Spot, { isGood, isAbove }: Limits): void {
  const [min = '', max = ''] = ['min', 'max'].map((key) => (at.has(key) ? String(at.get(key).value) : ''));
  if (min && max && isGood(min) && isGood(max) && isAbove(min, max))
    at.get('min').fault(`"min" is above "max" (${max}): nothing would pass.`, { suggestion: max });
}

function readMatches(at: Spot): void {
  const flags = at.has('flags') ? at.get('flags').string() : '';
  if (flags && !/^[isu]*$/.test(flags))
    at.get('flags').fault('The flags that count here are i, s and u.', { suggestion: 'i' });
  if (!at.has('pattern')) return;
  const source = at.get('pattern').string();
  if (source === undefined) return;
  const parsed = parseExpression(source, flags);
  if ('message' in parsed)
    at.get('pattern').fault(parsed.message, { column: parsed.column, suggestion: parsed.suggestion });
}

/** What is wrong with one check of a field of that kind, in sentences; for screens that edit one. */
export function problemWithCheck(kind: Definition, check: unknown): readonly string[] {
  const faults: DocumentFault[] = [];
  readCheck(new Spot(check, '$', faults), kind);
  return faults.map(({ message }) => message);
}

/** What a message of a check may name in `{…}`; for screens that edit one. */
export const dataOfMessage = (kind: Definition, check: CheckDocument): readonly string[] =>
  dataFor(check.type, kind);

/** What is wrong with the message of a check of a field of that kind, in sentences; for screens that edit one. */
export const problemWithMessage = (kind: Definition, check: CheckDocument, text: string): readonly string[] =>
  problemsOfMessage(check.type, text, kind).map(
    ({ problem, suggestion }) => `${problem}${suggestion ? ` Perhaps ${suggestion}.` : ''}`,
  );
