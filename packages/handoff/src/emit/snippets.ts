import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { capital, namesIn } from '../names.ts';
import { isPicked, type Needs, needsOf, type Use } from './adapters.ts';
import { type Application, type AppName, applications } from './apps/index.ts';
import { usualPrefix } from './modules.ts';

/** An example for one adapter. */
export interface Snippet {
  readonly use: Use;
  /** The application it is from, if it is from one, and its path there. */
  readonly app?: AppName;
  readonly path?: string;
  /** The form or field it is about. */
  readonly of: { readonly type: 'form' | 'field'; readonly id: string };
  readonly title: string;
  /** Language for highlighting: `html`, `js`, `ts`, `tsx`, `vue`, `svelte`. */
  readonly language: string;
  readonly code: string;
}

/** A snippet without its adapter. */
type Written = Omit<Snippet, 'use' | 'of'>;

/** What snippets are about: the first form of the set, otherwise its first field. */
interface About {
  /** What the names of elements begin with. */
  readonly prefix: string;
  readonly field: string;
  readonly id: string;
  readonly form?: {
    readonly id: string;
    readonly name: string;
    readonly stem: string;
    readonly fields: readonly string[];
  };
  readonly isAsking: boolean;
}

function aboutOf(set: SetDocument, { isAsking }: Needs, prefix: string): About | undefined {
  const nameOf = namesIn(set);
  const [form] = set.forms ?? [];
  const ids = form ? fieldIdsOf(form) : [];
  // A text input shows best what a field does.
  const own = form ? set.fields.filter(({ id }) => ids.includes(id)) : set.fields;
  const first = own.find(({ kind }) => !isPicked(kind, kinds)) ?? own[0];
  if (!first) return undefined;
  const name = form ? nameOf(`${form.id}-form`) : '';
  return {
    prefix,
    field: nameOf(first.id),
    id: first.id,
    isAsking,
    ...(form && ids.length
      ? { form: { id: form.id, name, stem: capital(name.replace(/Form$/, '')), fields: ids } }
      : {}),
  };
}

/**
 * The snippets of a set, for the adapters that are included: what a developer writes of each application, and
 * short examples for the others.
 */
export function snippets(set: SetDocument, uses: readonly Use[], prefix = usualPrefix): readonly Snippet[] {
  const about = aboutOf(set, needsOf(set, kinds), prefix);
  if (!about) return [];
  const of = about.form
    ? ({ type: 'form', id: about.form.id } as const)
    : ({ type: 'field', id: about.id } as const);
  // What they show of a form is the same whether its records are checked on a server or not.
  const apps = applications(set, [...uses, 'server'], kinds, prefix);
  const short = uses.flatMap((use): readonly Snippet[] => {
    const written = fragments[use]?.(about);
    if (written) return [{ ...written, use, of }];
    return apps.filter((app) => app.use === use).flatMap((app) => ownFiles(app, of));
  });
  // Applications of a use that has a short example come after all of those.
  const more = apps.filter(({ use }) => fragments[use] && uses.includes(use));
  return [...short, ...more.flatMap((app) => ownFiles(app, of))];
}

/** Short examples, by use. */
const fragments: Readonly<Partial<Record<Use, (about: About) => Written | undefined>>> = {
  element: (about) => element(about),
  dom: (about) => dom(about),
  server: (about) => server(about),
};

/** The files of an application that a developer writes. */
const ownFiles = ({ name, use, title, files, own }: Application, of: Snippet['of']): readonly Snippet[] =>
  own.map((path) => ({
    use,
    app: name,
    path,
    of,
    title: `${title}: ${path}`,
    language: path.slice(path.lastIndexOf('.') + 1),
    code: files.get(path) ?? '',
  }));

const few = 3;

function element({ form, id, prefix }: About): Written {
  const fields = (form?.fields.slice(0, few) ?? [id]).map(
    (one) => `    <${prefix}-field field="${one}"></${prefix}-field>`,
  );
  const more = form && form.fields.length > few ? ['    <!-- and so on -->'] : [];
  const inside = form
    ? [`  <${prefix}-form form="${form.id}">`, ...fields, ...more, `  </${prefix}-form>`]
    : fields.map((line) => line.slice(2));
  return {
    title: 'Custom elements in a page',
    language: 'html',
    code: [
      '<script type="module" src="./elements.js"></script>',
      '',
      '<form method="post">',
      ...inside,
      '  <button>Submit</button>',
      '</form>',
    ].join('\n'),
  };
}

function dom({ field, id }: About): Written {
  return {
    title: 'Plain JavaScript, with your own input',
    language: 'js',
    code: [
      "import { bind, createStore, evaluateOn } from './dom.js';",
      "import * as fields from './fields.js';",
      '',
      `const store = createStore(fields.${field}, evaluateOn());`,
      `bind(document.querySelector('[name="${id}"]'), store);`,
      'store.subscribe(() => console.log(store.evaluation().value));',
    ].join('\n'),
  };
}

function server({ form, isAsking }: About): Written | undefined {
  if (!form) return undefined;
  const given = isAsking ? '{ today: today(), ask }' : '{ today: today() }';
  return {
    title: 'On the server',
    language: 'js',
    code: [
      `import { ${isAsking ? 'askByFetch, ' : ''}check${form.stem}, standard${form.stem} } from './server.js';`,
      '',
      '// The calendar day where the people are who fill in the form: set their time zone.',
      "const day = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/London' });",
      'const today = () => day.format(new Date());',
      '',
      ...(isAsking
        ? [
            '// What the rules ask is asked again here: set the origin of the routes that answer.',
            "const ask = askByFetch('http://localhost:3000');",
            '',
          ]
        : []),
      '// Next.js server action',
      'export async function send(formData) {',
      "  'use server';",
      `  return check${form.stem}(formData, ${given});`,
      '}',
      '',
      '// Plain HTTP handler',
      'export async function POST(request) {',
      `  const checked = await check${form.stem}(await request.json(), ${given});`,
      '  if (!checked.ok) return Response.json({ findings: checked.findings }, { status: 422 });',
      '  return Response.json({ findings: [] });',
      '}',
      '',
      '// Standard Schema: works with any library that accepts one',
      `export const schema = standard${form.stem}({ today${isAsking ? ', ask' : ''} });`,
    ].join('\n'),
  };
}
