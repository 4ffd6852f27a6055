import type { BoxesPlan } from '../../engine/run/boxes.ts';
import { fold, graphemes } from '../../engine/run/graphemes.ts';
import { kindOf } from '../../engine/run/kind.ts';
import type { LineBody } from '../../engine/run/line.ts';
import type { PartsBody } from '../../engine/run/parts.ts';
import type { PhoneBody } from '../../engine/run/phone.ts';
import type { CompiledField } from '../../engine/run/plan.ts';
import type { FieldState } from '../../engine/run/state.ts';

/** A character of the display, and what it is. */
export interface DisplayColumn {
  readonly character: string;
  /** UTF-16 offset in the display. */
  readonly offset: number;
  /** The user contributed it; else it is a sign, a separator or a filled-in zero. */
  readonly isContent: boolean;
  /** It is part of the value: for a telephone number, all but what is dialled before it. */
  readonly isInValue: boolean;
  /** What a person sees there: a bullet where the field conceals. */
  readonly seen: string;
}

const digit = /^\p{Nd}$/u;

/** The display of a field of any kind but `pattern`, character by character. */
export function displayColumns(field: CompiledField, { body }: FieldState): readonly DisplayColumn[] {
  const { plan } = field;
  const isContent = contentTest(field, body as LineBody & PartsBody);
  const isConcealed = (plan.kind === 'pin' || plan.kind === 'one-time-code') && (plan as BoxesPlan).conceal;
  // A trunk or an international prefix is the user's, and stays out of the value.
  const { lead = '' } = plan.kind === 'phone' ? (body as PhoneBody).read : {};
  let ahead = lead.length;
  let offset = 0;
  return graphemes(body.display).map((character) => {
    const own = isContent(character, offset);
    const isLead = own && ahead-- > 0;
    const seen = isConcealed ? '•' : character;
    const column = {
      character,
      offset,
      isContent: own,
      isInValue: own && !isLead && character !== 'x',
      seen,
    };
    offset += character.length;
    return column;
  });
}

function contentTest(
  { plan }: CompiledField,
  body: LineBody & PartsBody,
): (character: string, offset: number) => boolean {
  switch (plan.kind) {
    case 'number':
    case 'currency':
    case 'percent': {
      // Zeros that only fill up are none: a right fill begins with them, a resting text ends with them.
      let padding = body.skip;
      let left = body.content.replace('-', '').length;
      return (character, offset) => {
        if (offset === body.head) return true;
        if (offset < body.from || offset >= body.to) return false;
        const isPoint = character === plan.decimal && plan.fill === 'left';
        if (!digit.test(character) && !isPoint) return false;
        if (padding-- > 0) return false;
        return left-- > 0;
      };
    }
    case 'phone':
      return (character) => /[\d+x]/.test(character);
    case 'date':
    case 'time':
    case 'duration': {
      // A resting text says the same in other words: none of it stands where it was typed.
      const isTyped = body.texts.every(
        (text, i) => [...body.display.slice(body.at[i]!)].slice(0, text.length).map(fold).join('') === text,
      );
      return (_, offset) =>
        isTyped && body.texts.some((text, i) => offset >= body.at[i]! && offset < body.at[i]! + text.length);
    }
    default:
      return () => true;
  }
}

/** The offsets at which the caret may stand. */
export function stopsOf(field: CompiledField, { body }: FieldState): readonly number[] {
  const { stand } = kindOf(field);
  const all = [0];
  for (const character of graphemes(body.display)) all.push(all.at(-1)! + character.length);
  return stand ? all.filter((offset) => stand(field.plan, body, offset) === offset) : all;
}
