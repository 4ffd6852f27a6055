import { apply, start } from '../field/apply.ts';
import type { FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import type { TextState } from '../field/text-state.ts';
import { type KindTable, kindIn } from '../kinds/contract/definition.ts';
import type { SpecimenRenderer } from '../kinds/contract/specimen-renderer.ts';
import { type Atom, type LawExemptions, lawExemptionsOf } from '../kinds/law-exemptions.ts';
import { valueTypesOf } from '../kinds/value-types.ts';
import { marked } from '../tape/marked.ts';
import { fold, graphemes } from '../values/graphemes.ts';

/** A field made ready for its laws. */
export interface LawSubject {
  readonly field: HydratedField;
  readonly exemptions: LawExemptions;
  /** The user’s characters, each with its place; and as one text: what closes a part is none of them. */
  readonly atomsOf: (body: TextState) => readonly Atom[];
  readonly textOf: (body: TextState) => string;
  /** Nothing typed, with the focus. */
  readonly fresh: FieldState;
  /** How its values are written; `undefined` where nothing exact is known of them. */
  readonly grammar: RegExp | undefined;
  /** Its value is picked and not typed. */
  readonly isPicked: boolean;
  /** ISO 8601. */
  readonly today: string;
}

/** A field ready for its laws on a day (ISO 8601). */
export function subjectOf(field: HydratedField, kinds: KindTable, today: string): LawSubject {
  const { draw, lawExemptions, valueTypes } = kindIn(kinds, field.plan.kind);
  const exemptions = lawExemptions ?? lawExemptionsOf(field.plan);
  const { expression, beyond } = valueTypesOf(field.plan, valueTypes).values;
  return {
    ...subjectWith(
      field,
      exemptions.atoms ? exemptions : { ...exemptions, atoms: atomsDrawn(field, draw) },
      today,
    ),
    grammar:
      expression === undefined || beyond !== undefined ? undefined : new RegExp(`^(?:${expression})$`, 'u'),
    isPicked: draw.isPicked ?? false,
  };
}

/** A field whose kind is in no table, with what the laws have to know of it. */
export function subjectWith(field: HydratedField, exemptions: LawExemptions, today: string): LawSubject {
  const atomsOf = rememberingTwo(exemptions.atoms ?? (() => []));
  return {
    field,
    exemptions,
    atomsOf,
    textOf: rememberingTwo((body) =>
      atomsOf(body)
        .map(({ c }) => c)
        .join(''),
    ),
    fresh: apply(field, { ...start(field), ...emptied(field) }, { type: 'focus' }),
    grammar: undefined,
    isPicked: false,
    today,
  };
}

/** The characters of the user, as the kind's drawing tells them from the fixed ones. */
function atomsDrawn({ plan }: HydratedField, draw: SpecimenRenderer): (body: TextState) => readonly Atom[] {
  return (body) => {
    const own = draw.isUsers?.(plan, body) ?? (() => true);
    const places: number[] = [];
    let offset = 0;
    for (const character of graphemes(body.display)) {
      if (own(character, offset)) places.push(offset);
      offset += character.length;
    }
    return graphemes(body.content).map((c, i) => ({ c, at: places[i] ?? body.display.length }));
  };
}

/** Several laws ask the same of a body and of the one before it, and of hardly any other. */
function rememberingTwo<T>(of: (body: TextState) => T): (body: TextState) => T {
  let [last, before]: [TextState?, TextState?] = [];
  let [ofLast, ofBefore]: [T?, T?] = [];
  return (body) => {
    // Whoever is remembered has something.
    if (body === last) return ofLast as T;
    if (body === before) return ofBefore as T;
    [before, ofBefore] = [last, ofLast];
    last = body;
    ofLast = of(body);
    return ofLast;
  };
}

/** Nothing, whatever it starts with. */
export function emptied({ kind, plan }: HydratedField): Pick<FieldState, 'body' | 'start' | 'end'> {
  const { body, caret } = kind.caretAtEnd(plan, kind.empty(plan));
  return { body, start: caret, end: caret };
}

/** A display with its caret or selection drawn in. */
export const drawn = ({ body: { display }, start, end }: FieldState): string =>
  `“${marked(display, [start, end])}”`;

export const isSame = (a: FieldState, b: FieldState): boolean =>
  a.body.display === b.body.display &&
  a.body.content === b.body.content &&
  a.start === b.start &&
  a.end === b.end;

/** A letter or a digit. */
export const sign = /^[\p{L}\p{N}]$/u;
const digits = /^[0-9]*$/;
/** Letters and digits of a text, compared without case, script of digits and accents. */
export const signsOf = (text: string): readonly string[] =>
  digits.test(text)
    ? text.split('')
    : [...text.normalize('NFKD').toLowerCase()].map(fold).filter((c) => sign.test(c));

/** Whether nothing is left short in the middle and the text stays as it is in Unicode's composed form. */
export const isTold = ({ field, exemptions }: LawSubject, { body }: FieldState): boolean =>
  (exemptions.isTold?.(field.plan, body) ?? true) && body.display === body.display.normalize('NFC');

export const isFromRight = ({ field, exemptions }: LawSubject): boolean =>
  exemptions.isFromRight?.(field.plan) ?? false;
