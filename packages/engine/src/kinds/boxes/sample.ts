import type { HydratedField } from '../../field/kind.ts';
import { itemAt } from '../../values/item-at.ts';
import type { Piece, SpecimenRenderer } from '../contract/specimen-renderer.ts';
import type { LineBody } from '../editing/line.ts';
import type { BoxesPlan } from './run.ts';

function sample({ plan }: HydratedField<BoxesPlan, LineBody>): readonly Piece[] {
  const { length, groups, conceal, accept, kind } = plan;
  const sample = accept === 'digit' ? '481516234208' : 'K7M2P9X4T6QD';
  const pieces: Piece[] = [];
  let at = 0;
  for (const [group, size] of groups.entries()) {
    if (group > 0) pieces.push({ id: `gap-${group}`, part: 'groups', text: ' ', caption: 'group gap' });
    for (let i = 0; i < size; i++, at++)
      pieces.push({
        id: `box-${at}`,
        part: 'box',
        text: itemAt(sample, at),
        ...(conceal ? { seen: '•' } : {}),
        caption: accept === 'digit' ? '0-9' : 'a/9',
        isValue: true,
      });
  }
  if (kind === 'pin')
    pieces.push({
      id: 'conceal',
      part: 'conceal',
      isAside: true,
      text: conceal ? 'Show' : 'Hide',
      caption: 'hidden',
      isOff: !conceal,
    });
  else if (groups.length === 1 && length > 3)
    pieces.push({ id: 'gap', part: 'groups', text: '⎵', caption: 'groups', isOff: true });
  return pieces;
}

export const drawing: SpecimenRenderer<BoxesPlan, LineBody> = {
  sample,
  conceals: ({ conceal }) => conceal,
  gaps: ({ groups }) => groups.slice(0, -1).map((_, i) => groups.slice(0, i + 1).reduce((a, b) => a + b, 0)),
};
