import type { Piece, SpecimenRenderer } from '../contract/specimen-renderer.ts';
import { taken } from '../editing/takes.ts';
import type { CustomPlan, CustomText } from './body.ts';

/** Characters that samples are made of, in the order of preference. */
const tried = [...'RH4815162342', ...'KMPTXLNQS', ...'hutskeymap'];

/** A content as somebody could type it. */
function sampleOf({ takes, least, most }: CustomPlan): string {
  const own = tried.flatMap((c) => taken(takes, c) ?? []);
  const length = Math.min(most, Math.max(least, 8));
  return Array.from({ length }, (_, i) => own[i % own.length] ?? '?').join('');
}

/** The display in stretches: the user's text and fixed text alternate. */
function stretchesOf({ display, places, characters }: CustomText): readonly Piece[] {
  const pieces: Piece[] = [];
  const add = (text: string, isValue: boolean): void => {
    if (text === '') return;
    const last = pieces.at(-1);
    if (last && (last.isValue ?? false) === isValue)
      pieces.splice(-1, 1, { ...last, text: last.text + text });
    else
      pieces.push({
        id: `${isValue ? 'taken' : 'fixed'}-${pieces.length}`,
        part: isValue ? 'allowed' : 'format',
        text,
        caption: isValue ? 'allowed' : 'format',
        ...(isValue ? { isValue } : {}),
      });
  };
  let at = 0;
  for (const [i, place] of places.entries()) {
    add(display.slice(at, place), false);
    add(characters[i]!, true);
    at = place + characters[i]!.length;
  }
  add(display.slice(at), false);
  return pieces;
}

export const drawing: SpecimenRenderer<CustomPlan, CustomText> = {
  sample: ({ kind, plan }) => [
    ...stretchesOf(kind.parse(plan, sampleOf(plan)).body),
    { id: 'shape', part: 'shape', isAside: true, text: 'shape(content)', caption: 'code' },
    {
      id: 'length',
      part: 'length',
      isAside: true,
      text: plan.least === plan.most ? `${plan.least}` : `${plan.least}–${plan.most}`,
      caption: 'characters',
    },
  ],
  isUsers:
    (_, { places }) =>
    (_character, offset) =>
      places.includes(offset),
};
