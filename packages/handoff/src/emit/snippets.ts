import { type FieldDocument, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { inTemplate, markupInTemplate } from '../escape.ts';
import { capital, namesIn } from '../names.ts';
import { isPicked, type Needs, needsOf, type Use } from './adapters.ts';

/** An example for one adapter. */
export interface Snippet {
  readonly use: Use;
  /** The form or field it is about. */
  readonly of: { readonly type: 'form' | 'field'; readonly id: string };
  readonly title: string;
  /** Language for highlighting: `html`, `js`, `jsx`, `vue`, `svelte`. */
  readonly language: string;
  readonly code: string;
}

/** A snippet without its adapter. */
type Written = Omit<Snippet, 'use' | 'of'>;

/** What snippets are about: the first form of the set, otherwise its first field. */
interface About {
  readonly field: string;
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly look: FieldDocument['look'];
  readonly form?: {
    readonly id: string;
    readonly name: string;
    readonly stem: string;
    readonly fields: readonly string[];
  };
  readonly isAsking: boolean;
}

function aboutOf(set: SetDocument, { isAsking }: Needs): About | undefined {
  const nameOf = namesIn(set);
  const [form] = set.forms ?? [];
  const ids = form ? fieldIdsOf(form) : [];
  // A text input shows best what a field does.
  const own = form ? set.fields.filter(({ id }) => ids.includes(id)) : set.fields;
  const first = own.find(({ kind }) => !isPicked(kind, kinds)) ?? own[0];
  if (!first) return undefined;
  const name = form ? nameOf(`${form.id}-form`) : '';
  return {
    field: nameOf(first.id),
    id: first.id,
    label: first.label,
    hint: first.hint ?? '',
    look: first.look,
    isAsking,
    ...(form && ids.length
      ? { form: { id: form.id, name, stem: capital(name.replace(/Form$/, '')), fields: ids } }
      : {}),
  };
}

/** The snippets of a set, for the adapters that are included. */
export function snippets(set: SetDocument, uses: readonly Use[]): readonly Snippet[] {
  const about = aboutOf(set, needsOf(set, kinds));
  if (!about) return [];
  const all: Readonly<Record<Use, ((about: About) => Written | undefined) | undefined>> = {
    element,
    dom,
    react,
    vue,
    svelte,
    server,
    html: undefined,
    sql: undefined,
    trials: undefined,
  };
  const of = about.form
    ? ({ type: 'form', id: about.form.id } as const)
    : ({ type: 'field', id: about.id } as const);
  // A manual binding, and a component of a framework for one field, show the first one.
  return uses.flatMap((use) => {
    const written = all[use]?.(about);
    return written ? [{ ...written, use, of }] : [];
  });
}

const few = 3;

function element({ form, id }: About): Written {
  const fields = (form?.fields.slice(0, few) ?? [id]).map(
    (one) => `    <arbeit-field field="${one}"></arbeit-field>`,
  );
  const more = form && form.fields.length > few ? ['    <!-- and so on -->'] : [];
  const inside = form
    ? [`  <arbeit-form form="${form.id}">`, ...fields, ...more, '  </arbeit-form>']
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

function react({ field, form, isAsking }: About): Written {
  const one = [
    'export function One({ field, store }) {',
    '  const live = useField(field, { store });',
    '  return (',
    '    <div {...live.rootProps}>',
    '      <Label field={live} />',
    '      <Frame field={live}>',
    '        <Control field={live} />',
    '      </Frame>',
    '      <Hint field={live} />',
    '      <Message field={live} />',
    '    </div>',
    '  );',
    '}',
  ];
  if (!form)
    return {
      title: 'React',
      language: 'jsx',
      code: [
        "import './look.css';",
        "import { Control, Frame, Hint, Label, Message, useField } from './react.js';",
        "import * as fields from './fields.js';",
        '',
        ...one.map((line) =>
          line.replace('{ field, store }', '').replace('field, { store }', `fields.${field}`),
        ),
      ].join('\n'),
    };
  return {
    title: 'React',
    language: 'jsx',
    code: [
      "import './look.css';",
      "import { Control, Frame, Hint, Label, Message, useField, useForm } from './react.js';",
      ...(isAsking ? ["import { askByFetch, driveFormAsks } from './dom.js';"] : []),
      "import * as fields from './fields.js';",
      '',
      ...(isAsking ? ['const drive = (store) => driveFormAsks(store, askByFetch());', ''] : []),
      `export function ${form.stem}Form() {`,
      `  const { store, formProps } = useForm(fields.${form.name}${isAsking ? ', { drive }' : ''});`,
      '  return (',
      '    <form {...formProps} method="post">',
      `      {fields.${form.name}.fields.map((field) => (`,
      '        <One key={field.id} field={field} store={store.field(field.id)} />',
      '      ))}',
      '      <button>Submit</button>',
      '    </form>',
      '  );',
      '}',
      '',
      ...one,
    ].join('\n'),
  };
}

/** A control with its label, its hint and the element for messages, connected by ids. */
function tied(
  { id, label, hint, look = {} }: About,
  control: string,
  messages: readonly string[],
): readonly string[] {
  const beside = (name: string, inside: string): string =>
    `  <span data-arbeit="${name}" aria-hidden="true">${inside}</span>`;
  return [
    `<label for="${id}">${inTemplate(label)}</label>`,
    '<span data-arbeit="frame">',
    // Not escaped on purpose: readDocument() accepts only SVG shapes (engine/document/icon.ts).
    ...(look.icon ? [beside('icon', markupInTemplate(look.icon))] : []),
    ...(look.before ? [beside('sign', inTemplate(look.before))] : []),
    `  <input id="${id}" ${control} aria-describedby="${hint ? `${id}-hint ` : ''}${id}-message" />`,
    ...(look.behind ? [beside('sign', inTemplate(look.behind))] : []),
    '</span>',
    ...(hint ? [`<p id="${id}-hint" data-arbeit="hint">${inTemplate(hint)}</p>`] : []),
    `<div id="${id}-message" aria-live="polite" data-arbeit="message">`,
    ...messages.map((line) => `  ${line}`),
    '</div>',
  ];
}

const indented = (lines: readonly string[], by: string): readonly string[] => lines.map((line) => by + line);

function vue(about: About): Written {
  const messages = ['<p v-for="one of evaluation.shown" :key="one.rule">{{ one.message }}</p>'];
  return {
    title: 'Vue',
    language: 'vue',
    code: [
      '<script setup>',
      "import './look.css';",
      "import { useField } from './vue.js';",
      "import * as fields from './fields.js';",
      '',
      `const { control, evaluation, states } = useField(fields.${about.field});`,
      '</script>',
      '',
      '<template>',
      '  <div v-bind="states">',
      ...indented(tied(about, 'v-bind="control"', messages), '    '),
      '  </div>',
      '</template>',
    ].join('\n'),
  };
}

function svelte(about: About): Written {
  const messages = ['{#each $live.shown as one (one.rule)}<p>{one.message}</p>{/each}'];
  return {
    title: 'Svelte',
    language: 'svelte',
    code: [
      '<script>',
      "  import './look.css';",
      "  import { field } from './svelte.js';",
      "  import * as fields from './fields.js';",
      '',
      `  const live = field(fields.${about.field});`,
      '</script>',
      '',
      '<div use:live.states>',
      ...indented(tied(about, '{...live.attributes} use:live.control', messages), '  '),
      '</div>',
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
