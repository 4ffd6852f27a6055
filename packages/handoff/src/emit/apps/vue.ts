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

/** The script of `src/Field.vue`. */
function fieldScript(facts: AppFacts): readonly Lines[] {
  const { needs, form } = facts;
  const isAlone = !form && needs.isAsking;
  const hasPicker = pickersOf(needs).names.length > 0;
  const used = [
    ...(needs.controls.has('boxes') ? ['boxes'] : []),
    'evaluation', 'guideText', 'hintProps', 'inputProps',
    ...(needs.controls.has('picks') ? ['isPicked'] : []),
    'labelProps', 'messageProps', 'rootProps', 'shape',
    ...(isAlone || (hasPicker && !form) ? ['store'] : []),
  ]; // biome-ignore format: a list
  return [
    '<script setup lang="ts">',
    needs.conceals ? "import { computed, ref } from 'vue';" : false,
    isAlone ? "import { onScopeDispose } from 'vue';" : false,
    imported(
      [
        ...(form ? ['type FieldStore'] : isAlone ? ['askByFetch', 'driveAsks'] : []),
        ...(hasPicker ? ['picker'] : []),
        'useField',
        ...(hasPicker ? ['usePicker'] : []),
      ],
      './fields/vue.js',
    ),
    '',
    form
      ? ['const props = defineProps<{ store: FieldStore }>();', 'const definition = props.store.field;']
      : [
          'const props = defineProps<{ of: Parameters<typeof useField>[0] }>();',
          'const definition = props.of;',
        ],
    'const {',
    used.map((name) => `  ${name},`),
    `} = useField(definition${form ? ', { store: props.store }' : ''});`,
    "const isGroup = shape.control === 'radio' || shape.control === 'checkbox';",
    `const { look = {}${needs.conceals ? ', words = {}' : ''} } = definition;`,
    needs.conceals
      ? [
          "const isConcealed = inputProps.type === 'password';",
          'const isRevealed = ref(false);',
          "const type = computed(() => (isConcealed && !isRevealed.value ? 'password' : 'text'));",
        ]
      : false,
    hasPicker && `const place = usePicker(${form ? 'props.store' : 'store'}, picker);`,
    isAlone ? 'onScopeDispose(driveAsks(store, askByFetch()));' : false,
    '</script>',
  ];
}

const picks = [
  '<select v-if="shape.control === \'select\'" v-bind="inputProps">',
  '  <option value="">{{ definition.placeholder }}</option>',
  '  <option v-for="one of shape.options" :key="one.value" :value="one.value" :selected="isPicked(one.value)">',
  '    {{ one.label }}',
  '  </option>',
  '</select>',
  '<div v-else-if="isGroup" v-bind="inputProps">',
  '  <label v-for="one of shape.options" :key="one.value">',
  '    <input :type="shape.control" :name="definition.name ?? definition.id" :value="one.value" :checked="isPicked(one.value)" />',
  '    <span>{{ one.label }}</span>',
  '  </label>',
  '</div>',
] as const;

const boxes = (isConcealed: string, line: string): readonly string[] => [
  'data-arbeit="code">',
  '  <div data-arbeit="boxes">',
  '    <div aria-hidden="true" :dir="inputProps.dir as string" data-arbeit="row">',
  `      <span v-for="(group, g) of boxes(${isConcealed})" :key="g" data-arbeit="group">`,
  '        <span',
  '          v-for="(box, i) of group"',
  '          :key="i"',
  '          data-box',
  '          :data-active="box.isActive || undefined"',
  '          :data-selected="box.isSelected || undefined"',
  '        >{{ box.text }}</span>',
  '      </span>',
  '    </div>',
  `    ${line}`,
  '  </div>',
  '</div>',
];

/** The controls that the fields of an application need, each under its condition. */
function controls({ needs }: AppFacts): readonly string[] {
  const line = needs.conceals
    ? '<input v-bind="inputProps" :type="type" />'
    : '<input v-bind="inputProps" />';
  const all: (readonly [test: string, rest: readonly string[]])[] = [
    ...(needs.hasLines ? [["shape.control === 'textarea'", ['v-bind="inputProps" />']] as const] : []),
    ...(needs.controls.has('boxes')
      ? [['shape.groups.length', boxes(needs.conceals ? "type === 'password'" : 'false', line)] as const]
      : []),
  ];
  const before = needs.controls.has('picks') ? picks : [];
  const branches = all.flatMap(([test, [first = '', ...rest]], i) => [
    `<${first.startsWith('v-bind') ? 'textarea' : 'div'} v-${before.length || i ? 'else-' : ''}if="${test}" ${first}`,
    ...rest,
  ]);
  return [
    ...before,
    ...branches,
    `<div${before.length || all.length ? ' v-else' : ''} data-arbeit="line">`,
    '  <span v-if="guideText" data-arbeit="ghost" aria-hidden="true"><span>{{ evaluation.display }}</span>{{ guideText }}</span>',
    `  ${line}`,
    '</div>',
  ];
}

/** `src/Field.vue`: draws any field of the set, with the controls that its fields need. */
const fieldFile = (facts: AppFacts): string =>
  lines(
    fieldScript(facts),
    '',
    '<template>',
    '  <div v-bind="rootProps">',
    '    <component :is="isGroup ? \'span\' : \'label\'" v-bind="labelProps">{{ definition.label }}</component>',
    '    <span data-arbeit="frame">',
    '      <!-- An icon has only shapes of SVG: Arbeit accepts nothing else. -->',
    '      <span v-if="look.icon" data-arbeit="icon" aria-hidden="true" v-html="look.icon" />',
    '      <span v-if="look.before" data-arbeit="sign" aria-hidden="true">{{ look.before }}</span>',
    indented(controls(facts), 6),
    facts.needs.conceals
      ? [
          '      <button v-if="isConcealed" type="button" data-arbeit="reveal" @click="isRevealed = !isRevealed">',
          '        {{ isRevealed ? words.conceal : words.reveal }}',
          '      </button>',
        ]
      : false,
    pickersOf(facts.needs).names.length > 0 && '      <span :ref="place" data-arbeit="picker" />',
    '      <span v-if="look.behind" data-arbeit="sign" aria-hidden="true">{{ look.behind }}</span>',
    '    </span>',
    '    <p v-if="definition.hint" v-bind="hintProps">{{ definition.hint }}</p>',
    '    <div v-bind="messageProps">',
    '      <p v-for="one of evaluation.shown" :key="one.rule">{{ one.message }}</p>',
    '    </div>',
    '  </div>',
    '</template>',
  );

/** `src/App.vue`. */
function appFile(facts: AppFacts): string {
  const { form, fields, needs, words } = facts;
  const submit = inTemplate(words.submit);
  if (!form)
    return lines(
      '<script setup lang="ts">',
      "import Field from './Field.vue';",
      "import * as fields from './fields/fields.js';",
      '</script>',
      '',
      '<template>',
      `  <form class="fields"${methodAlone(facts)}>`,
      fields.map((name) => `    <Field :of="fields.${name}" />`),
      hasButton(facts) && `    <button>${submit}</button>`,
      '  </form>',
      '</template>',
    );
  const rows = form.sections.flatMap(({ title, columns, fields: names }) => {
    const grid = [
      `<div class="fields"${columns > 1 ? ` data-columns="${columns}"` : ''}>`,
      ...names.map((name) => `  <Field :store="store.field(${inQuotes(name)})" />`),
      '</div>',
    ];
    return title === undefined
      ? grid
      : ['<fieldset>', `  <legend>${inTemplate(title)}</legend>`, ...indented(grid, 2), '</fieldset>'];
  });
  return lines(
    '<script setup lang="ts">',
    "import Field from './Field.vue';",
    "import * as fields from './fields/fields.js';",
    imported(
      [
        ...(needs.isAsking ? ['askByFetch', 'driveFormAsks', 'type FormStore'] : []),
        'type SendRecord',
        'useForm',
      ],
      './fields/vue.js',
    ),
    '',
    sendFunction(form.record),
    '',
    driveFunction(facts),
    `const { store, sending, formProps } = useForm(fields.${form.name}, { send${needs.isAsking ? ', drive' : ''} });`,
    '</script>',
    '',
    '<template>',
    '  <form v-bind="formProps">',
    `    <h1>${inTemplate(form.title)}</h1>`,
    indented(rows, 4),
    `    <button :disabled="sending.is === 'sending'">${submit}</button>`,
    `    <p v-if="sending.is === 'no' && sending.failed" role="alert">${inTemplate(words.unreachable)}</p>`,
    '    <p v-if="sending.is === \'no\' && sending.said" role="alert">{{ sending.said }}</p>',
    '    <output v-if="sending.is === \'sent\'">{{ JSON.stringify(sending.record.values, null, 2) }}</output>',
    '  </form>',
    '</template>',
  );
}

/** The application for Vue with Vite and TypeScript. */
export const vueApp = (facts: AppFacts): Application =>
  viteApp(facts, {
    name: 'vue',
    title: 'Vue with Vite',
    own: ['src/App.vue', 'src/Field.vue'],
    plugin: ["import vue from '@vitejs/plugin-vue';", 'vue()'],
    check: 'vue-tsc',
    packages: { used: ['vue'], built: ['@vitejs/plugin-vue', 'vue-tsc'] },
    options: { jsx: 'preserve' },
    main: 'main.ts',
    files: {
      'App.vue': appFile(facts),
      'Field.vue': fieldFile(facts),
      'main.ts': lines(
        "import './app.css';",
        "import './fields/look.css';",
        "import { createApp } from 'vue';",
        "import App from './App.vue';",
        '',
        "createApp(App).mount('#app');",
      ),
    },
  });
