import { say, type Texts } from '../../faults/say.ts';
import { noClass } from '../../faults/usage.ts';
import type { EntryOf, Options } from '../../options/option.ts';
import type { Definition } from '../contract/definition.ts';
import { parseNotation, setOf } from '../editing/notation.ts';
import type { CustomPlan } from './body.ts';

/** Maximum length where the document sets none, in characters. */
const usualMost = 100;

const faults = {
  'one-class': 'Enter one character class without a count.',
} as const satisfies Texts;

const options = {
  code: {
    is: 'text',
    label: 'Custom format (JavaScript)',
    about:
      'An ES module. shape(content) returns the text to display; the optional value(content) returns the value.',
    at: ['shape'],
    needed: true,
    isCode: true,
    // It must export only declarations and import nothing: handed off, it is inside the page's own code.
    // Blank lines are not scanned from each of them again: the expression starts at the last one before a
    // word.
    form:
      '^(?=[\\s\\S]{1,20000}$)(?![\\s\\S]*(?:^|[\\n;}])[^\\S\\n]*(?:import\\b|export\\s*(?:default\\b|[{*])))' +
      '[\\s\\S]*?(?:^|[\\n;}])[^\\S\\n]*export\\s+(?:function|const|let|var)\\s+shape\\b[\\s\\S]*$',
    expected:
      'Expected “export function shape(content)”, no import and no other export but “value”, in 20,000 characters at most.',
    suggestion: 'export function shape(content) { return content; }',
  },
  takes: {
    is: 'text',
    label: 'Allowed characters',
    about: 'A character class as in patterns: digit, latin upper, "0-9A-F".',
    at: ['takes'],
    check: (text, { classes }) => {
      const { nodes, faults: found } = parseNotation(`<${text}>`, classes);
      // The bracket before the code was added here.
      if (found.length) return found.map((fault) => ({ ...fault, column: Math.max(1, fault.column - 1) }));
      const [node] = nodes;
      return nodes.length === 1 && node?.type === 'cells' && node.min === 1 && node.max === 1
        ? []
        : [{ ...say(faults, 'one-class'), suggestion: 'digit' }];
    },
    offers: () => [
      ['digit', 'digits'],
      ['latin upper', 'capitals from A to Z'],
      ['alnum', 'letters and digits'],
      ['any', 'anything'],
    ],
    usual: 'digit',
  },
  length: {
    is: 'bounds',
    label: 'Characters',
    about: 'Minimum (complete) and maximum number of characters.',
    at: ['length'],
    min: 1,
    max: 500,
    otherwise: `1 to ${usualMost}`,
  },
} as const satisfies Options;

function plan(entry: EntryOf<typeof options>, classes: Readonly<Record<string, string>>): CustomPlan {
  const { code, takes = 'digit', length = {} } = entry;
  const [node] = parseNotation(`<${takes}>`, Object.keys(classes)).nodes;
  if (node?.type !== 'cells') throw noClass(takes);
  const { min = 1, max = Math.max(min, usualMost) } = length;
  return {
    kind: 'custom',
    code,
    takes: { takes: 'set', set: setOf(node.takes, classes), ...(node.manner ? { manner: node.manner } : {}) },
    least: min,
    most: max,
  };
}

export const custom: Definition<typeof options, CustomPlan> = {
  name: 'custom (JavaScript)',
  direction: 'ltr',
  options,
  faults,
  plan: (entry, { classes }) => plan(entry, classes),
  attributes: ({ takes = 'digit' }) =>
    takes === 'digit' ? { inputmode: 'numeric' } : { autocapitalize: 'none', spellcheck: 'false' },
  says: ['reason', 'line'],
};
