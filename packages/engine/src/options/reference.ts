import type { CheckOptions, Limit, ListItem, Option } from './option.ts';

/**
 * Options as rows of a Markdown table, for `docs/options.md` and `docs/checks.md`.
 *
 * @example
 * const table: string = tableOf(kinds.date.define.options);
 */
export function tableOf(options: CheckOptions): string {
  const rows = Object.entries(options).map(([key, option]) =>
    [
      `\`${key}\``,
      escaped(takes(option)),
      escaped(usual(option)),
      escaped(option.about ?? `${option.label}.`),
    ].join(' | '),
  );
  return ['| option | takes | usual | |', '|---|---|---|---|', ...rows.map((row) => `| ${row} |`)].join('\n');
}

const code = (value: unknown): string => `\`${typeof value === 'string' ? value : JSON.stringify(value)}\``;

function takes(option: Option | Limit): string {
  switch (option.is) {
    case 'limit':
      return 'a number, or a text in the raw form of the field';
    case 'list': {
      const list = `a list of ${takesItem(option.of)}`;
      return option.any === undefined ? list : `${code(option.any)} or ${list}`;
    }
    case 'picks':
      return 'a list of `{ "value", "label" }`';
    case 'bounds':
      return `\`{ "min", "max" }\`, ${option.min} to ${option.max}`;
    case 'text':
      return option.orList === undefined ? takesItem(option) : `a text, or a list of up to ${option.orList}`;
    default:
      return takesItem(option);
  }
}

function takesItem(item: ListItem | Exclude<Option, { is: 'list' | 'bounds' | 'picks' }>): string {
  switch (item.is) {
    case 'choice':
      return item.choices
        .map(([value, words]) => (words === value ? code(value) : `${code(value)} ${words}`))
        .join(', ');
    case 'whole':
      return `${item.min} to ${item.max}`;
    case 'text':
      return item.among ? 'a code' : 'a text';
  }
}

function usual(option: Option | Limit): string {
  if (option.needed) return 'needed';
  if ('usual' in option && option.usual !== undefined) return code(option.usual);
  return ('otherwise' in option && option.otherwise) || 'nothing';
}

const escaped = (text: string): string => text.replaceAll('|', '\\|');
