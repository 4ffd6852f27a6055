import type { FieldDocument, SetDocument } from '../document/document.ts';
import type { Kind } from '../field/kind.ts';
import { filled, type Options } from '../options/option.ts';
import type { Definition, KindEntry } from './contract/definition.ts';
import type { SpecimenRenderer } from './contract/specimen-renderer.ts';
import { type LineBody, lineKind } from './editing/line.ts';

/**
 * What adding a kind takes, done once more by a stranger: a tally of strokes in fives, in a file nobody else
 * knows. It must live in documents, their faults, the schema, the reference, tapes, the laws and on a desk
 * without a word anywhere else.
 */
export interface TallyPlan {
  readonly kind: 'tally';
  readonly most: number;
}

declare module '../document/entries.ts' {
  interface Entries {
    tally: { readonly most?: number };
  }
}

const stroke = 'I'.charCodeAt(0);

export function lay(plan: TallyPlan, content: string): LineBody {
  const display = content.replace(/I{5}(?=I)/g, '$& ');
  return {
    content,
    display,
    complete: content.length === plan.most,
    from: 0,
    to: display.length,
    head: -1,
    skip: 0,
  };
}

export const tally: Kind<TallyPlan, LineBody> = {
  ...lineKind<TallyPlan, LineBody>({
    lay,
    is: (_, unit) => unit === stroke,
    insertCharacter: ({ most }, content, at, character) => {
      if (character !== 'I') return 'not-accepted';
      if (content.length >= most) return 'full';
      return { content: `${content.slice(0, at)}I${content.slice(at)}`, at: at + 1 };
    },
    clean: (_, text) => ({ text: text.replace(/[^I]/g, ''), leftOut: text.replace(/[I\s]/g, '') }),
  }),
  raw: (_, { content }) => content,
  value: (_, { content, complete }) => (complete ? String(content.length) : null),
  hasRoom: ({ most }, { content }) => content.length < most,
  parse: (plan, text) => {
    const content = 'I'.repeat(
      Math.min(plan.most, /^\d+$/.test(text) ? Number(text) : text.split('I').length - 1),
    );
    const body = lay(plan, content);
    return { body, caret: body.to, leftOut: '', rejected: content ? null : 'not-accepted' };
  },
};

const options = {
  most: { is: 'whole', label: 'Strokes, at most', at: ['strokes'], min: 1, max: 50, usual: 12 },
} as const satisfies Options;

export const define: Definition<typeof options, TallyPlan> = {
  name: 'tally',
  options,
  plan: (entry) => ({ kind: 'tally', ...filled(options, entry) }),
  attributes: () => ({ inputmode: 'text' }),
  pointless: ['checksum'],
};

const draw: SpecimenRenderer<TallyPlan, LineBody> = {
  sample: ({ plan }) => [
    {
      id: 'strokes',
      part: 'strokes',
      text: lay(plan, 'I'.repeat(7)).display,
      caption: 'strokes',
      isValue: true,
    },
  ],
};

export const entry: KindEntry = { run: tally, define, draw };

export const definition: FieldDocument = { id: 'guests', kind: 'tally', label: 'Guests', entry: { most: 7 } };
export const document: SetDocument = {
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [definition],
};
