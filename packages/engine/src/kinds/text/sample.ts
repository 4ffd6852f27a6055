import type { TextState } from '../../field/text-state.ts';
import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import type { TextPlan } from './run.ts';

export const drawing: SpecimenRenderer<TextPlan, TextState> = {
  sample: ({ plan, html }) => {
    const said =
      html.autocomplete === 'email' || html.inputmode === 'email' ? 'name@huts.example' : 'Free text';
    const isUpper = plan.case === 'upper';
    const cased = isUpper ? said.toUpperCase() : plan.case === 'lower' ? said.toLowerCase() : said;
    return [
      { id: 'trim', part: 'blanks', isAside: true, text: '⎵', caption: 'trim', isOff: plan.trim },
      {
        id: 'text',
        part: 'text',
        text: cased,
        ...(plan.conceal ? { seen: '•'.repeat(cased.length) } : {}),
        caption: 'case',
        isValue: true,
      },
      {
        id: 'lines',
        part: 'lines',
        isAside: true,
        text: '↵',
        caption: plan.lines > 1 ? `${plan.lines} lines` : 'lines',
        isOff: plan.lines === 1,
      },
      {
        id: 'collapse',
        part: 'blanks',
        isAside: true,
        text: plan.collapse ? '⎵' : '⎵⎵',
        caption: 'repeated spaces',
      },
      {
        id: 'max',
        part: 'max',
        isAside: true,
        text: plan.max ? `${plan.max}` : '∞',
        caption: 'maximum',
        isOff: !plan.max,
      },
      {
        id: 'conceal',
        part: 'conceal',
        isAside: true,
        text: plan.conceal ? 'Show' : 'Hide',
        caption: 'hidden',
        isOff: !plan.conceal,
      },
    ];
  },
  conceals: ({ conceal }) => conceal,
};
