import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

// Finds exports that no other file uses, by the compiler's own account of which name means what. A type
// counts as used where
// another export of its file is written with it: whoever uses that export meets it.
const root = fileURLToPath(new URL('../../', import.meta.url));
const isLeft = /(?:^|\/)(?:node_modules|dist|\.next|test-results)(?:\/|$)/;

const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (isLeft.test(path)) return [];
    if (entry.isDirectory()) return filesIn(path);
    return /\.tsx?$/.test(entry.name) ? [path] : [];
  });

const files = ['packages', 'apps', 'e2e', 'bench', 'scripts'].flatMap((folder) =>
  filesIn(join(root, folder)),
);
files.push(join(root, 'vitest.config.ts'));

const json = (path) => ts.readConfigFile(join(root, path), ts.sys.readFile).config.compilerOptions;
const { options } = ts.convertCompilerOptionsFromJson(
  { ...json('tsconfig.base.json'), ...json('tsconfig.json') },
  root,
);
const program = ts.createProgram(files, { ...options, baseUrl: root });
const checker = program.getTypeChecker();

/**
 * Files whose exports are for others than files of this repository: what packages give, and what frameworks
 * look for.
 */
function publicFiles() {
  const found = new Set();
  for (const name of readdirSync(join(root, 'packages'))) {
    const folder = join(root, 'packages', name);
    const { exports } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
    for (const target of Object.values(exports)) {
      const built = typeof target === 'string' ? target : target.default;
      if (!built.startsWith('./dist/')) continue;
      const form = new RegExp(
        `^${join(folder, built.replace('./dist/', 'src/'))
          .replace(/\.js$/, '')
          .replace(/[.*+?^$()|[\]\\{}]/g, '\\$&')
          .replaceAll('\\*', '[^/]+')}\\.tsx?$`,
      );
      for (const file of files) if (form.test(file)) found.add(file);
    }
  }
  const framework =
    /apps\/studio\/(?:app\/|proxy\.|instrumentation\.)|\.config\.ts$|\.d\.m?ts$|store\/(?:schema|command)\.ts$/;
  for (const file of files) if (framework.test(file)) found.add(file);
  return found;
}

const resolved = (symbol) =>
  symbol && symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
const used = new Set();
const useAll = (file) => {
  const module = file && checker.getSymbolAtLocation(file);
  for (const symbol of module ? checker.getExportsOfModule(module) : []) used.add(resolved(symbol));
};
const moduleOf = (specifier) => {
  const symbol = checker.getSymbolAtLocation(specifier);
  return symbol?.declarations?.find(ts.isSourceFile);
};

/** Whether a type is named in an exported statement that is not its own. */
function isInAnotherExport(node, symbol) {
  if (!(symbol.flags & (ts.SymbolFlags.Interface | ts.SymbolFlags.TypeAlias))) return false;
  let at = node;
  while (at.parent && !ts.isSourceFile(at.parent)) at = at.parent;
  const isExported = at.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);
  return isExported === true && !symbol.declarations?.includes(at);
}

/**
 * Whether a name is that of a member, which is no export. To find what such a name means, the compiler works
 * out the types of all that is before it: most of its time.
 */
const isMember = (parent, name) =>
  (ts.isPropertyAccessExpression(parent) && parent.name === name) ||
  ((ts.isPropertyAssignment(parent) || ts.isPropertySignature(parent) || ts.isMethodSignature(parent)) &&
    parent.name === name) ||
  (ts.isBindingElement(parent) && parent.propertyName === name) ||
  ts.isJsxAttribute(parent);

for (const path of publicFiles()) useAll(program.getSourceFile(path));
for (const path of files) {
  const file = program.getSourceFile(path);
  const visit = (node) => {
    // A module taken as a whole: which of its names are used is not followed further.
    if (
      ts.isCallExpression(node) &&
      node.expression.kind === ts.SyntaxKind.ImportKeyword &&
      node.arguments[0]
    )
      useAll(moduleOf(node.arguments[0]));
    if (ts.isImportTypeNode(node) && ts.isLiteralTypeNode(node.argument))
      useAll(moduleOf(node.argument.literal));
    if (ts.isNamespaceImport(node)) useAll(moduleOf(node.parent.parent.moduleSpecifier));
    if (ts.isExportDeclaration(node)) return;
    if (ts.isIdentifier(node) && !isMember(node.parent, node)) {
      const symbol = resolved(checker.getSymbolAtLocation(node));
      const isElsewhere = symbol?.declarations?.some((one) => one.getSourceFile() !== file);
      if (isElsewhere || (symbol && isInAnotherExport(node, symbol))) used.add(symbol);
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
}

const unused = files.flatMap((path) => {
  const file = program.getSourceFile(path);
  const module = checker.getSymbolAtLocation(file);
  return (module ? checker.getExportsOfModule(module) : []).flatMap((symbol) => {
    const own = resolved(symbol);
    const isHere = own.declarations?.some((one) => one.getSourceFile() === file);
    return isHere && !used.has(own) ? [`${relative(root, path)}: ${symbol.name}`] : [];
  });
});
for (const line of unused) process.stderr.write(`${line}: exported, and used by no other file\n`);
process.stdout.write(`exports of ${files.length} files\n`);
process.exit(unused.length === 0 ? 0 : 1);
