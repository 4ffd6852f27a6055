import type { TextState } from '../../field/text-state.ts';
import { localized } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { hasPartWords } from './features.ts';

/**
 * The content and layout of kinds made of parts with a meaning of their own (day, month, hour). Fixed text
 * appears as soon as the part before it is full. For editing see `parts-editing.ts`.
 */
export interface PartPlan {
  readonly name: string;
  /** Largest number of digits. */
  readonly size: number;
  readonly low: number;
  readonly high: number;
  /** The words of a part that is one of some words (AM and PM). */
  readonly words?: readonly string[];
  /** Whether decimals can be typed into it (fractions of an hour); then it is never full. */
  readonly point?: boolean;
}

/** A definition with parts, ready to run. */
export interface PartsPlan {
  readonly kind: string;
  readonly parts: readonly PartPlan[];
  /** Fixed text before each part, and one after the last. */
  readonly between: readonly string[];
  /** The locale's ten digits; empty for ASCII. */
  readonly digits: string;
}

export interface PartsBody extends TextState {
  /** Content of each part, in ASCII digits. */
  readonly texts: readonly string[];
  /** Offset in the display where each part is or would be. */
  readonly at: readonly number[];
}

/** A whole text that was read: the content of each part. */
export interface Parsed {
  readonly texts: readonly string[];
  readonly leftOut: string;
  readonly assumed?: string;
}

export const isFull = (part: PartPlan, text: string): boolean =>
  hasPartWords && part.words ? part.words.includes(text) : text.length === part.size && !part.point;

/** Whether digits can still become a number of that part. */
export function fits({ size, low, high }: PartPlan, digits: string): boolean {
  const scale = 10 ** (size - digits.length);
  const least = +digits * scale;
  return least + scale > low && least <= high;
}

/** A lone digit as two if that is a number of the part; a `0` may still become several and stays. */
export function padded({ parts }: PartsPlan, part: number, text: string): string {
  const { size, low } = itemAt(parts, part);
  return size === 2 && text.length === 1 && +text >= low ? `0${text}` : text;
}

/** The state with all parts closed, as on blur; the same object if nothing changes. */
export function closeAll<P extends PartsPlan, B extends PartsBody>(
  plan: P,
  body: B,
  close: (plan: P, part: number, text: string) => string,
  lay: (plan: P, texts: readonly string[]) => B,
): B {
  const texts = body.texts.map((text, i) => close(plan, i, text));
  return texts.every((text, i) => text === body.texts[i]) ? body : lay(plan, texts);
}

/** The text state of these parts while typing. */
export function layParts(plan: PartsPlan, texts: readonly string[]): PartsBody {
  const { parts, between } = plan;
  let last = texts.length - 1;
  while (last >= 0 && !texts[last]) last--;
  const at: number[] = [];
  let display = '';
  let content = '';
  let complete = last === texts.length - 1;
  let isClosed = false;
  for (let i = 0; i < texts.length; i++) {
    const text = itemAt(texts, i);
    const part = itemAt(parts, i);
    if (i <= last || isClosed) display += itemAt(between, i);
    at.push(display.length);
    display += plan.digits && !part.words ? localized(plan.digits, text) : text;
    content += text;
    const isWhole = isFull(part, text);
    isClosed = i === last && isWhole;
    if (!isWhole) {
      complete = false;
      if (i < last) content += '/';
    }
  }
  if (complete) display += itemAt(between, texts.length);
  return { content, display, complete, texts, at };
}

/**
 * The parts of a raw value: digits and words in order, `/` after a part cut short; `undefined` if it is none.
 */
export function textsOf({ parts }: PartsPlan, raw: string): string[] | undefined {
  const texts: string[] = [];
  let rest = raw;
  for (const part of parts) {
    const { words, size } = part;
    const word = hasPartWords
      ? (words?.find((one) => rest.startsWith(one)) ?? (words && rest.split('/')[0]!))
      : undefined;
    const text = word ?? /^\d*/.exec(rest)![0].slice(0, size);
    // A part with too few digits may result from a deletion, which no key would lead to.
    const isOne =
      hasPartWords && words
        ? words.some((one) => one.startsWith(text))
        : text.length < size || fits(part, text);
    if (!isOne) return undefined;
    texts.push(text);
    rest = rest.slice(text.length);
    if (!isFull(part, text) && rest[0] === '/') rest = rest.slice(1);
  }
  return rest ? undefined : texts;
}

/** The part at an offset, and the offset inside it. */
export function locate(body: PartsBody, caret: number): { part: number; index: number } {
  const { texts, at } = body;
  let part = 0;
  while (part < texts.length - 1 && caret > itemAt(at, part) + itemAt(texts, part).length) part++;
  return { part, index: Math.max(0, Math.min(itemAt(texts, part).length, caret - itemAt(at, part))) };
}
