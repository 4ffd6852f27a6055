import type { SetDocument } from '@arbeit/engine/document';

/** A name as the key of an object, in quotes where it needs them. */
export const keyOf = (name: string): string => (/^\w+$/.test(name) ? name : `'${name}'`);
/** An id in camel case. */
export const camel = (id: string): string =>
  id.replace(/[-_]+(\w)?/g, (_, letter: string = '') => letter.toUpperCase());

/**
 * Words no export can be called (ECMAScript, reserved words, in modules), and what a compiled module itself
 * is made with.
 */
const reserved =
  /^(?:arguments|await|break|case|catch|class|const|continue|debugger|default|delete|do|else|enum|eval|export|extends|false|finally|for|function|if|implements|import|in|instanceof|interface|let|new|null|package|private|protected|public|return|static|super|switch|this|throw|true|try|typeof|undefined|var|void|while|with|yield|open|openForm|hydrate|hydrateForm|customBy|customCode|customCheck|customFormat|customFormatBy|customKind)$/;

/**
 * A name for each id, of which is known what it is called in words: in camel case, with `Field` behind words
 * that cannot be one. Throws `RangeError` for two of one name.
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

/** With a capital first. */
export const capital = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1);

/** What the record of a form is called as a type, by the form's own name. */
export const recordName = (form: string): string => `${capital(form).replace(/Form$/, '')}Record`;

/**
 * What the fields of a set are called as exports, by id, and its forms, by id with `-form` behind. Throws
 * `RangeError` for two of one name.
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

/** What every module of a set begins with. */
export const head = (title: string): string =>
  `// Compiled by Arbeit from the set "${title.replace(/[\n\r\u2028\u2029]/g, ' ')}". Change the document and compile it again.\n`;

/** What the file of a set is called: letters and digits of its title. */
export const fileName = (title: string): string =>
  `${
    title
      .normalize('NFD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'set'
  }.arbeit.json`;
