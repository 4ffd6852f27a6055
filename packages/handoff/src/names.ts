import type { SetDocument } from '@arbeit/engine/document';

/** A name as the key of an object, in quotes if necessary. */
export const keyOf = (name: string): string => (/^\w+$/.test(name) ? name : `'${name}'`);
/** An id in camel case. */
export const camel = (id: string): string =>
  id.replace(/[-_]+(\w)?/g, (_, letter: string = '') => letter.toUpperCase());

/**
 * Words that no export can be named (reserved words of ECMAScript modules), and names that a compiled module
 * uses itself.
 */
const reserved =
  /^(?:arguments|await|break|case|catch|class|const|continue|debugger|default|delete|do|else|enum|eval|export|extends|false|finally|for|function|if|implements|import|in|instanceof|interface|let|new|null|package|private|protected|public|return|static|super|switch|this|throw|true|try|typeof|undefined|var|void|while|with|yield|open|openForm|hydrate|hydrateForm|customBy|customCode|customCheck|customFormat|customFormatBy|customKind)$/;

/**
 * A name for each id, which comes with its description: in camel case, with `Field` after words that cannot
 * be a name. Throws `RangeError` if two ids get the same name.
 */
function namesOf(ids: readonly (readonly [id: string, words: string])[]): ReadonlyMap<string, string> {
  const names = new Map<string, string>();
  const taken = new Map<string, string>();
  for (const [id, words] of ids) {
    const plain = camel(id);
    const name = reserved.test(plain) || /(?:Kind|Check)$/.test(plain) ? `${plain}Field` : plain;
    const other = taken.get(name);
    if (other !== undefined)
      throw new RangeError(`${other} and ${words} would both be called ${name}: rename one.`);
    taken.set(name, words);
    names.set(id, name);
  }
  return names;
}

/** A name with an upper case first letter. */
export const capital = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1);

/** The type name of a form's record, by the name of the form. */
export const recordName = (form: string): string => `${capital(form).replace(/Form$/, '')}Record`;

/**
 * The export names of a set's fields, by id, and of its forms, by id followed by `-form`. Throws `RangeError`
 * if two get the same name.
 */
export function namesIn({
  fields,
  forms = [],
}: Pick<SetDocument, 'fields' | 'forms'>): (id: string) => string {
  const names = namesOf([
    ...fields.map(({ id }) => [id, `the field "${id}"`] as const),
    ...forms.map(({ id }) => [`${id}-form`, `the form "${id}"`] as const),
  ]);
  return (id) => names.get(id) ?? id;
}

/** The first lines of every module of a set. */
export const head = (title: string): string =>
  `// Compiled by Arbeit from the set "${title.replace(/[\n\r\u2028\u2029]/g, ' ')}". Change the document and compile it again.\n`;

/** The file name of a set: letters and digits of its title. */
export const fileName = (title: string): string =>
  `${
    title
      .normalize('NFD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'set'
  }.arbeit.json`;
