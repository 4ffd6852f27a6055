import { readFileSync } from 'node:fs';
import { join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

// Type-checks the `@example` of everything public, and names functions of the finished packages that have
// none. An example may use every public name, and
// the values below: what a reader of the page would have at hand.
const root = fileURLToPath(new URL('../../', import.meta.url));
const here = join(root, 'scripts', 'api');
const config = JSON.parse(readFileSync(join(here, 'tsconfig.json'), 'utf8'));
const base = JSON.parse(readFileSync(join(root, 'tsconfig.base.json'), 'utf8')).compilerOptions;
const { options } = ts.convertCompilerOptionsFromJson({ ...base, ...config.compilerOptions }, here);
Object.assign(options, { noUnusedLocals: false, noUnusedParameters: false, noEmit: true });
const entries = config.files.map((file) => resolve(here, file));

const prelude = `
import type { CompiledField, FieldState, HydratedField, Plan, RunShape } from '@arbeit/engine/field';
import type { RunCode } from '@arbeit/engine/rules';
import type { HydratedForm } from '@arbeit/engine/form';
import type { CompiledSet, SetDocument } from '@arbeit/engine/document';
import type { Tape } from '@arbeit/engine/tape';
import type { FieldStore, FormStore, Host, TextControl } from '@arbeit/dom';
import type { Field } from "@arbeit/react";
import type { PatternPlan } from '${join(root, 'packages/engine/src/kinds/pattern/plan.ts')}';
declare const pass: HydratedField; declare const arrival: HydratedField; declare const booking: HydratedForm;
declare const compiled: CompiledField<PatternPlan>; declare const set: SetDocument; declare const compiledSet: CompiledSet;
declare const tape: Tape; declare const store: FieldStore; declare const formStore: FormStore; declare const host: Host;
declare const input: TextControl & HTMLInputElement; declare const runCheck: RunCode; declare const runShape: RunShape;
`;

const first = ts.createProgram(entries, options);
const checker = first.getTypeChecker();
/** Public symbols by their declaration, each with the entry it is exported from first. */
const exported = new Map();
const byName = new Map();
for (const path of entries) {
  const module = checker.getSymbolAtLocation(first.getSourceFile(path));
  for (const one of module ? checker.getExportsOfModule(module) : []) {
    const symbol = one.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(one) : one;
    if (!exported.has(symbol)) exported.set(symbol, { name: one.name, path });
    if (!byName.has(one.name)) byName.set(one.name, []);
    byName.get(one.name).push(path);
  }
}

/** Packages and folders of the engine whose functions all have an example. */
const finished = /packages\//;
const missing = [];
const virtual = new Map();
for (const [symbol, { name, path }] of exported) {
  const [declaration] = symbol.declarations ?? [];
  if (!declaration) continue;
  const file = declaration.getSourceFile().fileName;
  if (file.includes('/dist/')) continue;
  const examples = symbol.getJsDocTags(checker).filter((tag) => tag.name === 'example');
  const isFunction = checker.getTypeOfSymbolAtLocation(symbol, declaration).getCallSignatures().length > 0;
  if (examples.length === 0 && isFunction && finished.test(file))
    missing.push(`${relative(root, file)}: ${name}`);
  for (const [i, example] of examples.entries()) {
    const code = ts.displayPartsToString(example.text);
    const used = [...new Set(code.match(/[A-Za-z_]\w*/g))].filter(
      (word) =>
        byName.has(word) && !new RegExp(`(?:const|let|function) (?:\\{[^}]*\\b)?${word}\\b`).test(code),
    );
    const imports = used.map((word) => {
      const all = byName.get(word);
      return `import { ${word} } from '${all.includes(path) ? path : all[0]}';`;
    });
    const locals = [...prelude.matchAll(/declare const (\w+): [^;]+;/g)]
      .filter(([, local]) => !new RegExp(`\\b(?:const|let) (?:\\{[^}]*\\b)?${local}\\b`).test(code))
      .map(([text]) => text);
    const types = prelude
      .split('\n')
      .filter((line) => line.startsWith('import'))
      .join('\n');
    const known = new Set(types.match(/\b[A-Z]\w+(?=[,\s}])/g));
    const isComponent = file.endsWith('.tsx');
    virtual.set(join(here, `example-${virtual.size}-${i}.${isComponent ? 'tsx' : 'ts'}`), {
      of: `${relative(root, file)}: ${name}`,
      text: `${types}\n${imports.filter((line) => !known.has(line.split(' ')[2])).join('\n')}\n${locals.join('\n')}\n${code}\nexport {};\n`,
    });
  }
}

const host = ts.createCompilerHost(options);
const { getSourceFile, fileExists, readFile } = host;
host.fileExists = (path) => virtual.has(path) || fileExists(path);
host.readFile = (path) => virtual.get(path)?.text ?? readFile(path);
host.getSourceFile = (path, language, ...rest) =>
  virtual.has(path)
    ? ts.createSourceFile(path, virtual.get(path).text, language, true)
    : getSourceFile(path, language, ...rest);
const program = ts.createProgram([...virtual.keys()], { ...options, verbatimModuleSyntax: false }, host);
let faults = 0;
for (const [path, { of }] of virtual)
  for (const { messageText } of [
    ...program.getSyntacticDiagnostics(program.getSourceFile(path)),
    ...program.getSemanticDiagnostics(program.getSourceFile(path)),
  ]) {
    faults++;
    process.stderr.write(
      `${of}: the example does not type-check: ${ts.flattenDiagnosticMessageText(messageText, ' ')}\n`,
    );
  }
for (const one of missing) process.stderr.write(`${one}: a public function without an @example\n`);
process.stdout.write(`examples: ${virtual.size}\n`);
process.exit(faults + missing.length === 0 ? 0 : 1);
