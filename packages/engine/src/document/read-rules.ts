import type { CheckDocument } from '../checks/check-document.ts';
import type { CheckBase, CheckDefinition, CheckTable } from '../checks/contract.ts';
import { definitionOf, typesOfChecks } from '../checks/registry.ts';
import { Cursor, list, nameOf, readId } from '../faults/cursor.ts';
import type { DocumentFault } from '../faults/document-fault.ts';
import { nearest } from '../faults/fault.ts';
import { most } from '../faults/limits.ts';
import { type Said, say } from '../faults/say.ts';
import { documentTexts, ruleTexts } from '../faults/texts.ts';
import type { Definition } from '../kinds/contract/definition.ts';
import type { CheckOptions } from '../options/option.ts';
import { readMembers } from '../options/read.ts';
import { pluralCategories } from '../rules/wording.ts';

/** Reads the rules of a field of that kind. */
export function readRules(at: Cursor, kind: Definition | undefined, checks: CheckTable): void {
  const ids = new Set<string>();
  for (const rule of at.items(most.rules)) {
    if (!rule.object(ruleKeys, ['id', 'check'])) continue;
    if (rule.has('id')) readId(rule.get('id'), ids);
    readRule(rule, kind, checks);
  }
}

const ruleKeys = ['id', 'check', 'say', 'code', 'show', 'severity', 'when', 'refused', 'samples'];

/** Reads the rules of a form. `fields` are the kinds of the fields by id. */
export function readFormRules(
  at: Cursor,
  fields: ReadonlyMap<unknown, Definition | undefined>,
  checks: CheckTable,
): void {
  const ids = new Set<string>();
  for (const rule of at.items(most.rules)) {
    if (!rule.object([...ruleKeys, 'field'], ['id', 'field', 'check'])) continue;
    if (rule.has('id')) readId(rule.get('id'), ids);
    if (rule.has('field')) rule.get('field').string();
    readRule(rule, fields.get(rule.get('field').value), checks);
  }
}

/** Reads the members of a rule except its id. */
function readRule(rule: Cursor, kind: Definition | undefined, checks: CheckTable): void {
  if (rule.has('code') && !/^[a-z][\w-]*$/i.test(rule.get('code').string() ?? 'x'))
    rule.get('code').fault(say(ruleTexts, 'invalid-code'));
  if (rule.has('show')) rule.get('show').oneOf(['at-once', 'leave', 'submit']);
  if (rule.has('severity')) rule.get('severity').oneOf(['error', 'warning']);
  if (rule.has('refused')) rule.get('refused').oneOf(['keep', 'clear']);
  if (rule.has('samples')) readSamples(rule.get('samples'));
  if (rule.has('when')) readCondition(rule.get('when'));
  if (rule.has('check')) readCheck(rule.get('check'), kind, checks);
  if (rule.has('say')) readMessage(rule.get('say'), definitionFor(rule.get('check').value, checks), kind);
}

function readSamples(at: Cursor): void {
  if (!at.object(['pass', 'fail'], [])) return;
  for (const key of ['pass', 'fail'])
    if (at.has(key)) for (const value of at.get(key).items()) value.string();
}

/** Checks the form of a condition. Whether its fields exist is checked later. */
export function readCondition(at: Cursor): void {
  const kinds = ['field', 'all', 'any', 'not'];
  if (!at.object([...kinds, 'is'], [])) return;
  const given = kinds.filter((key) => at.has(key));
  if (given.length !== 1) {
    at.fault(say(ruleTexts, 'invalid-condition'));
    return;
  }
  if (at.has('is') !== at.has('field'))
    at.fault(say(ruleTexts, at.has('is') ? 'is-without-field' : 'field-without-is'));
  if (at.has('field')) at.get('field').string();
  if (at.has('not')) readCondition(at.get('not'));
  for (const key of ['all', 'any']) {
    const all = at.has(key) ? at.get(key) : undefined;
    for (const one of all?.items(most.conditions) ?? []) readCondition(one);
    if (all?.isEmpty) all.fault(say(ruleTexts, 'no-condition'));
  }
  if (!at.has('is')) return;
  const is = at.get('is');
  const values = Array.isArray(is.value) ? is.items() : [is];
  if (is.isEmpty) is.fault(say(ruleTexts, 'no-value'));
  for (const one of values)
    if (typeof one.value === 'string') one.string();
    else if (one.value !== null && !['number', 'boolean'].includes(typeof one.value))
      one.fault(say(ruleTexts, 'invalid-condition-value', { found: nameOf(one.value) }));
}

/** The definition of a check that may be broken; `undefined` for an unknown type. */
function definitionFor(check: unknown, checks: CheckTable): CheckDefinition<CheckBase> | undefined {
  const type = (check as { type?: unknown } | null | undefined)?.type;
  return typeof type === 'string' && typesOfChecks(checks).includes(type)
    ? definitionOf(type, checks)
    : undefined;
}

type AnyDefinition = CheckDefinition<CheckBase>;

/** Reads a message of a check of a field of that kind, or a text with plural forms. */
export function readMessage(
  at: Cursor,
  check: AnyDefinition | undefined,
  kind: Definition | undefined,
): void {
  const isPlural = typeof at.value === 'object' && at.value !== null && !Array.isArray(at.value);
  if (isPlural) readPlural(at, check, kind);
  else readText(at, check, kind);
}

function readText(at: Cursor, check: AnyDefinition | undefined, kind: Definition | undefined): void {
  const text = at.filled();
  if (text === undefined || !check) return;
  for (const { said, suggestion } of problemsOfMessage(check, text, kind)) at.fault(said, { suggestion });
}

/** Reads a text with plural forms. They depend on one of the check's numbers. */
function readPlural(at: Cursor, check: AnyDefinition | undefined, kind: Definition | undefined): void {
  if (!at.object(['by', ...pluralCategories], ['by', 'other'])) return;
  for (const form of pluralCategories) if (at.has(form)) readText(at.get(form), check, kind);
  if (!at.has('by')) return;
  const by = at.get('by').string();
  const known = check?.numbers;
  if (by === undefined || check === undefined || known?.includes(by)) return;
  at.get('by').fault(
    known
      ? say(ruleTexts, 'unknown-plural-number', { known: list(known) })
      : say(ruleTexts, 'no-plural-number', { type: check.type }),
    { suggestion: known?.[0] },
  );
}

function dataFor({ type, data }: AnyDefinition, kind: Definition | undefined): readonly string[] {
  const own = (type === 'complete' && kind?.says) || [];
  return [...(data === 'own' ? [] : data), ...own, 'label'];
}

/** Placeholders that the check does not provide, as sentences. */
function problemsOfMessage(
  check: AnyDefinition,
  text: string,
  kind: Definition | undefined,
): readonly { readonly said: Said; readonly suggestion?: string | undefined }[] {
  if (check.data === 'own') return [];
  const known = dataFor(check, kind);
  const named = [...new Set([...text.matchAll(/\{([\w-]+)\}/g)].map((match) => match[1]!))];
  return named
    .filter((name) => !known.includes(name))
    .map((name) => {
      const meant = nearest(name, known);
      return {
        said: say(ruleTexts, 'unknown-placeholder', {
          name: `{${name}}`,
          type: check.type,
          known: list(known),
        }),
        suggestion: meant && `{${meant}}`,
      };
    });
}

function readCheck(at: Cursor, kind: Definition | undefined, checks: CheckTable): void {
  if (typeof at.value !== 'object' || at.value === null || Array.isArray(at.value)) {
    at.object([], []);
    return;
  }
  if (!at.has('type')) {
    at.get('type').fault(say(documentTexts, 'missing', { name: 'type' }));
    return;
  }
  const type = at.get('type').oneOf(typesOfChecks(checks));
  if (type === undefined) return;
  const { options, read } = definitionOf(type, checks);
  const needed = Object.keys(options).filter((name) => options[name]!.needed);
  at.object(['type', ...Object.keys(options)], needed);
  if (kind?.pointless?.some((one) => one === type))
    at.get('type').fault(say(ruleTexts, 'pointless-check', { kind: kind.name, type }), {
      suggestion: kind.limits ? 'range' : 'complete',
    });
  readMembers(at, options, { classes: [] });
  read?.(at, kind);
}

/**
 * The faults of one check of a field of that kind, as sentences; empty if there are none. For screens that
 * edit checks.
 *
 * @example
 * problemWithCheck(kinds.text.define, { type: 'length' }); // ['A length needs "min", "max" or both.']
 */
export function problemWithCheck(
  kind: Definition,
  check: unknown,
  checks: CheckTable = {},
): readonly string[] {
  const faults: DocumentFault[] = [];
  readCheck(new Cursor(check, '$', faults), kind, checks);
  return faults.map(({ message, column }) =>
    column === undefined ? message : `Column ${column}: ${message}`,
  );
}

/**
 * The members of a check as data. For screens that edit checks. Throws `RangeError` for an unknown type.
 *
 * @example
 * Object.keys(optionsOfCheck('length')); // ['min', 'max']
 */
export const optionsOfCheck = (type: string, checks: CheckTable = {}): CheckOptions =>
  definitionOf(type, checks).options;

/**
 * The names a message of a check can use in `{…}`: members that the check leaves out are not among them. For
 * screens that edit messages.
 *
 * @example
 * dataOfMessage(kinds.text.define, { type: 'length', min: 2 }); // ['min', 'length', 'label']
 */
export const dataOfMessage = (
  kind: Definition,
  check: CheckDocument,
  checks: CheckTable = {},
): readonly string[] => {
  const definition = definitionOf(check.type, checks);
  const isAbsent = (name: string) => name in definition.options && !(name in check);
  return dataFor(definition, kind).filter((name) => !isAbsent(name));
};

/**
 * The faults of a message of a check of a field of that kind, as sentences; empty if there are none. For
 * screens that edit messages.
 *
 * @example
 * problemWithMessage(kinds.text.define, { type: 'length', min: 2 }, 'At least {min}.'); // []
 */
export const problemWithMessage = (
  kind: Definition,
  check: CheckDocument,
  text: string,
  checks: CheckTable = {},
): readonly string[] =>
  problemsOfMessage(definitionOf(check.type, checks), text, kind).map(
    ({ said, suggestion }) => `${said.message}${suggestion ? ` Did you mean ${suggestion}?` : ''}`,
  );
