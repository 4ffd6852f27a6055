import { inQuotes, inTemplate } from '../../escape.ts';
import { pickersOf } from '../adapters.ts';
import type { AppFacts, Application } from './application.ts';
import {
  driveFunction,
  hasButton,
  imported,
  indented,
  type Lines,
  lines,
  methodAlone,
  sendFunction,
} from './shared.ts';
import { viteApp } from './vite.ts';

/** Branches of Svelte: the first `{#if}`, then `{:else if}`, at last `{:else}`. */
function branches(
  all: readonly (readonly [test: string, lines: readonly string[]])[],
  last: readonly string[],
) {
  if (all.length === 0) return last;
  return [
    ...all.flatMap(([test, inside], i) => [
      `${i === 0 ? '{#if' : '{:else if'} ${test}}`,
      ...indented(inside, 2),
    ]),
    '{:else}',
    ...indented(last, 2),
    '{/if}',
  ];
}

type Branch = readonly [test: string, lines: readonly string[]];

const picks: readonly Branch[] = [
  [
    "control === 'select'",
    [
      '<select {...live.inputProps}>',
      '  <option value="">{placeholder}</option>',
      '  {#each options as one (one.value)}',
      '    <option value={one.value} selected={live.isPicked(one.value)}>{one.label}</option>',
      '  {/each}',
      '</select>',
    ],
  ],
  [
    'isGroup',
    [
      '<div {...live.inputProps}>',
      '  {#each options as one (one.value)}',
      '    <label>',
      '      <input type={control} name={name} value={one.value} checked={live.isPicked(one.value)} />',
      '      <span>{one.label}</span>',
      '    </label>',
      '  {/each}',
      '</div>',
    ],
  ],
];

const boxes = (isConcealed: string, line: string): Branch => [
  'groups.length > 0',
  [
    '<div data-arbeit="code">',
    '  <div data-arbeit="boxes">',
    `    <div aria-hidden="true" dir={live.inputProps.dir as 'ltr'} data-arbeit="row">`,
    `      {#each live.boxes(${isConcealed}) as group, g (g)}`,
    '        <span data-arbeit="group">',
    '          {#each group as { text, isActive, isSelected }, i (i)}',
    '            <span data-box data-active={isActive || undefined} data-selected={isSelected || undefined}>{text}</span>',
    '          {/each}',
    '        </span>',
    '      {/each}',
    '    </div>',
    `    ${line}`,
    '  </div>',
    '</div>',
  ],
];

/** The controls that the fields of an application need, each under its condition. */
function controls({ needs }: AppFacts): readonly string[] {
  const line = `<input {...live.inputProps}${needs.conceals ? ' {type}' : ''} />`;
  return branches(
    [
      ...(needs.controls.has('picks') ? picks : []),
      ...(needs.hasLines
        ? [["control === 'textarea'", ['<textarea {...live.inputProps}></textarea>']] as const]
        : []),
      ...(needs.controls.has('boxes') ? [boxes(needs.conceals ? "type === 'password'" : 'false', line)] : []),
    ],
    [
      '<div data-arbeit="line">',
      '  {#if live.guideText}',
      '    <span data-arbeit="ghost" aria-hidden="true"><span>{live.evaluation.display}</span>{live.guideText}</span>',
      '  {/if}',
      `  ${line}`,
      '</div>',
    ],
  );
}

/** The script of `src/Field.svelte`. */
function fieldScript({ needs, form }: AppFacts): readonly Lines[] {
  const isAlone = !form && needs.isAsking;
  const hasPicks = needs.controls.has('picks');
  const hasPicker = pickersOf(needs).names.length > 0;
  const shape = [
    ...(hasPicks || needs.hasLines ? ['control'] : []),
    ...(needs.controls.has('boxes') ? ['groups'] : []),
    ...(hasPicks ? ['options'] : []),
  ];
  const members = [
    ...(hasPicks ? ['id', 'name = id'] : []), 'label', 'hint', ...(hasPicks ? ['placeholder'] : []), 'look = {}',
    ...(needs.conceals ? ['words = {}'] : []),
  ]; // biome-ignore format: a list
  return [
    '<script lang="ts">',
    form
      ? [
          imported(['field', 'type FieldStore', ...(hasPicker ? ['picker'] : [])], './fields/svelte.js'),
          '',
          'const { store }: { store: FieldStore } = $props();',
          '// A field is drawn for one store as long as it is on the page.',
          '// svelte-ignore state_referenced_locally',
          'const live = field(store.field, { store });',
        ]
      : [
          imported(
            [...(isAlone ? ['askByFetch', 'driveAsks'] : []), 'field', ...(hasPicker ? ['picker'] : [])],
            './fields/svelte.js',
          ),
          '',
          'const { of }: { of: Parameters<typeof field>[0] } = $props();',
          '// svelte-ignore state_referenced_locally',
          'const live = field(of);',
          isAlone ? '$effect(() => driveAsks(live.store, askByFetch()));' : false,
        ],
    `const { ${members.join(', ')} } = live.store.field;`,
    shape.length > 0 && `const { ${shape.join(', ')} } = live.shape;`,
    hasPicks && "const isGroup = control === 'radio' || control === 'checkbox';",
    needs.conceals
      ? [
          "const isConcealed = live.inputProps.type === 'password';",
          'let isRevealed = $state(false);',
          "const type = $derived(isConcealed && !isRevealed ? 'password' : 'text');",
        ]
      : false,
    '</script>',
  ];
}

/** `src/Field.svelte`: draws any field of the set, with the controls that its fields need. */
const fieldFile = (facts: AppFacts): string =>
  lines(
    fieldScript(facts),
    '',
    '<div {...live.rootProps}>',
    facts.needs.controls.has('picks')
      ? "  <svelte:element this={isGroup ? 'span' : 'label'} {...live.labelProps}>{label}</svelte:element>"
      : '  <label {...live.labelProps}>{label}</label>',
    '  <span data-arbeit="frame">',
    '    <!-- An icon has only shapes of SVG: Arbeit accepts nothing else. -->',
    '    {#if look.icon}<span data-arbeit="icon" aria-hidden="true">{@html look.icon}</span>{/if}',
    '    {#if look.before}<span data-arbeit="sign" aria-hidden="true">{look.before}</span>{/if}',
    indented(controls(facts), 4),
    facts.needs.conceals
      ? [
          '    {#if isConcealed}',
          '      <button type="button" data-arbeit="reveal" onclick={() => (isRevealed = !isRevealed)}>',
          '        {isRevealed ? words.conceal : words.reveal}',
          '      </button>',
          '    {/if}',
        ]
      : false,
    pickersOf(facts.needs).names.length > 0 &&
      '    <span data-arbeit="picker" {@attach picker(live.store)}></span>',
    '    {#if look.behind}<span data-arbeit="sign" aria-hidden="true">{look.behind}</span>{/if}',
    '  </span>',
    '  {#if hint}<p {...live.hintProps}>{hint}</p>{/if}',
    '  <div {...live.messageProps}>',
    '    {#each live.evaluation.shown as one (one.rule)}<p>{one.message}</p>{/each}',
    '  </div>',
    '</div>',
  );

/** `src/App.svelte`. */
function appFile(facts: AppFacts): string {
  const { form, fields, needs, words } = facts;
  const submit = inTemplate(words.submit);
  if (!form)
    return lines(
      '<script lang="ts">',
      "import Field from './Field.svelte';",
      "import * as fields from './fields/fields.js';",
      '</script>',
      '',
      `<form class="fields"${methodAlone(facts)}>`,
      fields.map((name) => `  <Field of={fields.${name}} />`),
      hasButton(facts) && `  <button>${submit}</button>`,
      '</form>',
    );
  const rows = form.sections.flatMap(({ title, columns, fields: names }) => {
    const grid = [
      `<div class="fields"${columns > 1 ? ` data-columns="${columns}"` : ''}>`,
      ...names.map((name) => `  <Field store={live.store.field(${inQuotes(name)})} />`),
      '</div>',
    ];
    return title === undefined
      ? grid
      : ['<fieldset>', `  <legend>${inTemplate(title)}</legend>`, ...indented(grid, 2), '</fieldset>'];
  });
  return lines(
    '<script lang="ts">',
    "import Field from './Field.svelte';",
    "import * as fields from './fields/fields.js';",
    imported(
      [
        ...(needs.isAsking ? ['askByFetch', 'driveFormAsks'] : []),
        'form',
        ...(needs.isAsking ? ['type FormStore'] : []),
        'type SendRecord',
      ],
      './fields/svelte.js',
    ),
    '',
    sendFunction(form.record),
    '',
    driveFunction(facts),
    `const live = form(fields.${form.name}, { send${needs.isAsking ? ', drive' : ''} });`,
    '</script>',
    '',
    '<form {...live.formProps}>',
    `  <h1>${inTemplate(form.title)}</h1>`,
    indented(rows, 2),
    `  <button disabled={live.sending.is === 'sending'}>${submit}</button>`,
    `  {#if live.sending.is === 'no' && live.sending.failed}<p role="alert">${inTemplate(words.unreachable)}</p>{/if}`,
    '  {#if live.sending.is === \'no\' && live.sending.said}<p role="alert">{live.sending.said}</p>{/if}',
    "  {#if live.sending.is === 'sent'}<output>{JSON.stringify(live.sending.record.values, null, 2)}</output>{/if}",
    '</form>',
  );
}

/** The application for Svelte with Vite and TypeScript. */
export const svelteApp = (facts: AppFacts): Application =>
  viteApp(facts, {
    name: 'svelte',
    title: 'Svelte with Vite',
    own: ['src/App.svelte', 'src/Field.svelte'],
    plugin: ["import { svelte } from '@sveltejs/vite-plugin-svelte';", 'svelte({ configFile: false })'],
    check: 'svelte-check --tsconfig ./tsconfig.json --fail-on-warnings',
    packages: { used: ['svelte'], built: ['@sveltejs/vite-plugin-svelte', 'svelte-check'] },
    options: { types: ['vite/client', 'svelte', 'node'] },
    main: 'main.ts',
    files: {
      'App.svelte': appFile(facts),
      'Field.svelte': fieldFile(facts),
      'main.ts': lines(
        "import './app.css';",
        "import './fields/look.css';",
        "import { mount } from 'svelte';",
        "import App from './App.svelte';",
        '',
        "mount(App, { target: document.querySelector('#app')! });",
      ),
    },
  });
