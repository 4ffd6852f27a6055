import type { TextState } from '../../field/text-state.ts';
import { localized } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { hasPartWords } from './features.ts';

/**
 * What kinds hold that are made of parts with a meaning of their own (day, month, hour), and how it is laid
 * out. Fixed text shows at once behind a full part. How it is edited: `parts-editing.ts`.
 */
export interface PartPlan {
  readonly name: string;
  /** The most digits it holds. */
  readonly size: number;
  readonly low: number;
  readonly high: number;
  /** A part that is one of these words instead (the halves of the day). */
  readonly words?: readonly string[];
  /** Decimals may be typed into it (parts of an hour); it is not full then. */
  readonly point?: boolean;
}

/** A definition made of parts, ready to run. */
export interface PartsPlan {
  readonly kind: string;
  readonly parts: readonly PartPlan[];
  /** Fixed text before each part, and one more behind the last. */
  readonly between: readonly string[];
  /** The locale's ten digits where they are not ASCII, else ''. */
  readonly digits: string;
}

export interface PartsBody extends TextState {
  /** What each part holds, in ASCII digits. */
  readonly texts: readonly string[];
  /** Offset in the display where each part stands or would stand. */
  readonly at: readonly number[];
}

/** A text read whole: what each part gets from it. */
export interface Parsed {
  readonly texts: readonly string[];
  readonly leftOut: string;
  readonly assumed?: string;
}

export const isFull = (part: PartPlan, text: string): boolean =>
  hasPartWords && part.words
    ? part.words.includes(text)
    : text.length === part.size && !(part.point && text.includes('.'));

/** Whether digits, more to come, can be a number of that part. */
export function fits({ size, low, high }: PartPlan, digits: string): boolean {
  const scale = 10 ** (size - digits.length);
  const least = +digits * scale;
  return least + scale > low && least <= high;
}

/** A lone digit as two, where that is a number of the part: a `0` alone may still become many and stays. */
export function padded({ parts }: PartsPlan, part: number, text: string): string {
  const { size, low } = itemAt(parts, part);
  return size === 2 && text.length === 1 && +text >= low ? `0${text}` : text;
}

/** All parts closed, as leaving does; the same body where that changes nothing. */
export function closeAll<P extends PartsPlan, B extends PartsBody>(
  plan: P,
  body: B,
  close: (plan: P, part: number, text: string) => string,
  lay: (plan: P, texts: readonly string[]) => B,
): B {
  const texts = body.texts.map((text, i) => close(plan, i, text));
  return texts.every((text, i) => text === body.texts[i]) ? body : lay(plan, texts);
}

/** Lays out the edit view of what the parts hold. */
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
 * The parts of a raw value: digits and words one after the other, a `/` behind a part cut short; `undefined`
 * for none.
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
    // Short of its digits it may be what a deletion left, which no key would lead to.
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

/** Where a caret stands among the parts: which part, and how far into it. */
export function locate(body: PartsBody, caret: number): { part: number; index: number } {
  const { texts, at } = body;
  let part = 0;
  while (part < texts.length - 1 && caret > itemAt(at, part) + itemAt(texts, part).length) part++;
  return { part, index: Math.max(0, Math.min(itemAt(texts, part).length, caret - itemAt(at, part))) };
}
