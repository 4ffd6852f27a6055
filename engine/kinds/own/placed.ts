import { graphemes } from '../../values/graphemes.ts';

/** Where the user's characters stand in what a developer's function shows. */
export interface Placed {
  readonly display: string;
  /** The offset of each character of the content, in order (UTF-16 units of the display). */
  readonly places: readonly number[];
  /** They could as well stand elsewhere: the fixed text has such characters too. */
  readonly isAmbiguous: boolean;
}

/** More than this is no line anybody reads. */
const mostShown = 2000;

/**
 * What a function answered as text and places, or a sentence on what it may not do: leave something of the content out, put it in another order, answer
 * something that is no line of text. It answers the text as it is shown or, to say itself what is the user's, pieces of it: fixed text and
 * the user's by turns, fixed text first.
 */
export function placed(answer: unknown, content: readonly string[]): Placed | string {
  if (Array.isArray(answer)) return fromPieces(answer, content);
  if (typeof answer !== 'string') return `It answered ${nameOf(answer)}: expected the text to show.`;
  const problem = problemWith(answer);
  if (problem) return problem;
  const units = graphemes(answer);
  const first = leftmost(units, content);
  if (typeof first === 'string') return first;
  const last = rightmost(units, content);
  return { display: answer, places: first, isAmbiguous: first.some((at, i) => at !== last[i]) };
}

function fromPieces(answer: readonly unknown[], content: readonly string[]): Placed | string {
  if (!answer.every((piece) => typeof piece === 'string'))
    return 'It answered a list of something else than texts.';
  const display = answer.join('');
  const problem = problemWith(display);
  if (problem) return problem;
  const places: number[] = [];
  const own: string[] = [];
  let at = 0;
  for (const [i, piece] of answer.entries()) {
    if (i % 2 === 0) at += piece.length;
    else
      for (const c of graphemes(piece)) {
        own.push(c);
        places.push(at);
        at += c.length;
      }
  }
  if (own.join('') !== content.join(''))
    return `The user’s pieces of its list come to “${own.join('')}”, and the content is “${content.join('')}”.`;
  return { display, places, isAmbiguous: false };
}

function problemWith(display: string): string | undefined {
  if (display.length > mostShown) return `It answered more than ${mostShown} characters.`;
  if (/[\p{Cc}\p{Zl}\p{Zp}\p{Cs}]/u.test(display))
    return 'It answered a line break or another sign no line can show.';
  if (display !== display.normalize('NFC'))
    return 'It answered letters and accents apart: a text is shown composed (NFC).';
  return undefined;
}

/** Each character at the first place it can have; a sentence where there is none. */
function leftmost(units: readonly string[], content: readonly string[]): readonly number[] | string {
  const places: number[] = [];
  let at = 0;
  for (const unit of units) {
    if (unit === content[places.length]) places.push(at);
    at += unit.length;
  }
  return places.length === content.length ? places : missing(units, content, places.length);
}

/** Each at the last. There is one: the leftmost were found. */
function rightmost(units: readonly string[], content: readonly string[]): readonly number[] {
  const places: number[] = [];
  let at = units.reduce((sum, { length }) => sum + length, 0);
  for (let i = units.length - 1; i >= 0; i--) {
    at -= units[i]!.length;
    if (units[i] === content[content.length - 1 - places.length]) places.push(at);
  }
  return places.reverse();
}

/** Why not all of the content stands there in order. */
function missing(units: readonly string[], content: readonly string[], found: number): string {
  const rest = [...units];
  for (const c of content) {
    const i = rest.indexOf(c);
    if (i >= 0) {
      rest.splice(i, 1);
      continue;
    }
    const other = rest.find((unit) => unit.toLowerCase() === c.toLowerCase());
    return other === undefined
      ? `It left “${c}” out.`
      : `It showed “${c}” as “${other}”: letters are shown as they are taken, which “Takes” decides.`;
  }
  return `It put “${content[found]}” in another order.`;
}

const nameOf = (answer: unknown): string =>
  answer === undefined || answer === null ? 'nothing' : `a ${typeof answer}`;

/**
 * The same where two displays tell what is fixed: that of a content, and that of another with as many characters, none of which is the same. What differs is
 * the user's. `undefined` where the two are laid out differently.
 */
export function toldApart(
  display: string,
  content: readonly string[],
  twin: string,
  twinContent: readonly string[],
): readonly number[] | undefined {
  const [units, others] = [graphemes(display), graphemes(twin)];
  if (units.length !== others.length) return undefined;
  const places: number[] = [];
  let at = 0;
  for (const [i, unit] of units.entries()) {
    if (unit !== others[i]) {
      const which = places.length;
      if (unit !== content[which] || others[i] !== twinContent[which]) return undefined;
      places.push(at);
    }
    at += unit.length;
  }
  return places.length === content.length ? places : undefined;
}
