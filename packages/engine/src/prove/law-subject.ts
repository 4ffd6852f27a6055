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

/** A field prepared for law checks. */
export interface LawSubject {
  readonly field: HydratedField;
  readonly exemptions: LawExemptions;
  /** The user's characters with their places, and as one text. */
  readonly atomsOf: (body: TextState) => readonly Atom[];
  readonly textOf: (body: TextState) => string;
  /** The empty field with focus. */
  readonly fresh: FieldState;
  /** The form of its values; `undefined` if that is not known exactly. */
  readonly grammar: RegExp | undefined;
  /** Whether its value is picked. */
  readonly isPicked: boolean;
  /** ISO 8601. */
  readonly today: string;
}

/** A field prepared for law checks on a day (ISO 8601). */
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

/** A field whose kind is in no table, with its law exemptions. */
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

/** The user's characters as the specimen renderer distinguishes them from fixed ones. */
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

/** Remembers the last two results: several laws ask about the same two text states. */
function rememberingTwo<T>(of: (body: TextState) => T): (body: TextState) => T {
  let [last, before]: [TextState?, TextState?] = [];
  let [ofLast, ofBefore]: [T?, T?] = [];
  return (body) => {
    // A remembered state has a result.
    if (body === last) return ofLast as T;
    if (body === before) return ofBefore as T;
    [before, ofBefore] = [last, ofLast];
    last = body;
    ofLast = of(body);
    return ofLast;
  };
}

/** The field without content, whatever its initial value. */
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
/** Letters and digits of a text, without case, script of digits and accents, for comparison. */
export const signsOf = (text: string): readonly string[] =>
  digits.test(text)
    ? text.split('')
    : [...text.normalize('NFKD').toLowerCase()].map(fold).filter((c) => sign.test(c));

/** Whether the display shows the whole content and the text is in Unicode's composed form. */
export const isTold = ({ field, exemptions }: LawSubject, { body }: FieldState): boolean =>
  (exemptions.isTold?.(field.plan, body) ?? true) && body.display === body.display.normalize('NFC');

export const isFromRight = ({ field, exemptions }: LawSubject): boolean =>
  exemptions.isFromRight?.(field.plan) ?? false;
