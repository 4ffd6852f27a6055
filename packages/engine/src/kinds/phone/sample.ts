import { apply, start } from '../../field/apply.ts';
import type { HydratedField } from '../../field/kind.ts';
import { codeOf } from '../../plans/plans.ts';
import type { PhoneFormat } from '../../plans/region-plan.ts';
import { itemAt } from '../../values/item-at.ts';
import type { Piece, SpecimenRenderer } from '../contract/specimen-renderer.ts';
import type { PhonePlan } from './plan.ts';
import type { PhoneBody } from './run.ts';

/**
 * Numbers that the regulators reserve for fiction, without trunk prefix. For other regions a format is filled
 * with fives.
 */
const fictional: Readonly<Record<string, string>> = {
  GB: '7700900123',
  US: '2015550123',
  CA: '4165550123',
  FR: '639980010',
  AU: '491570006',
};

function sample(field: HydratedField<PhonePlan, PhoneBody>): readonly Piece[] {
  const { plan } = field;
  const { home } = plan;
  const { formats } = itemAt(plan.plans, home);
  const isWanted = ({ type }: PhoneFormat) =>
    plan.types.length === 0 || type === 'either' || plan.types.includes(type as 'mobile');
  const format = formats.find(isWanted) ?? itemAt(formats, 0);
  const lead = itemAt(format.starts, 0)
    .replace(/\[(.)[^\]]*\]/g, '$1')
    .replaceAll('?', '5');
  const given = fictional[home];
  const isGiven = given !== undefined && !(plan.types.length === 1 && plan.types[0] === 'fixed');
  const digits = isGiven ? given : (lead + '5550123456'.repeat(2)).slice(0, format.min);
  const { body } = apply(field, start(field), { type: 'set', text: `+${codeOf(home)!.code}${digits}` });
  const pieces: Piece[] = [
    { id: 'region', part: 'region', text: home, caption: 'home region', isAside: true },
  ];
  for (const [i, text] of (body.display.match(/[+\d]+|[^+\d]+/g) ?? []).entries()) {
    const isDigits = /\d/.test(text);
    const isLead = i === 0 && isDigits;
    pieces.push({
      id: `n${i}`,
      part: isLead ? 'style' : 'number',
      text,
      caption: isLead ? (text.startsWith('+') ? 'code' : 'first') : isDigits ? 'digits' : '·',
      isValue: isDigits,
    });
  }
  pieces.push({
    id: 'ext',
    part: 'extension',
    text: 'ext. 12',
    caption: 'extension',
    isOff: !plan.extension,
  });
  return pieces;
}

export const drawing: SpecimenRenderer<PhonePlan, PhoneBody> = {
  sample,
  isUsers: () => (character) => /[\d+x]/.test(character),
  // A trunk or an international prefix was typed by the user, but is not part of the value.
  lead: ({ read }) => read.lead.length,
  other: ({ style }) =>
    style === 'international'
      ? { entry: { style: 'national' }, label: 'written nationally' }
      : { entry: { style: 'international' }, label: 'written internationally' },
};
