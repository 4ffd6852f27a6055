import { noString } from '../faults/usage.ts';
import { carryOut } from '../field/apply.ts';
import type { Plan } from '../field/compiled.ts';
import type { HydratedField, Kind } from '../field/kind.ts';
import type { EditResult, Extent, InsertResult, TextState } from '../field/text-state.ts';
import type { Atom, LawExemptions } from '../kinds/law-exemptions.ts';
import { boundaryAt, characterAt, graphemes } from '../values/graphemes.ts';

/**
 * A formatter as developers write them: a function from the typed text to the displayed text, connected to a
 * plain input in one of the two usual ways. Wrapped as a field, so that tapes can be played on it and its
 * laws checked. It does not report what it leaves out, and has no value of its own.
 */

/** The function. If it throws, that is reported as the law it breaks. */
export type Formatter = (text: string) => string;

/**
 * The code around it. `browser`: the input's value is replaced, and the browser moves the caret to the end.
 * `count`: the caret is placed after as many letters and digits as were left of it.
 */
export type Wiring = 'browser' | 'count';

/** The text state: the text of the input, and whether the function changed what was typed. */
interface PastedBody extends TextState {
  readonly isRewritten: boolean;
}

const letterOrDigit = /^[\p{L}\p{N}]$/u;
const countIn = (text: string): number => [...text].filter((c) => letterOrDigit.test(c)).length;

/** The offset after `count` letters and digits of a text. */
function behind(text: string, count: number): number {
  let left = count;
  let at = 0;
  for (const c of text) {
    if (left === 0) break;
    if (letterOrDigit.test(c)) left--;
    at += c.length;
  }
  return at;
}

/** Texts that show which characters the function adds. */
const probes = ['1234567890123456', 'abcdefghijklmnop', 'AB12CD34EF56', '12.34', '-12', '1200,5'];

/** The characters that the function adds between those that were typed; never letters or digits. */
function separatorsOf(format: Formatter): ReadonlySet<string> {
  const own = new Set<string>();
  for (const probe of probes)
    for (let length = 1; length <= probe.length; length++) {
      const typed = probe.slice(0, length);
      let shown = '';
      try {
        shown = String(format(typed));
      } catch {
        // If it throws, it does not show what it adds.
      }
      for (const c of graphemes(shown)) if (!letterOrDigit.test(c) && !typed.includes(c)) own.add(c);
    }
  return own;
}

/** Removes half surrogate pairs, which no browser sends. */
const wellFormed = (text: string): string => text.replace(/\p{Cs}/gu, '');

/** The result when the browser has changed the text of the input and the function is called. */
type Rewritten = (text: string, caret: number) => EditResult<PastedBody>;

function rewriting(format: Formatter, wiring: Wiring, separators: ReadonlySet<string>): Rewritten {
  const lay = (display: string, isRewritten: boolean): PastedBody => ({
    content: graphemes(display)
      .filter((c) => !separators.has(c))
      .join(''),
    display,
    complete: display !== '',
    isRewritten,
  });
  return (text, caret) => {
    const display = format(text);
    if (typeof display !== 'string') throw noString(typeof display);
    // Writing into an input what is already there leaves the caret where it is.
    if (display === text) return { body: lay(display, false), caret };
    const count = countIn(text.slice(0, caret));
    return {
      body: lay(display, true),
      caret: wiring === 'browser' ? display.length : behind(display, count),
    };
  };
}

const nothing: PastedBody = { content: '', display: '', complete: false, isRewritten: false };
const taken = (edited: EditResult<PastedBody>): InsertResult<PastedBody> => ({
  ...edited,
  leftOut: '',
  rejected: null,
});
const whole = (body: PastedBody): EditResult<PastedBody> => ({ body, caret: body.display.length });

/** The range that a deletion removes from a plain input. */
function erased(display: string, start: number, end: number, extent: Extent): readonly [number, number] {
  if (start < end) return [start, end];
  const word = /[\p{L}\p{N}]*[^\p{L}\p{N}]*$/u.exec(display.slice(0, start));
  switch (extent) {
    case 'selection':
      return [start, start];
    case 'character-right':
      return [start, start + (start < display.length ? characterAt(display, start).length : 0)];
    case 'character-left':
      return [start > 0 ? boundaryAt(display, start - 1) : 0, start];
    case 'word-left':
      return [start > 0 ? Math.min(word?.index ?? 0, start - 1) : 0, start];
  }
}

/** The function as a kind. */
function kindOf(after: Rewritten): Kind<Plan, PastedBody> {
  const put = (
    { display }: PastedBody,
    start: number,
    end: number,
    given: string,
  ): EditResult<PastedBody> => {
    const text = wellFormed(given);
    return after(display.slice(0, start) + text + display.slice(end), start + text.length);
  };
  return {
    empty: () => nothing,
    hasRoom: () => true,
    raw: (_, { display }) => display,
    value: (_, { display }) => display || null,
    key: (_, body, start, end, character) => put(body, start, end, character),
    insert: (_, body, start, end, text) => taken(put(body, start, end, text)),
    // A value set by a program is passed to the function as well.
    parse: (_, text) => taken(whole(after(wellFormed(text), text.length).body)),
    caretAtEnd: (_, body) => whole(body),
    erase(_, body, start, end, extent) {
      const { display } = body;
      const [from, to] = erased(display, start, end, extent);
      return from === to ? { body, caret: start } : after(display.slice(0, from) + display.slice(to), from);
    },
    // A script that writes into an input clears the browser's undo.
    reduce(field, state, event) {
      const next = carryOut(field, state, event);
      const isWritten = next.body !== state.body && next.body.isRewritten;
      return isWritten && event.type !== 'undo' && event.type !== 'redo'
        ? { ...next, past: null, future: null, run: 'none' }
        : next;
    },
  };
}

/** The function as a field, and its law exemptions. */
export interface Pasted {
  readonly field: HydratedField;
  readonly exemptions: LawExemptions;
}

/**
 * A formatting function as a field with this id, wired to a plain input. Tapes play on it and laws can be
 * checked.
 *
 * @example
 * const { field } = pastedField('theirs', (text) => text.toUpperCase(), 'browser');
 */
export function pastedField(id: string, format: Formatter, wiring: Wiring): Pasted {
  const separators = separatorsOf(format);
  const kind = kindOf(rewriting(format, wiring, separators));
  const field: HydratedField<Plan, PastedBody> = {
    id,
    label: id,
    hint: '',
    placeholder: '',
    locale: 'en-GB',
    initial: '',
    html: {},
    messages: 'first',
    rules: [],
    plan: { kind: 'pasted' },
    kind,
    checks: {},
  };
  const atoms = ({ display }: TextState): readonly Atom[] => {
    let at = 0;
    return graphemes(display).flatMap((c) => {
      const from = at;
      at += c.length;
      return separators.has(c) ? [] : [{ c, at: from }];
    });
  };
  // The field's own states: the laws pass back no others.
  return { field: field as unknown as HydratedField, exemptions: { atoms, isSilent: true } };
}
