import type { DocumentFault } from './document-fault.ts';
import { nearest } from './fault.ts';
import { most, mostFaults } from './limits.ts';
import { type Said, say } from './say.ts';
import { documentTexts } from './texts.ts';

/**
 * A place in a document that is being checked. Its methods report faults at that place and never throw.
 *
 * @example
 * const faults: DocumentFault[] = [];
 * new Cursor({ title: 7 }, '$', faults).get('title').string();
 */
export class Cursor {
  constructor(
    readonly value: unknown,
    readonly path: string,
    readonly faults: DocumentFault[],
  ) {}

  /** Reports a fault at this place. */
  fault(
    { code, message }: Said,
    more: { suggestion?: string | undefined; column?: number | undefined } = {},
  ): void {
    const { suggestion, column } = more;
    this.faults.push({
      path: this.path,
      code,
      message,
      ...(suggestion === undefined ? {} : { suggestion }),
      ...(column === undefined ? {} : { column }),
    });
  }

  /**
   * Whether so many faults were reported that further ones are only counted. Then no suggestions are
   * computed.
   */
  get isFull(): boolean {
    return this.faults.length >= mostFaults;
  }

  /** The known word that was probably meant, as a suggestion. */
  meant(word: string, known: Iterable<string>): string | undefined {
    return this.isFull ? undefined : nearest(word, known);
  }

  /** A member, at its own place. */
  get(key: string): Cursor {
    return new Cursor((this.value as Record<string, unknown>)[key], pathTo(this.path, key), this.faults);
  }

  /** Whether a member exists. */
  has(key: string): boolean {
    return (this.value as Record<string, unknown>)[key] !== undefined;
  }

  /** Reads an object with only known members and all required ones. */
  object(known: readonly string[], needed: readonly string[]): boolean {
    if (typeof this.value !== 'object' || this.value === null || Array.isArray(this.value)) {
      this.fault(say(documentTexts, 'not-object', { found: nameOf(this.value) }));
      return false;
    }
    for (const key of Object.keys(this.value))
      if (!known.includes(key)) {
        const meant = this.meant(key, known);
        new Cursor(undefined, pathTo(this.path, key), this.faults).fault(
          say(documentTexts, 'unknown-property', { name: key, known: list(known) }),
          { suggestion: meant },
        );
      }
    for (const key of needed)
      if (!this.has(key)) this.get(key).fault(say(documentTexts, 'missing', { name: key }));
    return true;
  }

  /** Reads a string of at most `longest` characters; reports anything else and returns `undefined`. */
  string(longest: number = most.characters): string | undefined {
    const { value } = this;
    if (typeof value !== 'string') {
      this.fault(say(documentTexts, 'not-string', { found: nameOf(value) }));
      return undefined;
    }
    if (!isLonger(value, longest)) return value;
    this.fault(say(documentTexts, 'too-long', { most: count(longest) }));
    return undefined;
  }

  /** Reads a string that is not blank. */
  filled(longest?: number): string | undefined {
    const text = this.string(longest);
    if (text?.trim() === '') this.fault(say(documentTexts, 'blank'));
    return text || undefined;
  }

  /** Reads a whole number. */
  whole(): number | undefined {
    if (typeof this.value === 'number' && Number.isInteger(this.value) && this.value >= 0) return this.value;
    this.fault(say(documentTexts, 'not-natural', { found: nameOf(this.value) }));
    return undefined;
  }

  /** Reads a whole number from `low` to `high`, both included. */
  wholeFrom(low: number, high: number): number | undefined {
    const { value } = this;
    if (typeof value === 'number' && Number.isInteger(value) && value >= low && value <= high) return value;
    this.fault(say(documentTexts, 'not-in-range', { min: low, max: high, found: nameOf(value) }));
    return undefined;
  }

  /** Checks that the member `key`, if there is one, is true or false. */
  yesNo(key: string): void {
    if (this.has(key) && typeof this.get(key).value !== 'boolean')
      this.get(key).fault(say(documentTexts, 'not-boolean', { found: nameOf(this.get(key).value) }));
  }

  /** Checks that the member `key`, if there is one, is one of `choices`. */
  choice(key: string, choices: readonly string[]): void {
    if (this.has(key)) this.get(key).oneOf(choices);
  }

  /** Reads one of these words. */
  oneOf(choices: readonly string[]): string | undefined {
    if (typeof this.value === 'string' && choices.includes(this.value)) return this.value;
    const meant = typeof this.value === 'string' ? this.meant(this.value, choices) : undefined;
    this.fault(say(documentTexts, 'not-one-of', { known: list(choices), found: nameOf(this.value) }), {
      suggestion: meant,
    });
    return undefined;
  }

  /** The members of a list, each at its own place. A list longer than `longest` is reported and not read. */
  items(longest: number = most.items): Cursor[] {
    if (!Array.isArray(this.value)) this.fault(say(documentTexts, 'not-list', { found: nameOf(this.value) }));
    else if (this.value.length > longest)
      this.fault(
        say(documentTexts, 'list-too-long', { count: count(this.value.length), most: count(longest) }),
      );
    else return this.value.map((_, i) => this.item(i));
    return [];
  }

  /** The length of a list; `undefined` for anything else. */
  get size(): number | undefined {
    return Array.isArray(this.value) ? this.value.length : undefined;
  }

  /** Reports an empty list here. */
  get isEmpty(): boolean {
    return this.size === 0;
  }

  /** One item of a list, at its own place. */
  item(i: number): Cursor {
    return new Cursor((this.value as readonly unknown[])[i], `${this.path}[${i}]`, this.faults);
  }
}

/**
 * Whether a text is longer than a limit, counted in code points as JSON Schema does. Texts well below or
 * above are not counted.
 */
const isLonger = (text: string, longest: number): boolean =>
  text.length > longest && (text.length > 2 * longest || [...text].length > longest);

const count = (n: number): string => String(n).replace(/\B(?=(?:\d{3})+$)/g, ',');

const pathTo = (path: string, key: string): string =>
  /^[A-Za-z_]\w*$/.test(key) ? `${path}.${key}` : `${path}[${JSON.stringify(key)}]`;

/** Longest list of words in a sentence. */
const mostWords = 40;

export function list(words: readonly string[]): string {
  const quoted = words.slice(0, mostWords).map((word) => `"${word}"`);
  if (words.length > mostWords)
    return `${quoted.join(', ')} or one of ${count(words.length - mostWords)} more`;
  return quoted.length < 2 ? quoted.join('') : `${quoted.slice(0, -1).join(', ')} or ${quoted.at(-1)}`;
}

export function nameOf(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (value === null) return 'null';
  if (Array.isArray(value)) return 'a list';
  if (typeof value === 'object') return 'an object';
  if (typeof value === 'string') return value.length > 40 ? 'a long text' : JSON.stringify(value);
  return String(value);
}

/** Reads an id that is not in `taken`, and adds it. */
export function readId(at: Cursor, taken: Set<string>): void {
  const id = at.string(most.id);
  if (id === undefined) return;
  if (!/^[A-Za-z][\w-]*$/.test(id)) at.fault(say(documentTexts, 'invalid-id'));
  else if (taken.has(id)) at.fault(say(documentTexts, 'duplicate-id', { id }), { suggestion: `${id}-2` });
  taken.add(id);
}
