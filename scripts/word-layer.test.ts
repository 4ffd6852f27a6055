import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseSync } from 'vite';
import { describe, expect, test } from 'vitest';

// Texts of the studio are in `apps/studio/words`, and nowhere else. A component takes them from there, whole.

const studio = fileURLToPath(new URL('../apps/studio', import.meta.url));
const layer = join(studio, 'words');

interface Node {
  readonly type: string;
  readonly start: number;
  readonly [member: string]: unknown;
}

const isNode = (value: unknown): value is Node =>
  typeof value === 'object' && value !== null && typeof (value as Node).type === 'string';

/** Calls `visit` for every node under `node` with the nodes around it, the closest first. */
function walk(
  node: Node,
  visit: (node: Node, around: readonly Node[]) => void,
  around: readonly Node[] = [],
) {
  visit(node, around);
  for (const value of Object.values(node))
    for (const child of Array.isArray(value) ? value : [value])
      if (isNode(child)) walk(child, visit, [node, ...around]);
}

const filesIn = (folder: string): readonly string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return /^(?:node_modules|\.next)$/.test(entry.name) ? [] : filesIn(path);
    return /\.tsx?$/.test(entry.name) && !/\.(?:test|fixture|d)\.tsx?$/.test(entry.name) ? [path] : [];
  });

const parsed = (path: string, source = readFileSync(path, 'utf8')): Node =>
  parseSync(path, source).program as unknown as Node;

/** Attributes whose value people read or hear. */
const read =
  /^(?:aria-label|aria-description|aria-roledescription|alt|title|label|caption|placeholder|about|missing|trigger)$/;

const textOf = (node: Node): string | undefined => {
  if (node.type === 'Literal' && typeof node.value === 'string') return node.value;
  if (node.type !== 'TemplateLiteral') return undefined;
  const quasis = node.quasis as readonly { readonly value: { readonly cooked: string } }[];
  return quasis.map(({ value }) => value.cooked).join('…');
};

/** Whether a string is a sentence, a heading or the name of a control: it has a word with a capital first. */
const isSentence = (text: string): boolean =>
  /^(?:\p{Lu}\p{Ll}+(?:[-’]\p{Ll}+)*)(?:$|[.…?:,]?$| )/u.test(text) || /\p{Ll} \p{Ll}.*[.?]$/u.test(text);

/** Strings that nobody reads: class names, keys of the keyboard, names for code. */
const isForCode = (text: string, parent: Node | undefined): boolean =>
  /^(?:Tab|Enter|Escape|Backspace|Delete|Home|End|Shift|Control|Alt|Ctrl|Meta|Arrow\w+|Page\w+)(?:\b|$)/.test(
    text,
  ) ||
  /^(?:Error|Cursor|Arbeit|Snippet|Commit Mono|Files$)\b/.test(text) ||
  /[{};]|=>|&\.|\n/.test(text) ||
  parent?.type === 'ImportDeclaration' ||
  parent?.type === 'TSLiteralType';

interface Found {
  readonly line: number;
  readonly what: string;
}

/** What a source holds that belongs into the layer of words. */
function strayIn(path: string, source: string): readonly Found[] {
  const found: Found[] = [];
  const add = (node: Node, what: string) =>
    found.push({ line: source.slice(0, node.start).split('\n').length, what });
  walk(parsed(path, source), (node, [parent, around]) => {
    if (node.type === 'JSXText' && /\p{L}/u.test(String(node.value))) add(node, String(node.value).trim());
    const text = textOf(node);
    if (text === undefined || !/\p{L}/u.test(text) || isForCode(text, parent)) return;
    const attribute =
      parent?.type === 'JSXAttribute' ? parent : around?.type === 'JSXAttribute' ? around : undefined;
    const name = (attribute?.name as { readonly name?: string } | undefined)?.name ?? '';
    if (
      read.test(name) ? parent?.type === 'JSXAttribute' || node.type === 'TemplateLiteral' : isSentence(text)
    )
      add(node, text);
  });
  return found;
}

/** Whether an expression is a text of the layer, or a call of one. */
const isWord = (node: unknown): boolean => {
  if (!isNode(node)) return false;
  if (node.type === 'CallExpression') return isWord(node.callee);
  const object = node.type === 'MemberExpression' ? (node.object as Node) : undefined;
  return object?.type === 'Identifier' && /^(?:words|texts|wording)$/.test(String(object.name));
};

/** Places that build a sentence from texts of the layer and something else. */
function joinedIn(path: string, source: string): readonly Found[] {
  const found: Found[] = [];
  walk(parsed(path, source), (node) => {
    const add = (what: string) => found.push({ line: source.slice(0, node.start).split('\n').length, what });
    if (node.type === 'TemplateLiteral' && (node.expressions as readonly Node[]).some(isWord))
      add(source.slice(node.start, node.end as number));
    if (
      node.type === 'BinaryExpression' &&
      node.operator === '+' &&
      (isWord(node.left) || isWord(node.right))
    )
      add(source.slice(node.start, node.end as number));
    if (node.type !== 'JSXElement' && node.type !== 'JSXFragment') return;
    const children = (node.children as readonly Node[]).filter(
      (child) =>
        child.type !== 'JSXText' || String(child.value).trim() !== '' || !String(child.value).includes('\n'),
    );
    const values = children.map((child) =>
      child.type === 'JSXExpressionContainer' ? (child.expression as Node) : undefined,
    );
    const joins = values.some(
      (value, i) =>
        isWord(value) &&
        [values[i - 1], values[i + 1], values[i - 2], values[i + 2]].some(
          (next) =>
            next && !(next.type === 'Literal') && !/^(?:Logical|Conditional)Expression$/.test(next.type),
        ),
    );
    if (joins) add(children.map((child) => source.slice(child.start, child.end as number)).join(''));
  });
  return found;
}

const outside = filesIn(studio).filter(
  (path) => !path.startsWith(layer) && !/^demo\/|^proxy\.ts/.test(relative(studio, path)),
);
const listed = (check: (path: string, source: string) => readonly Found[]) =>
  outside.flatMap((path) =>
    check(path, readFileSync(path, 'utf8')).map(
      ({ line, what }) => `${relative(studio, path)}:${line}: ${what}`,
    ),
  );

const browserTests = fileURLToPath(new URL('../e2e', import.meta.url));

/** Whether a text is one of the layer: word for word, or one of those with values in them. */
function textsOfLayer(): (text: string) => boolean {
  const whole = new Set<string>();
  const filled: RegExp[] = [];
  for (const path of filesIn(layer).filter((path) => !/synonyms|index|plural/.test(path)))
    walk(parsed(path), (node) => {
      if (node.type === 'JSXText') whole.add(String(node.value).trim());
      const text = textOf(node) ?? '';
      if (node.type === 'Literal') whole.add(text);
      // A template of nothing but a short word would fit every second text.
      else if (text.replace(/[^a-z]/gi, '').length > 7)
        filled.push(new RegExp(`^${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replaceAll('…', '.+?')}$`));
    });
  return (text) => whole.has(text) || filled.some((one) => one.test(text));
}

const locators =
  /^(?:getBy(?:Text|Label|Title|Placeholder)|to(?:Have|Contain)Text|toHaveAccessibleName|selectOption)$/;

/** Texts by which a browser test finds something, or which it expects to read. */
function lookedForIn(path: string, source: string): readonly Found[] {
  const found: Found[] = [];
  walk(parsed(path, source), (node, [parent, around, call]) => {
    const what = textOf(node);
    if (what === undefined) return;
    const method = (of: Node | undefined) =>
      ((of?.callee as Node | undefined)?.property as { readonly name?: string } | undefined)?.name ?? '';
    const key = (parent?.key as { readonly name?: string } | undefined)?.name;
    const isNamed =
      parent?.type === 'Property' &&
      /^(?:name|hasText)$/.test(key ?? '') &&
      around?.type === 'ObjectExpression' &&
      method(call) !== '';
    if (isNamed || (parent?.type === 'CallExpression' && locators.test(method(parent))))
      found.push({ line: source.slice(0, node.start).split('\n').length, what });
  });
  return found;
}

const bad = `import * as words from './words.ts';
const said = 'Not saved. Try again.';
export const Bad = ({ name, count }) => (
  <section aria-label="Rules" title={\`Actions for \${name}\`}>
    Delete {name}
    <p className="flex gap-3">{words.stoppedAfter} {count}</p>
    <p>{words.saved(name)}</p>
    {said + words.undo}
    {\`\${words.line} \${count}\`}
  </section>
);`;

describe('the layer of words', () => {
  test('a text elsewhere is found, in JSX, in attributes and in strings', () => {
    expect(strayIn('bad.tsx', bad)).toEqual([
      { line: 2, what: 'Not saved. Try again.' },
      { line: 4, what: 'Rules' },
      { line: 4, what: 'Actions for …' },
      { line: 4, what: 'Delete' },
    ]);
  });
  test('a sentence joined from parts is found', () => {
    expect(joinedIn('bad.tsx', bad)).toEqual([
      { line: 6, what: '{words.stoppedAfter} {count}' },
      { line: 8, what: 'said + words.undo' },
      // biome-ignore lint/suspicious/noTemplateCurlyInString: the source of a template
      { line: 9, what: '`${words.line} ${count}`' },
    ]);
  });
  test('has an index of each page, for tests', () => {
    const missing = readdirSync(layer, { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .flatMap(({ name }) => {
        const index = readFileSync(join(layer, name, 'index.ts'), 'utf8');
        return readdirSync(join(layer, name))
          .filter((file) => file !== 'index.ts' && !index.includes(`'./${file}'`))
          .map((file) => `${name}/${file}`);
      });
    expect(missing).toEqual([]);
  });
  test('has no text that nothing shows', () => {
    const users = outside.map((path) => readFileSync(path, 'utf8')).join('\n');
    const layers = filesIn(layer)
      .map((path) => readFileSync(path, 'utf8'))
      .join('\n');
    const exported = [...layers.matchAll(/^export const (\w+)/gm)].map(([, name]) => name!);
    expect(exported.length).toBeGreaterThan(900);
    const isUsed = (name: string) =>
      new RegExp(`\\.${name}\\b|\\b${name}\\b[^;]*from '[^']*words/`).test(users) ||
      new RegExp(`\\b${name}\\(`).test(layers);
    expect(exported.filter((name) => !isUsed(name))).toEqual([]);
  });
  test('has all texts of the studio', () => {
    expect(outside.length).toBeGreaterThan(150);
    expect(listed(strayIn)).toEqual([]);
  });
  test('has whole sentences', () => {
    expect(listed(joinedIn)).toEqual([]);
  });
  test('has no name of a variable in a text: a rename that went too far', () => {
    const odd = filesIn(layer).flatMap((path) => {
      const found: string[] = [];
      walk(parsed(path), (node, [parent]) => {
        const text =
          node.type === 'TemplateElement'
            ? String((node.value as { readonly cooked?: unknown }).cooked)
            : node.type === 'JSXText' ||
                (node.type === 'Literal' && !/^(?:Im|Ex)port/.test(parent?.type ?? ''))
              ? String(node.value)
              : '';
        if (/ /.test(text) && /\b[a-z]{2,}[A-Z][a-z]/.test(text))
          found.push(`${relative(layer, path)}: ${text}`);
      });
      return found;
    });
    expect(odd).toEqual([]);
  });

  test('gives browser tests their texts', () => {
    const isOurs = textsOfLayer();
    const stray = (file: string, source: string) =>
      lookedForIn(file, source)
        .filter(({ what }) => isOurs(what))
        .map(({ line, what }) => `${file}:${line}: ${what}`);
    const bad = `await page.getByRole('button', { name: 'Undo' }).click();
      await expect(page.getByText('“Hut” was deleted.')).toBeVisible();
      await page.getByLabel('Guest’s mobile number').fill('Undo');
      await expect(said).toHaveText(\`Caught by “\${name}”.\`);`;
    expect(stray('bad.spec.ts', bad)).toEqual([
      'bad.spec.ts:1: Undo',
      'bad.spec.ts:2: “Hut” was deleted.',
      'bad.spec.ts:4: Caught by “…”.',
    ]);
    const files = readdirSync(browserTests).filter((file) => file.endsWith('.spec.ts'));
    expect(files.flatMap((file) => stray(file, readFileSync(join(browserTests, file), 'utf8')))).toEqual([]);
  });
});
