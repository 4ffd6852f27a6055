import type { CompiledSet, SetDocument } from '@arbeit/engine/document';
import { misuse, say } from '@arbeit/engine/faults';
import { kinds as allKinds, type KindTable } from '@arbeit/engine/kinds';
import { trialTape } from '@arbeit/engine/tape';
import { compiledModule } from '../compiled-module.ts';
import { documentText } from '../document-text.ts';
import { listed, written } from '../imports.ts';
import { fileName } from '../names.ts';
import { buildTexts } from '../texts.ts';
import { type Adapter, adapterOf, uses as allUses, type Needs, needsOf, type Use } from './adapters.ts';
import { appearanceSheet } from './appearance-sheet.ts';
import { type Application, applications } from './apps/index.ts';
import { bundled, type Entries } from './bundle.ts';
import { compareCustomCode, customCodeModule, type RunsCode } from './custom-code.ts';
import { declarations, typesAt } from './declarations.ts';
import { htmlPages } from './html-page.ts';
import { jsonModule } from './json-record.ts';
import { compiledIn, languageFiles } from './languages.ts';
import {
  elementsInReact,
  elementsModule,
  formsOf,
  labelsModule,
  serverModule,
  trialsModule,
  usualPrefix,
} from './modules.ts';
import { readMe } from './read-me.ts';
import { recordSchema } from './record-schema.ts';
import type { Sources } from './sources.ts';
import { sqlDomains } from './sql.ts';
import { treeShake } from './tree-shake.ts';

/** A tape of the set, as a file. */
export interface TapeFile {
  /** For example `mobile.tape`. */
  readonly name: string;
  readonly text: string;
}

/** What to hand off, and how. */
export interface HandOff {
  readonly set: SetDocument;
  /** Tapes beside the trials of the set. */
  readonly tapes?: readonly TapeFile[];
  /** The uses to include; all by default. */
  readonly uses?: readonly Use[];
  /**
   * Languages (BCP 47) to which a page can change beside that of the set: their texts are modules of their
   * own, loaded when they are needed.
   */
  readonly languages?: readonly string[];
  /**
   * What the names of elements begin with: `huts` for `<huts-field>`. Two versions on one page need two
   * prefixes. Default: `arbeit`.
   */
  readonly prefix?: string | undefined;
  /** The built packages. */
  readonly sources: Sources;
  readonly kinds?: KindTable;
  /**
   * Runs developers' code safely, to compare each custom check and format with its handed-off form. Without
   * it, nothing is compared.
   */
  readonly run?: RunsCode | undefined;
  /** Called with the current step and the progress from 0 to 1. */
  readonly onProgress?: (step: string, done: number) => void;
}

/** The files of a hand-off: text by path, sorted by path. */
export type HandedFiles = ReadonlyMap<string, string>;

const runTime = './run-time/fields.js';

/** The module and the declarations of an adapter. */
const handsOn = ({ from, names, isClient, more }: Adapter): string =>
  [
    ...(isClient ? ["'use client';"] : []),
    ...(more ? [listed('import', more.imports, from)] : []),
    listed('export', names, from),
    more?.js ?? '',
  ].join('\n');
const handsOnTypes = ({ names, types, more }: Adapter, place: string): string =>
  [
    ...(more ? [listed('import', more.typeImports, place)] : []),
    listed('export', [...names, ...types.map((name) => `type ${name}`)], place),
    more?.dts ?? '',
  ].join('\n');

/**
 * Builds the folder a developer takes home: the fields and forms of a set as modules with types, only the
 * run-time code they need, an adapter for each use, schemas of the records, trials, a README. The same set,
 * tapes and packages give the same bytes. Throws `RangeError` if ids or tapes result in the same name, and if
 * the packages are not built.
 */
export async function handOff({
  set,
  tapes: beside = [],
  uses = allUses,
  languages = [],
  prefix = usualPrefix,
  sources,
  kinds = allKinds,
  run,
  onProgress = () => {},
}: HandOff): Promise<HandedFiles> {
  const tapes = tapesOf(set, beside);
  if (!isPrefix(prefix)) throw misuse(say(buildTexts, 'no-prefix', { prefix }));
  onProgress('compiling', 0);
  const needs = needsOf(set, kinds);
  const files = new Map<string, string>();
  const module = compiledModule(set, kinds, {
    run: () => runTime,
    types: (from) => typesAt(from, sources),
  });
  files.set('fields.js', module.js);
  if (module.customCode) {
    files.set('custom-code.js', await customCodeModule(module.customCode));
    if (run) await compareCustomCode(set, module.of, run);
  }
  files.set('fields.d.ts', module.dts);
  files.set(fileName(set.title), documentText(set));

  const faces = facesOf(uses, needs);
  const isServed = uses.includes('server') && needs.hasForms;
  const isTried = uses.includes('trials') && tapes.length > 0;
  const tags = [...new Set(languages)].sort();
  onProgress('bundling', 0.3);
  const entries: Entries = {
    'run-time/fields': module.imports
      .map((one) => written([{ from: one.from, name: one.name }], 'export', (from) => from))
      .join('\n'),
    ...Object.fromEntries(faces.map(({ use, face }) => [use, handsOn(face)])),
    ...(needs.hasForms ? { 'run-time/json': listed('export', ['jsonRecord'], '@arbeit/engine/form') } : {}),
    ...(isServed ? { 'run-time/server': serverRunTime(needs) } : {}),
    ...(tags.length ? { 'run-time/languages': translators } : {}),
    ...(isTried ? { 'trials/player': "export { trial } from '@arbeit/engine/tape';" } : {}),
  };
  const own = treeShake(sources, inAllLanguages(set, module.of, tags, kinds), kinds);
  for (const [path, text] of await bundled(entries, own)) files.set(path, text);

  onProgress('declaring', 0.7);
  for (const { use, face } of faces)
    files.set(`${use}.d.ts`, handsOnTypes(face, typesAt(face.from, sources)));
  const hasFormTypes = tags.length > 0 || isServed || (uses.includes('element') && needs.hasForms);
  const typed = typedModules(
    [...module.imports, ...faces.map(({ face }) => face)],
    hasFormTypes,
    isServed && needs.isAsking,
  );
  for (const [path, text] of declarations(typed, sources)) files.set(path, text);

  onProgress('writing', 0.85);
  for (const [path, text] of languageFiles(set, tags, kinds)) files.set(path, text);
  put(files, 'labels', labelsModule(set));
  if (needs.hasForms) put(files, 'json', jsonModule(namedForms(set, module.of)));
  if (isServed) put(files, 'server', serverModule(set, needs));
  if (uses.includes('element')) putElements(files, { set, needs, uses, prefix });
  putBeside(files, {
    set,
    tapes: isTried ? tapes : [],
    uses,
    languages: tags,
    prefix,
    kinds,
    version: sources.version,
  });
  onProgress('done', 1);
  return new Map([...files].sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** The fields and forms in every language: what only the texts of another language need stays too. */
function inAllLanguages(
  set: SetDocument,
  base: CompiledSet,
  tags: readonly string[],
  kinds: KindTable,
): CompiledSet {
  const all = [base, ...tags.map((tag) => compiledIn(set, tag, kinds))];
  return { fields: all.flatMap(({ fields }) => fields), forms: all.flatMap(({ forms }) => forms) };
}

/** The modules whose types come along. */
const typedModules = (
  imports: readonly { readonly from: string }[],
  hasForms: boolean,
  asks: boolean,
): readonly string[] => [
  ...new Set([
    ...imports.map(({ from }) => from),
    ...(hasForms ? ['@arbeit/engine/form'] : []),
    ...(asks ? ['@arbeit/dom'] : []),
  ]),
];

/** The adapters of a hand-off, by use. */
function facesOf(
  uses: readonly Use[],
  needs: Needs,
): readonly { readonly use: Use; readonly face: Adapter }[] {
  // The elements' module starts server checks with the code that the page is bound with.
  const isBound = uses.includes('element') && needs.isAsking && !uses.includes('dom');
  return [...uses, ...(isBound ? (['dom'] as const) : [])].flatMap((use) => {
    const face = adapterOf(use, needs);
    return face ? [{ use, face }] : [];
  });
}

/** Adds the module that defines the elements, and their types. */
function putElements(
  files: Map<string, string>,
  {
    set,
    needs,
    uses,
    prefix,
  }: {
    readonly set: SetDocument;
    readonly needs: Needs;
    readonly uses: readonly Use[];
    readonly prefix: string;
  },
): void {
  put(files, 'elements', elementsModule(set, needs, prefix));
  if (!uses.includes('react')) return;
  // Whoever imports the hooks of React has its types.
  files.set('elements-react.d.ts', elementsInReact(needs.hasForms, prefix));
  files.set('react.d.ts', `import './elements-react.js';\n${files.get('react.d.ts')}`);
}

/** Adds the files beside the modules: schemas, trials, styles, pages without scripts, the README. */
function putBeside(
  files: Map<string, string>,
  {
    set,
    tapes,
    uses,
    languages,
    prefix,
    kinds,
    version,
  }: {
    readonly set: SetDocument;
    readonly tapes: readonly TapeFile[];
    readonly uses: readonly Use[];
    readonly languages: readonly string[];
    readonly prefix: string;
    readonly kinds: KindTable;
    readonly version: string;
  },
): void {
  const schemas = (set.forms ?? []).map((form) => recordSchema(set, form, kinds));
  const inJson = (set.forms ?? []).map((form) => recordSchema(set, form, kinds, 'json'));
  for (const { id, schema } of schemas)
    files.set(`records/${id}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);
  for (const { id, schema } of inJson)
    files.set(`records/json/${id}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);
  if (tapes.length > 0) {
    for (const { name, text } of tapes) files.set(`trials/${name}`, text);
    const names = tapes.map(({ name }) => name).sort();
    files.set('trials/trials.test.js', trialsModule(set, 'vitest', names));
    files.set('trials/trials.node.js', trialsModule(set, 'node:test', names));
  }
  if (uses.some((use) => use === 'react' || use === 'vue' || use === 'svelte'))
    files.set('look.css', appearanceSheet);
  const pages = uses.includes('html')
    ? htmlPages(set, kinds, uses.includes('element') ? prefix : undefined)
    : [];
  for (const { path, text } of pages) files.set(path, text);
  const domains = uses.includes('sql') ? sqlDomains(set, kinds) : undefined;
  if (domains) files.set('sql/domains.sql', domains.sql);
  files.set('package.json', manifest(set, version));
  const apps = applications(set, uses, kinds, prefix);
  if (uses.includes('apps')) putApplications(files, apps);
  files.set(
    'README.md',
    readMe({
      set,
      uses,
      prefix,
      apps,
      languages,
      schemas,
      inJson,
      pages,
      domains,
      hasTrials: tapes.length > 0,
      version,
    }),
  );
}

/** The forms of a set with the names that their exports are made of. */
const namedForms = (set: SetDocument, { forms }: CompiledSet) =>
  formsOf(set).map(({ stem }, i) => ({ form: forms[i]!, stem }));

/** Whether names of elements can begin with a text (HTML, valid custom element name). */
const isPrefix = (text: string): boolean => /^[a-z][a-z0-9]*$/.test(text);

/** Adds the files of applications, each in its folder. */
function putApplications(files: Map<string, string>, apps: readonly Application[]): void {
  for (const { name, files: own } of apps)
    for (const [path, text] of own) files.set(`apps/${name}/${path}`, text);
}

/** What changes the language of a field or form. */
const translators = listed('export', ['translateField', 'translateForm'], '@arbeit/engine/form');

/** The imports of the server's module. */
const serverRunTime = ({ isAsking }: Needs): string =>
  [
    listed('export', ['serverForm'], '@arbeit/engine/form'),
    ...(isAsking ? [listed('export', ['askByFetch'], '@arbeit/dom')] : []),
  ].join('\n');

/**
 * The trials of a set and the given tapes, each with a unique name. Throws `RangeError` for a name that is
 * taken.
 */
function tapesOf({ trials = [] }: SetDocument, beside: readonly TapeFile[]): readonly TapeFile[] {
  const own = trials.map((trial) => ({ name: `${trial.id}.tape`, text: trialTape(trial) }));
  const tapes = [...own, ...beside];
  const taken = new Set<string>();
  for (const { name } of tapes) {
    // File names that differ only in case may be one name on disk.
    const place = name.toLowerCase();
    if (taken.has(place)) throw misuse(say(buildTexts, 'tape-twice', { name }));
    if (!place.endsWith('.tape')) throw misuse(say(buildTexts, 'tape-name', { name }));
    taken.add(place);
  }
  return tapes;
}

const put = (
  files: Map<string, string>,
  name: string,
  { js, dts }: { readonly js: string; readonly dts: string },
): void => {
  files.set(`${name}.js`, js);
  files.set(`${name}.d.ts`, dts);
};

/** The `package.json` of a hand-off: tells bundlers that a page carries only what it imports. */
const manifest = (set: SetDocument, version: string): string =>
  `${JSON.stringify(
    {
      name: fileName(set.title).replace(/\.arbeit\.json$/, '-fields'),
      version,
      private: true,
      description: `Fields and forms of “${set.title}”, made with Arbeit.`,
      type: 'module',
      sideEffects: ['./elements.js', './look.css'],
      exports: { './*.js': { types: './*.d.ts', default: './*.js' }, './*': './*' },
    },
    null,
    2,
  )}\n`;
