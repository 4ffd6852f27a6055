import type { Matter, Takes } from '../editing/notation.ts';

/**
 * A pattern in plain words: "an opening bracket, 3 digits, a closing bracket, a space, …".
 *
 * @example
 * readAloud(parseNotation('(<3 digit>)').nodes);
 */
export function readAloud(nodes: readonly Matter[]): string {
  return nodes.map(inWords).join(', ') || 'nothing';
}

/**
 * One part of a pattern in plain words.
 *
 * @example
 * inWords({ type: 'text', text: '-' });
 */
export function inWords(node: Matter): string {
  switch (node.type) {
    case 'text':
      return fixedInWords(node.text);
    case 'number':
      return `a number from ${node.low} to ${node.high}`;
    case 'words':
      return node.words.length === 2
        ? `either ${node.words[0]} or ${node.words[1]}`
        : `one of ${node.words.slice(0, -1).join(', ')} or ${node.words.at(-1)}`;
    case 'stretch':
      return `then, only if typed into: ${readAloud(node.nodes)}`;
    case 'cells': {
      const { min, max } = node;
      const count = min === max ? String(max) : min === 0 ? `up to ${max}` : `${min} to ${max}`;
      const [one, many] = nameOf(node.takes);
      const manner = node.manner === 'upper' ? 'capital ' : node.manner === 'lower' ? 'small ' : '';
      return `${max === 1 && min === 1 ? 'one' : count} ${manner}${max === 1 ? one : many}`;
    }
  }
}

function nameOf(takes: Takes): [one: string, many: string] {
  if (takes.type === 'characters')
    return [`character of ${takes.characters}`, `characters of ${takes.characters}`];
  if (takes.type === 'class') return [`${takes.name} character`, `${takes.name} characters`];
  switch (takes.name) {
    case 'digit':
      return ['digit', 'digits'];
    case 'letter':
      return ['letter', 'letters'];
    case 'latin':
      return ['letter A to Z', 'letters A to Z'];
    case 'alnum':
      return ['letter or digit', 'letters or digits'];
    case 'any':
      return ['character of any kind', 'characters of any kind'];
  }
}

const names: Readonly<Record<string, string>> = {
  ' ': 'a space',
  '\u00a0': 'a no-break space',
  '-': 'a hyphen',
  '–': 'a dash',
  '(': 'an opening bracket',
  ')': 'a closing bracket',
  '/': 'a slash',
  '\\': 'a backslash',
  '.': 'a full stop',
  ',': 'a comma',
  ':': 'a colon',
  ';': 'a semicolon',
  '+': 'a plus sign',
  '#': 'a number sign',
  '*': 'an asterisk',
  '@': 'an at sign',
  '<': 'a less-than sign',
  '>': 'a greater-than sign',
  '%': 'a percent sign',
  _: 'an underscore',
  "'": 'an apostrophe',
  '"': 'a quotation mark',
  '|': 'an upright bar',
};

/** Fixed text in words: symbols by name, anything longer as it is written. */
function fixedInWords(text: string): string {
  const pieces = text.match(/[\p{L}\p{N}]+|./gsu) ?? [];
  return pieces.map((piece) => names[piece] ?? `“${piece}”`).join(', ');
}
