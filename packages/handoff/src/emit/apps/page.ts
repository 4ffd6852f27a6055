import { inAttribute, inHtml, inScript } from '../../escape.ts';
import { type Filling, nativeRows, sectionRows } from '../html-page.ts';
import type { AppFacts, Application } from './application.ts';
import {
  appSheet,
  checkFunction,
  hasButton,
  indented,
  json,
  type Lines,
  lines,
  methodAlone,
  serverConstants,
  textFunction,
} from './shared.ts';

/**
 * HTML as part of a template literal of JavaScript. `draw` is given the function that marks an expression in
 * it. Security: no text of a document can be an expression, since none contains the characters that mark one.
 */
function inTemplateLiteral(draw: (mark: (code: string) => string) => string): string {
  const plain = draw(() => '');
  // Noncharacters (Unicode) that the texts do not contain.
  const [open = '', close = ''] = Array.from({ length: 32 }, (_, i) =>
    String.fromCharCode(0xfdd0 + i),
  ).filter((c) => !plain.includes(c));
  if (!close) return escaped(plain);
  return draw((code) => open + code + close)
    .split(open)
    .map((part, i) => {
      const [code, text] = i === 0 ? ['', part] : (part.split(close) as [string, string]);
      return `${code && `\${${code}}`}${escaped(text)}`;
    })
    .join('');
}

/** Text in a template literal (ECMAScript). Security relevant: it cannot end it or begin an expression. */
const escaped = (text: string): string => text.replace(/[\\`]|\$(?=\{)/g, '\\$&');

/** What the server writes into the controls: expressions of its template. */
function fillingWith(mark: (code: string) => string): Filling {
  const named = (id: string): string => inScript(id);
  return {
    value: (id) => mark(`value(${named(id)})`),
    text: (id) => mark(`text(raw[${named(id)}])`),
    picked: (id, value, attribute, between) => {
      const several = between === undefined ? '' : `, ${inScript(between)}`;
      return mark(`picked(${named(id)}, ${inScript(value)}, '${attribute}'${several})`);
    },
    message: (id) => [mark(`message(${named(id)})`)],
  };
}

/** `page.mjs`: the page as text, with what was sent and what is wrong with it. */
function pageFile(facts: AppFacts): string {
  const { form, prefix, natives, language, isRightToLeft, title, words } = facts;
  const html = inTemplateLiteral((mark) => {
    const inside = form
      ? [
          `<${prefix}-form form="${inAttribute(form.id)}">`,
          ...indented(
            sectionRows(natives, form.sections, { elements: prefix, filling: fillingWith(mark) }),
            2,
          ),
          `</${prefix}-form>`,
        ]
      : nativeRows(natives, { elements: prefix });
    return [
      '<!doctype html>',
      `<html lang="${inAttribute(language)}"${isRightToLeft ? ' dir="rtl"' : ''}>`,
      '<meta charset="utf-8">',
      '<meta name="viewport" content="width=device-width, initial-scale=1">',
      `<title>${inHtml(form?.title ?? title)}</title>`,
      '<link rel="stylesheet" href="/app.css">',
      '<script type="module" src="/fields/elements.js"></script>',
      ...(form ? ['<script type="module" src="/app.js"></script>'] : []),
      '<main>',
      `  <form${form ? ' method="post"' : methodAlone(facts)} class="fields">`,
      `    <h1>${inHtml(form?.title ?? title)}</h1>`,
      ...indented(inside, 4),
      ...(hasButton(facts) ? [`    <button>${inHtml(words.submit)}</button>`] : []),
      `    <p role="alert" id="problem" data-unreachable="${inAttribute(words.unreachable)}">${form ? mark("message('')") : ''}</p>`,
      `    <output>${form ? mark('text(record)') : ''}</output>`,
      '  </form>',
      '</main>',
      '</html>',
    ].join('\n');
  });
  return lines(
    `// The page of “${(form?.title ?? title).replace(/\s+/g, ' ')}” as text: native controls for browsers without JavaScript, inside of elements that take`,
    '// them over.',
    '',
    '/** A text for HTML, between tags and in attributes. */',
    `const text = (raw) => String(raw ?? '').replace(/[&<>"']/g, (c) => \`&#\${c.codePointAt(0)};\`);`,
    '',
    '/**',
    ' * The page with what was sent, what is wrong with it, and the record that was accepted.',
    ' * @param {Readonly<Record<string, string>>} [raw] raw values by name of the field, none of a concealed field',
    ' * @param {readonly { field: string, message?: string }[]} [findings]',
    ' * @param {string} [record]',
    ' */',
    `export function page(raw = {}, findings = [], record = '') {`,
    `  const value = (name) => (name in raw ? \` value="\${text(raw[name])}"\` : '');`,
    '  const picked = (name, option, attribute, between) => {',
    '    const values = between ? raw[name]?.split(between) : [raw[name]];',
    `    return values?.includes(option) ? \` \${attribute}\` : '';`,
    '  };',
    '  const message = (name) =>',
    '    findings',
    '      .filter(({ field }) => field === name)',
    `      .map((one) => \`<p class="wrong">\${text(one.message)}</p>\`)`,
    "      .join('');",
    `  return \`${html}\n\`;`,
    '}',
  );
}

/** `app.js`: sends the record from the page, so that what the server finds is shown at its fields. */
const clientFile = ({ prefix }: AppFacts): string =>
  lines(
    '// Sends the record without leaving the page, so that what the server finds is shown at its field.',
    `const form = document.querySelector('${prefix}-form');`,
    "const problem = document.querySelector('#problem');",
    '',
    'form.send = async (record) => {',
    "  problem.textContent = '';",
    '  try {',
    "    const response = await fetch('/', {",
    "      method: 'POST',",
    "      headers: { 'Content-Type': 'application/json' },",
    '      body: JSON.stringify(record.raw),',
    '    });',
    '    const { findings, values } = await response.json();',
    "    document.querySelector('output').textContent = values ? JSON.stringify(values, null, 2) : '';",
    '    return findings;',
    '  } catch (error) {',
    '    problem.textContent = problem.dataset.unreachable;',
    '    throw error;',
    '  }',
    '};',
  );

const serverHead = (facts: AppFacts): readonly Lines[] => [
  '// A server of Node.js without packages: the page, the files of the fields, and the check of what is sent.',
  "import { createReadStream, existsSync } from 'node:fs';",
  "import { createServer } from 'node:http';",
  "import { extname, join } from 'node:path';",
  "import { fileURLToPath } from 'node:url';",
  facts.form ? `import { check${facts.form.stem}, refill${facts.form.stem} } from '../../server.js';` : false,
  "import { page } from './page.mjs';",
  '',
  '// The folders that the page may load scripts from.',
  "const fields = fileURLToPath(new URL('../../', import.meta.url));",
  "const own = fileURLToPath(new URL('./', import.meta.url));",
  "const types = { '.css': 'text/css', '.js': 'text/javascript' };",
  serverConstants(facts),
];

const answering: readonly string[] = [
  '/** Nothing but files of this server runs in the page. */',
  'const policy = [',
  `  "default-src 'none'",`,
  `  "script-src 'self'",`,
  `  "style-src 'self'",`,
  `  "connect-src 'self'",`,
  `  "form-action 'self'",`,
  `  "base-uri 'none'",`,
  `  "frame-ancestors 'none'",`,
  `  "require-trusted-types-for 'script'",`,
  "].join('; ');",
  '',
  'function answer(response, status, type, body) {',
  '  response.writeHead(status, {',
  `    'Content-Type': \`\${type}; charset=utf-8\`,`,
  "    'Content-Security-Policy': policy,",
  "    'X-Content-Type-Options': 'nosniff',",
  '  });',
  '  response.end(body);',
  '}',
  '',
  'function sendFile(path, response) {',
  '  // Only names of files, no way up.',
  '  const place = /^\\/fields\\/((?:run-time\\/)?[\\w-]+\\.js)$/.exec(path) ?? /^\\/(app\\.(?:css|js))$/.exec(path);',
  "  const file = place && join(path.startsWith('/fields/') ? fields : own, place[1]);",
  "  if (!file || !existsSync(file)) return answer(response, 404, 'text/plain', 'Not found.');",
  `  response.writeHead(200, { 'Content-Type': \`\${types[extname(file)]}; charset=utf-8\` });`,
  '  createReadStream(file).pipe(response);',
  '}',
  '',
];

const receiving = (facts: AppFacts, stem: string): readonly Lines[] => [
  checkFunction(facts, false),
  textFunction(false),
  '/** Receives a record: JSON from the script of the page, a form from a browser without JavaScript. */',
  'async function receive(request, response) {',
  '  const text = await textOf(request);',
  "  const isJson = request.headers['content-type']?.includes('json') ?? false;",
  '  const sent = isJson ? JSON.parse(text) : new URLSearchParams(text);',
  '  const { status, body } = await checked(sent);',
  "  if (isJson) return answer(response, status, 'application/json', JSON.stringify(body));",
  "  const record = body.values ? JSON.stringify(body.values, null, 2) : '';",
  `  answer(response, status, 'text/html', page(refill${stem}(sent), body.findings, record));`,
  '}',
  '',
];

/** `server.mjs`: a server of Node.js without packages. */
function serverFile(facts: AppFacts): string {
  const { form, asks } = facts;
  const isAsking = asks.length > 0;
  return lines(
    serverHead(facts),
    answering,
    form ? receiving(facts, form.stem) : false,
    'const server = createServer(async (request, response) => {',
    '  try {',
    "    const { pathname } = new URL(request.url ?? '/', 'http://localhost');",
    isAsking && [
      "    if (request.method === 'POST' && asked.includes(pathname))",
      "      return answer(response, 200, 'application/json', JSON.stringify({ verdict: 'pass' }));",
    ],
    form
      ? "    if (request.method === 'POST' && pathname === '/') return await receive(request, response);"
      : false,
    "    if (pathname === '/') return answer(response, 200, 'text/html', page());",
    '    sendFile(pathname, response);',
    '  } catch (error) {',
    "    answer(response, 400, 'application/json', JSON.stringify({ error: String(error) }));",
    '  }',
    '});',
    '',
    'server.listen(Number(process.env.PORT ?? 3000), () => {',
    `  console.log(\`http://localhost:\${server.address().port}\`);`,
    '});',
  );
}

/** A page with custom elements and its server, without a framework and without a package. */
export function pageApp(facts: AppFacts): Application {
  const { form, slug, title } = facts;
  return {
    name: 'page',
    use: 'element',
    title: 'A plain page and a server of Node.js',
    own: ['server.mjs', ...(form ? ['app.js'] : [])],
    files: new Map([
      ['app.css', `${appSheet}.wrong { margin: 0; color: light-dark(#a3162a, #ff9aa2); }\n`],
      ...(form ? [['app.js', clientFile(facts)] as const] : []),
      [
        'package.json',
        json({
          name: `${slug}-page`,
          private: true,
          description: `A page and its server with the fields of “${title}”.`,
          type: 'module',
          scripts: { start: 'node server.mjs' },
        }),
      ],
      ['page.mjs', pageFile(facts)],
      ['server.mjs', serverFile(facts)],
    ]),
  };
}
