import type { SetDocument } from '../document/document.ts';
import { checkEntry } from './contract.ts';

/** The check `begins` as a document has it and as it runs. */
interface Begins {
  readonly type: 'begins';
  readonly text: string;
}

declare module './check-documents.ts' {
  interface CheckDocuments {
    begins: Begins;
  }
}
declare module '../rules/compiled-checks.ts' {
  interface CompiledChecks {
    begins: Begins;
  }
}

/**
 * A check by somebody who cannot change this package: whether the raw value begins with a text. One value
 * holds all there is to it; no other file knows it.
 */
export const begins = checkEntry(
  {
    type: 'begins',
    options: {
      text: {
        is: 'text',
        label: 'Begins with',
        at: [],
        form: '\\S',
        expected: 'Expected a text.',
        needed: true,
      },
    },
    data: ['text'],
    mutations: (check) => [
      [`begins with “${check.text}!”`, { ...check, text: `${check.text}!` }],
      ['begins with anything else', { ...check, text: check.text.slice(1) || '0' }],
    ],
  },
  {
    codes: ['begins-otherwise'],
    run({ kind, plan }, body, { text }) {
      const raw = kind.raw(plan, body);
      if (raw.startsWith(text)) return { verdict: 'pass', code: 'begins-otherwise', data: {} };
      const isOpen = text.startsWith(raw) && kind.hasRoom(plan, body);
      return { verdict: isOpen ? 'open' : 'fail', code: 'begins-otherwise', data: { text } };
    },
    wording: {
      en: { 'begins-otherwise': 'Start with {text}.' },
      de: { 'begins-otherwise': 'Beginnen Sie mit {text}.' },
    },
  },
);

/** A set whose one field has a rule with this check. */
export const document: SetDocument = {
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [
    {
      id: 'pass',
      kind: 'text',
      label: 'Pass',
      entry: {},
      rules: [{ id: 'begins', check: { type: 'begins', text: 'RH' }, show: 'at-once' }],
    },
  ],
};
