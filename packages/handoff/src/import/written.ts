import type { RuleDocument } from '@arbeit/engine/document';
import { type Said, say } from '@arbeit/engine/faults';
import { parseExpression } from '@arbeit/engine/rules';
import type { PatternOf, PatternReader } from './pattern-of.ts';
import { importTexts, notPatternTexts } from './texts.ts';

/** The parts of a field, whatever it was made from. */
export interface WrittenColumn {
  readonly kind: string;
  readonly entry: object;
  readonly rules: readonly RuleDocument[];
}

/** What is known of the texts that a source describes. */
export interface Writing {
  /** A regular expression that matches the whole text. */
  readonly expression?: string | undefined;
  /** Length limits in characters. */
  readonly least?: number | undefined;
  readonly most?: number | undefined;
  /** Whether the expression may match anywhere in the text. */
  readonly isAnywhere?: boolean | undefined;
  /** An entry of the kind `text` for texts that are not a pattern. */
  readonly entry?: object | undefined;
  /** Whether it must stay a text, because a pattern lacks what its entry has. */
  readonly isText?: boolean | undefined;
  /** The message if the text does not match. */
  readonly say?: string | undefined;
}

/** A text as a field, with everything that could not be expressed. */
export interface Written extends WrittenColumn {
  readonly told: readonly Said[];
}

/** Longest maximum length of a text, in characters (engine, kind `text`). */
const longest = 10_000;

/** Whether a maximum length is a real one: some sources write a number that is no limit. */
const isCount = (value: number | undefined): value is number =>
  value !== undefined && Number.isInteger(value) && value > 0;

/** A text as a pattern, if its expression and length can be one; otherwise as a text with rules. */
export function writtenAs(
  { expression, isAnywhere, least, most, entry: own, isText, say: message }: Writing,
  patternOf: PatternReader,
): Written {
  const [shortest, given] = [least, most].map((one) => (isCount(one) ? one : undefined));
  const told: Said[] = [];
  if (given !== undefined && given > longest)
    told.push(say(importTexts, 'length-limit', { count: given, most: longest }));
  const widest = given !== undefined && given <= longest ? given : undefined;
  // An empty field is not checked, so a minimum of one character is no limit.
  const lengths: RuleDocument[] =
    shortest === undefined || shortest < 2
      ? []
      : [{ id: 'length', check: { type: 'length', min: shortest } }];
  const entry = { ...(widest === undefined ? {} : { max: widest }), ...own };
  if (expression === undefined) return { kind: 'text', entry, rules: lengths, told };
  const read = parseExpression(expression);
  // An invalid expression is not made a rule.
  if ('message' in read) {
    told.push(say(importTexts, 'invalid-expression', { message: read.message }));
    return { kind: 'text', entry, rules: lengths, told };
  }
  const found: PatternOf = isAnywhere
    ? { is: 'not', because: say(notPatternTexts, 'not-anchored') }
    : isText
      ? { is: 'not', because: say(notPatternTexts, 'cannot-be-hidden') }
      : patternOf(expression, { least: shortest ?? 1, most: widest });
  if (found.is === 'exact')
    return { kind: 'pattern', entry: { pattern: found.pattern, raw: 'text' }, rules: [], told };
  told.push(say(importTexts, 'expression-as-rule', { message: found.because.message }));
  const form: RuleDocument = {
    id: 'form',
    check: { type: 'matches', pattern: expression },
    ...(message ? { say: message } : {}),
  };
  return { kind: 'text', entry, rules: [form, ...lengths], told };
}

/** Bounds of a range as a rule writes them; `undefined` if there are none. */
export function rangeOf<T extends string | number>(
  min: T | undefined,
  max: T | undefined,
  step?: number,
): RuleDocument[] {
  if (min === undefined && max === undefined && step === undefined) return [];
  const bounds = {
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(step === undefined ? {} : { step }),
  };
  return [{ id: 'range', check: { type: 'range', ...bounds } } as RuleDocument];
}

/** Regular expressions of well-known formats, by the names that inputs and schemas use. */
export const forms = {
  email: '[^@\\s]+@[^@\\s]+\\.[^@\\s.]+',
  url: '[a-zA-Z][a-zA-Z0-9+.\\-]*:.+',
  week: '\\d{4}-W(?:0[1-9]|[1-4]\\d|5[0-3])',
  color: '#[0-9a-f]{6}',
  uuid: '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}',
  'date-time':
    '\\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\\d|3[01])[Tt](?:[01]\\d|2[0-3]):[0-5]\\d:(?:[0-5]\\d|60)(?:\\.\\d+)?(?:[Zz]|[+\\-](?:[01]\\d|2[0-3]):[0-5]\\d)',
  ipv4: '(?:(?:25[0-5]|2[0-4]\\d|1\\d\\d|[1-9]?\\d)\\.){3}(?:25[0-5]|2[0-4]\\d|1\\d\\d|[1-9]?\\d)',
  hostname:
    '[a-zA-Z0-9](?:[a-zA-Z0-9\\-]{0,61}[a-zA-Z0-9])?(?:\\.[a-zA-Z0-9](?:[a-zA-Z0-9\\-]{0,61}[a-zA-Z0-9])?)*',
} as const;
