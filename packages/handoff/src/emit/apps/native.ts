import { inQuotes, inScript } from '../../escape.ts';
import type { AppFacts, Application, AppSection } from './application.ts';
import { nativeFieldFile } from './native-field.ts';
import { inJsx } from './react.ts';
import {
  fieldsScript,
  imported,
  indented,
  json,
  type Lines,
  lines,
  packageFile,
  sendFunction,
} from './shared.ts';
import { indexFile, recordsFile } from './vite.ts';

/** `src/colors.ts`: the colours of a light and a dark screen, with the contrast of WCAG AA. */
const colorsFile = `import { useColorScheme } from 'react-native';

const light = { page: '#ffffff', text: '#1b1b1b', quiet: '#5a5a5a', wrong: '#a3162a', selected: '#cfe0ff' };
const dark = { page: '#161616', text: '#f0f0f0', quiet: '#a8a8a8', wrong: '#ff9aa2', selected: '#274472' };

export type Colors = typeof light;

/** The colours of the device's setting. */
export const useColors = (): Colors => (useColorScheme() === 'dark' ? dark : light);
`;

/** `src/server.ts`: where records and questions go; empty if there are none. */
const serverFile = ({ form, needs }: AppFacts): string | undefined =>
  form || needs.isAsking
    ? lines(
        "import { Platform } from 'react-native';",
        needs.isAsking && "import { askByFetch } from './fields/native.js';",
        '',
        '/** Your server. A device has no server of its own; 10.0.2.2 is the computer of an Android emulator. */',
        'export const server = Platform.select({',
        "  web: '',",
        "  android: 'http://10.0.2.2:5173',",
        "  default: 'http://localhost:5173',",
        '});',
        needs.isAsking && ['', 'export const ask = askByFetch(server);'],
      )
    : undefined;

/** The fields of a form in their sections, as JSX. */
const sections = (all: readonly AppSection[]): readonly string[] =>
  all.flatMap(({ title, fields }) => [
    ...(title === undefined
      ? []
      : [
          `<Text role="heading" aria-level={2} style={[styles.section, { color: colors.text }]}>`,
          `  ${inJsx(title)}`,
          '</Text>',
        ]),
    ...fields.map((name) => `<Field store={store.field(${inQuotes(name)})} />`),
  ]);

/** The button and what it leads to. */
const outcome = ({ words }: AppFacts): readonly string[] => [
  '<Pressable',
  '  role="button"',
  "  disabled={sending.is === 'sending'}",
  '  onPress={submit}',
  '  style={[styles.button, { backgroundColor: colors.text }]}',
  '>',
  `  <Text style={[styles.text, { color: colors.page }]}>${inJsx(words.submit)}</Text>`,
  '</Pressable>',
  '<View role="alert">',
  "  {sending.is === 'no' && (sending.failed || sending.said) && (",
  `    <Text style={{ color: colors.wrong }}>{sending.said ?? ${inScript(words.unreachable)}}</Text>`,
  '  )}',
  '</View>',
  "{sending.is === 'sent' && (",
  '  <Text role="status" style={{ color: colors.text }}>{JSON.stringify(sending.record.values, null, 2)}</Text>',
  ')}',
];

/** The imports of `src/App.tsx`, and the functions before its component. */
function appHead({ form, needs }: AppFacts): readonly Lines[] {
  const native = ['Keyboard', 'ScrollView', 'StyleSheet', 'Text', ...(form ? ['Pressable', 'View'] : [])];
  const start = [
    "import { useEffect } from 'react';",
    imported(native, 'react-native'),
    "import { useColors } from './colors';",
    "import { Field } from './Field';",
    "import * as fields from './fields/fields.js';",
  ];
  if (!form) return [start, ''];
  const { isAsking } = needs;
  const adapter = [
    ...(isAsking ? ['driveFormAsks', 'type FormStore'] : []),
    'type SendRecord',
    'useNativeForm',
  ];
  const send = sendFunction(form.record).map((one) =>
    one.replace("fetch('/records'", ['fetch(`', '{server}/records`'].join('$')),
  );
  return [
    start,
    imported(adapter, './fields/native.js'),
    `import { ${isAsking ? 'ask, ' : ''}server } from './server';`,
    '',
    send,
    '',
    isAsking && [
      '/** Runs the server checks of the fields while the form is drawn. */',
      `const drive = (store: FormStore<fields.${form.record}>) => driveFormAsks(store, ask);`,
      '',
    ],
  ];
}

/** `src/App.tsx`. */
function appFile(facts: AppFacts): string {
  const { form, fields, needs, title } = facts;
  return lines(
    appHead(facts),
    'export function App() {',
    '  const colors = useColors();',
    form !== undefined &&
      `  const { store, sending, submit } = useNativeForm(fields.${form.name}, { send${needs.isAsking ? ', drive' : ''} });`,
    '  useEffect(() => {',
    '    // Android can close the keyboard without taking the focus away. Closing it leaves the field.',
    "    const listener = Keyboard.addListener('keyboardDidHide', Keyboard.dismiss);",
    '    return () => listener.remove();',
    '  }, []);',
    '  return (',
    '    <ScrollView',
    '      keyboardShouldPersistTaps="handled"',
    '      style={{ backgroundColor: colors.page }}',
    '      contentContainerStyle={styles.page}',
    '    >',
    '      <Text role="heading" aria-level={1} style={[styles.title, { color: colors.text }]}>',
    `        ${inJsx(form?.title ?? title)}`,
    '      </Text>',
    form
      ? [indented(sections(form.sections), 6), indented(outcome(facts), 6)]
      : fields.map((name) => `      <Field of={fields.${name}} />`),
    '    </ScrollView>',
    '  );',
    '}',
    '',
    'const styles = StyleSheet.create({',
    "  page: { gap: 16, padding: 16, maxWidth: 560, width: '100%', alignSelf: 'center' },",
    "  title: { fontSize: 24, fontWeight: 'bold' },",
    form !== undefined && [
      "  section: { marginTop: 8, fontSize: 18, fontWeight: 'bold' },",
      '  text: { fontSize: 16, lineHeight: 22 },',
      "  button: { alignSelf: 'flex-start', minHeight: 44, justifyContent: 'center', paddingHorizontal: 20 },",
    ],
    '});',
  );
}

/** The files of the application outside of `src`. */
function projectFiles(
  facts: AppFacts,
  name: string,
  records: string | undefined,
): ReadonlyMap<string, string> {
  const scripts = {
    dev: 'vite',
    build: 'tsc && vite build',
    preview: 'vite preview',
    bundle: 'node fields.mjs && metro build index.js --platform android --out dist/android.js',
  };
  return new Map([
    ['.gitignore', 'dist\nnode_modules\n'],
    ['babel.config.cjs', "module.exports = { presets: ['module:@react-native/babel-preset'] };\n"],
    ['fields.mjs', fieldsScript('src/fields')],
    [
      'index.html',
      indexFile(facts, 'main.ts').replace('</head>', '  <style>body { margin: 0; }</style>\n  </head>'),
    ],
    [
      'index.js',
      lines(
        '// Where the application starts on a device.',
        "import { AppRegistry } from 'react-native';",
        "import { App } from './src/App';",
        '',
        `AppRegistry.registerComponent(${name}, () => App);`,
      ),
    ],
    [
      'metro.config.cjs',
      lines(
        "const { getDefaultConfig } = require('@react-native/metro-config');",
        '',
        'module.exports = getDefaultConfig(__dirname);',
      ),
    ],
    ['package.json', packageFile(facts, 'native', scripts, used, built)],
    ...(records ? [['records.ts', records] as const] : []),
    ['tsconfig.json', tsconfig],
    [
      'vite.config.ts',
      lines(
        "import { defineConfig } from 'vite';",
        records ? "import { records } from './records.ts';" : false,
        '',
        'export default defineConfig({',
        "  resolve: { alias: { 'react-native': 'react-native-web' } },",
        records ? '  plugins: [records],' : false,
        '  build: {',
        '    rolldownOptions: {',
        '      // react-native-web marks its files for servers, which this is not.',
        "      onwarn: (warning, warn) => warning.code === 'MODULE_LEVEL_DIRECTIVE' || warn(warning),",
        '    },',
        '  },',
        '});',
      ),
    ],
  ]);
}

const used = ['react-of-native', 'react-dom-of-native', 'react-native', 'react-native-web'] as const;
const built = [
  '@react-native/babel-preset', '@react-native/metro-config', '@types/node', '@types/react-of-native', 'metro',
  'typescript', 'vite',
] as const; // biome-ignore format: a list

/** The settings of the compiler for what runs on a device. */
const tsconfig = json({
  compilerOptions: {
    target: 'ES2022',
    lib: ['ES2023'],
    module: 'ESNext',
    moduleResolution: 'bundler',
    jsx: 'react-jsx',
    types: ['react-native'],
    verbatimModuleSyntax: true,
    strict: true,
    noEmit: true,
  },
  include: ['src'],
  // What starts it in a browser knows the page, which a device does not have.
  exclude: ['src/fields', 'src/main.ts', 'node_modules'],
});

/** The application for React Native. `npm run dev` shows it in a browser by react-native-web. */
export function nativeApp(facts: AppFacts): Application {
  const server = serverFile(facts);
  const name = inScript(facts.slug.replace(/[^A-Za-z0-9]/g, '') || 'app');
  return {
    name: 'native',
    use: 'native',
    title: 'React Native',
    own: ['src/App.tsx', 'src/Field.tsx', ...(server ? ['src/server.ts'] : [])],
    files: new Map([
      ...projectFiles(facts, name, recordsFile(facts)),
      ['src/App.tsx', appFile(facts)],
      ['src/Field.tsx', nativeFieldFile(facts)],
      ['src/colors.ts', colorsFile],
      [
        'src/main.ts',
        lines(
          '// Where the application starts in a browser.',
          "import { AppRegistry } from 'react-native';",
          "import { App } from './App';",
          '',
          `AppRegistry.registerComponent(${name}, () => App);`,
          `AppRegistry.runApplication(${name}, { rootTag: document.querySelector('#app') });`,
        ),
      ],
      ...(server ? [['src/server.ts', server] as const] : []),
    ]),
  };
}
