import { definitionOf } from '../checks/registry.ts';
import type { RuleDocument } from '../document/document.ts';
import { say } from '../faults/say.ts';
import { contradictionTexts } from '../faults/texts.ts';
import type { HydratedField } from '../field/kind.ts';
import { escaped, type KindTable, kindIn } from '../kinds/index.ts';
import { valueTypesOf } from '../kinds/value-types.ts';
import { match } from '../rules/automaton.ts';
import type { Automaton, ExpressionNode } from '../rules/automaton-data.ts';
import { parseExpression } from '../rules/expression.ts';
import { resolve } from '../values/calendar.ts';

/** Rules of a field that cannot hold together, or of which one has no effect. */
export interface Contradiction {
  /** Ids of the rules, in the order of the field. */
  readonly rules: readonly string[];
  /** It stays the same when the message is reworded. */
  readonly code: string;
  /** What is wrong, for the developer. */
  readonly message: string;
}

/** Longest list of values and largest count that are compared as expressions. */
const [mostValues, mostCounted] = [300, 1000];

/**
 * Contradictions among the rules of a field, found by comparing the sets of values that pass: rules that
 * exclude each other, a rule that excludes every value of the field, a rule that never speaks, a message that
 * names a limit its rule does not have. Rules with a condition are left out. `today` is an ISO 8601 date.
 *
 * @example
 * contradictionsIn([], pass, kinds, '2027-02-10'); // []
 */
export function contradictionsIn(
  rules: readonly RuleDocument[],
  field: HydratedField,
  kinds: KindTable,
  today: string,
): readonly Contradiction[] {
  const plain = rules.filter(({ when }) => !when);
  return [
    ...plain.flatMap(unknownLimits),
    ...amongRanges(plain, field, kinds, today),
    ...amongLanguages(plain, field),
  ];
}

/** Members that a message names and its check does not have: they would be left blank. */
function unknownLimits({ id, check, say: written }: RuleDocument): readonly Contradiction[] {
  if (written === undefined) return [];
  const texts = typeof written === 'string' ? [written] : Object.values(written);
  const { data, options } = definitionOf(check.type);
  return (data === 'own' ? [] : data)
    .filter((name) => Object.hasOwn(options, name) && !Object.hasOwn(check, name))
    .filter((name) => texts.some((text) => String(text).includes(`{${name}}`)))
    .map((name) => ({
      rules: [id],
      ...say(contradictionTexts, 'unknown-limit', { name: `{${name}}` }),
    }));
}

interface Span {
  readonly rule: RuleDocument;
  readonly min: string | undefined;
  readonly max: string | undefined;
  readonly hasStep: boolean;
}

function amongRanges(
  rules: readonly RuleDocument[],
  field: HydratedField,
  kinds: KindTable,
  today: string,
): readonly Contradiction[] {
  const { limits } = kindIn(kinds, field.plan.kind).define;
  if (!limits) return [];
  const at = (limit: unknown): string | undefined => {
    if (limit === undefined) return undefined;
    const text = String(limit);
    return text.startsWith('today') ? resolve(text, today) : text;
  };
  const spans = rules.flatMap((rule): readonly Span[] => {
    const { check } = rule;
    if (check.type !== 'range') return [];
    return [{ rule, min: at(check.min), max: at(check.max), hasStep: check.step !== undefined }];
  });
  const isAbove = (a: string | undefined, b: string | undefined): boolean =>
    a !== undefined && b !== undefined && limits.isAbove?.(a, b) === true;
  return pairs(spans).flatMap(([one, other]): readonly Contradiction[] => {
    const both = [one.rule.id, other.rule.id];
    if (isAbove(one.min, other.max) || isAbove(other.min, one.max))
      return [
        {
          rules: both,
          ...say(contradictionTexts, 'disjoint-limits'),
        },
      ];
    const isInside =
      (other.min === undefined || (one.min !== undefined && !isAbove(other.min, one.min))) &&
      (other.max === undefined || (one.max !== undefined && !isAbove(one.max, other.max)));
    return isInside && !other.hasStep && isHeardFirst(field, one.rule, other.rule)
      ? [silent(one.rule, other.rule)]
      : [];
  });
}

/** Most rules that are compared with each other. */
const mostRules = 12;

const pairs = <T>(all: readonly T[]): readonly (readonly [T, T])[] =>
  all
    .slice(0, mostRules)
    .flatMap((one, i) => all.slice(i + 1, mostRules).map((other): readonly [T, T] => [one, other]));

/** Whether what a rule says is always seen before what the other says. */
const isHeardFirst = (field: HydratedField, one: RuleDocument, other: RuleDocument): boolean =>
  field.messages === 'first' &&
  (one.show ?? 'leave') === (other.show ?? 'leave') &&
  (one.severity ?? 'error') === (other.severity ?? 'error');

/** Whether an incomplete value is told as such before the rule says anything. */
const isAfterComplete = ({ rules, messages }: HydratedField, { id, show }: RuleDocument): boolean => {
  const complete = rules.findIndex(({ check }) => check.type === 'complete');
  return (
    messages === 'first' &&
    show !== 'at-once' &&
    complete >= 0 &&
    complete < rules.findIndex((rule) => rule.id === id)
  );
};

const silent = (one: RuleDocument, other: RuleDocument): Contradiction => ({
  rules: [one.id, other.id],
  ...say(contradictionTexts, 'second-has-no-effect'),
});

/** The raw values that pass a rule. */
interface Language {
  readonly rule: RuleDocument;
  readonly passing: Automaton;
}

function amongLanguages(rules: readonly RuleDocument[], field: HydratedField): readonly Contradiction[] {
  const own = valuesOf(field);
  const languages = rules.flatMap((rule): readonly Language[] => {
    const passing = passingOf(rule);
    return passing ? [{ rule, passing }] : [];
  });
  const found: Contradiction[] = [];
  const possible = languages.filter(({ rule, passing }) => {
    if (!own) return true;
    const isNone = isEmpty([[own], [passing]]);
    if (isNone) found.push({ rules: [rule.id], ...say(contradictionTexts, 'nothing-passes') });
    else if (isAfterComplete(field, rule) && isEmpty([[own], [passing, 'not']]))
      found.push({
        rules: [rule.id],
        ...say(contradictionTexts, 'rule-has-no-effect'),
      });
    else return true;
    return false;
  });
  for (const [one, other] of pairs(possible)) {
    const base: readonly Part[] = own ? [[own]] : [];
    if (isEmpty([...base, [one.passing], [other.passing]]))
      found.push({
        rules: [one.rule.id, other.rule.id],
        ...say(contradictionTexts, 'nothing-passes-both'),
      });
    else if (
      isHeardFirst(field, one.rule, other.rule) &&
      isEmpty([...base, [one.passing], [other.passing, 'not']])
    )
      found.push(silent(one.rule, other.rule));
  }
  return found;
}

/** The complete raw values of a field, if an expression says them exactly. */
function valuesOf(field: HydratedField): Automaton | undefined {
  const form = valueTypesOf(field.plan).values;
  if (!form.isRaw || form.beyond) return undefined;
  const { among, expression } = form;
  return among && among.length <= mostValues
    ? anyOf(among)
    : expression
      ? automatonOf(expression)
      : undefined;
}

function automatonOf(expression: string, flags = ''): Automaton | undefined {
  const read = parseExpression(expression, flags);
  return 'message' in read ? undefined : read;
}

const anyOf = (values: readonly string[]): Automaton | undefined =>
  automatonOf(values.length ? `(?:${values.map(escaped).join('|')})` : '(?!)');

function passingOf({ check }: RuleDocument): Automaton | undefined {
  switch (check.type) {
    case 'matches':
      return automatonOf(check.pattern, check.flags);
    case 'in':
      return check.values.length <= mostValues ? anyOf(check.values) : undefined;
    case 'length': {
      const { min = 0, max } = check;
      if (min > mostCounted || (max ?? 0) > mostCounted) return undefined;
      return automatonOf(`.{${min},${max ?? ''}}`, 's');
    }
    default:
      return undefined;
  }
}

type Part = readonly [automaton: Automaton, not?: 'not'];

/** Whether no text is in all of the languages, or outside of those marked `not`. `false` if not decided. */
function isEmpty(parts: readonly Part[]): boolean {
  const nodes: ExpressionNode[] = [];
  const roots = parts.map(([automaton, not]) => {
    const shift = nodes.length;
    for (const node of automaton.nodes) nodes.push(moved(node, shift));
    const root = automaton.root + shift;
    return not ? nodes.push({ op: 'not', a: root }) - 1 : root;
  });
  const root = roots.reduce((a, b) => nodes.push({ op: 'both', a, b }) - 1);
  return match({ nodes, root }, '') === 'fail';
}

/** A node whose references are moved by `by`. */
function moved(node: ExpressionNode, by: number): ExpressionNode {
  if ('b' in node) return { ...node, a: node.a + by, b: node.b + by };
  return 'a' in node ? { ...node, a: node.a + by } : node;
}
