import { fieldName } from '@arbeit/engine/field';
import { inAttribute, inScript, inTemplate } from '../../escape.ts';
import type { AppFacts, Application } from './application.ts';
import {
  appSheet,
  checkFunction,
  fieldsScript,
  indented,
  json,
  type Lines,
  lines,
  packageFile,
  serverConstants,
  textFunction,
  withoutScripts,
} from './shared.ts';

/** A text between tags of a template (Angular: braces and `@` are code). Security relevant. */
const inAngular = (text: string): string => inTemplate(text).replaceAll('@', '&#64;');

/** `src/field-accessor.ts`: connects the elements to forms of Angular. */
const accessorFile = ({ prefix }: AppFacts): string =>
  lines(
    "import { Directive, ElementRef, forwardRef, inject } from '@angular/core';",
    'import {',
    '  type AbstractControl,',
    '  type ControlValueAccessor,',
    '  NG_VALIDATORS,',
    '  NG_VALUE_ACCESSOR,',
    '  type ValidationErrors,',
    '  type Validator,',
    "} from '@angular/forms';",
    "import type { FieldElement } from './fields/element.js';",
    '',
    '/** Connects a field to a form of Angular: its raw value, its validity, and whether it is disabled. */',
    '@Directive({',
    '  selector:',
    `    '${prefix}-field[formControl], ${prefix}-field[formControlName], ${prefix}-field[ngModel]',`,
    "  host: { '(input)': 'changed()', '(change)': 'changed()', '(focusout)': 'touched()' },",
    '  providers: [',
    '    { provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => FieldAccessor), multi: true },',
    '    { provide: NG_VALIDATORS, useExisting: forwardRef(() => FieldAccessor), multi: true },',
    '  ],',
    '})',
    'export class FieldAccessor implements ControlValueAccessor, Validator {',
    '  readonly #field: FieldElement = inject(ElementRef).nativeElement;',
    '  protected changed: () => void = () => {};',
    '  protected touched: () => void = () => {};',
    '',
    '  writeValue(raw: string | null): void {',
    "    this.#field.value = raw ?? '';",
    '  }',
    '  registerOnChange(report: (raw: string) => void): void {',
    '    this.changed = () => report(this.#field.value);',
    '  }',
    '  registerOnTouched(report: () => void): void {',
    '    this.touched = report;',
    '  }',
    '  setDisabledState(isDisabled: boolean): void {',
    "    this.#field.toggleAttribute('disabled', isDisabled);",
    '  }',
    '  validate(_: AbstractControl): ValidationErrors | null {',
    '    return this.#field.checkValidity() ? null : { field: this.#field.validationMessage };',
    '  }',
    '}',
  );

/** The fields of the form in the template: in their sections, each a control of the form of Angular. */
function fieldsInTemplate({ prefix, form, natives }: AppFacts): readonly string[] {
  const one = (name: string, id = name): string =>
    `<${prefix}-field field="${inAngular(id)}" formControlName="${inAngular(name)}"></${prefix}-field>`;
  if (!form) return natives.map(({ field }) => one(fieldName(field), field.id));
  const sections = form.sections.flatMap(({ title, columns, fields }) => {
    const rows = [
      `<div class="fields"${columns > 1 ? ` data-columns="${columns}"` : ''}>`,
      ...fields.map((name) => `  ${one(name)}`),
      '</div>',
    ];
    return title === undefined
      ? rows
      : ['<fieldset>', `  <legend>${inAngular(title)}</legend>`, ...indented(rows, 2), '</fieldset>'];
  });
  return [
    `<${prefix}-form form="${inAttribute(form.id)}" [send]="send">`,
    ...indented(sections, 2),
    `</${prefix}-form>`,
  ];
}

/** `src/app.html`: the template. */
const templateFile = (facts: AppFacts): string =>
  lines(
    facts.form ? '<form [formGroup]="form">' : '<form [formGroup]="form" (ngSubmit)="show()">',
    `  <h1>${inAngular(facts.form?.title ?? facts.title)}</h1>`,
    indented(fieldsInTemplate(facts), 2),
    `  <button>${inAngular(facts.words.submit)}</button>`,
    facts.form
      ? `  @if (isUnreachable()) {<p role="alert">${inAngular(facts.words.unreachable)}</p>}`
      : false,
    '  <output>{{ sent() }}</output>',
    '</form>',
  );

const sending = ({ record }: NonNullable<AppFacts['form']>): readonly Lines[] => [
  '  readonly isUnreachable = signal(false);',
  '',
  '  /** Sends a record to your server, which answers with what it finds wrong. */',
  `  readonly send = async (record: FormRecord<${record}>): Promise<readonly FieldFinding[]> => {`,
  '    this.isUnreachable.set(false);',
  '    try {',
  "      const response = await fetch('/records', {",
  "        method: 'POST',",
  "        headers: { 'Content-Type': 'application/json' },",
  '        body: JSON.stringify(record.raw),',
  '      });',
  '      const { findings, values } = await response.json();',
  "      this.sent.set(values ? JSON.stringify(values, null, 2) : '');",
  '      return findings;',
  '    } catch (error) {',
  '      this.isUnreachable.set(true);',
  '      throw error;',
  '    }',
  '  };',
];

/** `src/app.ts`: the component with the form. */
function componentFile(facts: AppFacts): string {
  const { form, natives } = facts;
  const controls = natives.map(
    ({ field }) =>
      `    ${inScript(fieldName(field))}: new FormControl(${inScript(field.initial)}, { nonNullable: true }),`,
  );
  return lines(
    "import { Component, CUSTOM_ELEMENTS_SCHEMA, signal } from '@angular/core';",
    "import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';",
    "import { FieldAccessor } from './field-accessor';",
    "import './fields/elements.js';",
    form ? `import type { ${form.record} } from './fields/fields.js';` : false,
    form ? "import type { FieldFinding, FormRecord } from './fields/server.js';" : false,
    '',
    '@Component({',
    "  selector: 'app-root',",
    '  imports: [ReactiveFormsModule, FieldAccessor],',
    '  schemas: [CUSTOM_ELEMENTS_SCHEMA],',
    "  templateUrl: './app.html',",
    '})',
    'export class App {',
    '  /** Raw values by name of the field. */',
    '  readonly form = new FormGroup({',
    controls,
    '  });',
    "  readonly sent = signal('');",
    form
      ? sending(form)
      : [
          '',
          '  show(): void {',
          '    if (this.form.valid) this.sent.set(JSON.stringify(this.form.value, null, 2));',
          '  }',
        ],
    '}',
  );
}

/** `server.mjs`: serves what `ng build` made, and checks records. */
function serverFile(facts: AppFacts): string {
  const { form, asks } = facts;
  const isAsking = asks.length > 0;
  return lines(
    '// What your server does: the files that `npm run build` made, and the check of what is sent.',
    "import { createReadStream, existsSync } from 'node:fs';",
    "import { createServer } from 'node:http';",
    "import { extname } from 'node:path';",
    "import { fileURLToPath } from 'node:url';",
    form ? `import { check${form.stem} } from './src/fields/server.js';` : false,
    '',
    "const built = fileURLToPath(new URL('./dist/browser', import.meta.url));",
    "const types = { '.css': 'text/css', '.html': 'text/html', '.js': 'text/javascript' };",
    serverConstants(facts),
    checkFunction(facts, false),
    form ? textFunction(false) : false,
    'const server = createServer(async (request, response) => {',
    '  const answer = (status, body) => {',
    "    response.writeHead(status, { 'Content-Type': 'application/json; charset=utf-8' });",
    '    response.end(JSON.stringify(body));',
    '  };',
    '  try {',
    "    const { pathname } = new URL(request.url ?? '/', 'http://localhost');",
    isAsking &&
      "    if (request.method === 'POST' && asked.includes(pathname)) return answer(200, { verdict: 'pass' });",
    form
      ? [
          "    if (request.method === 'POST' && pathname === '/records') {",
          '      const text = await textOf(request);',
          '      // The page sends JSON. Without JavaScript the browser submits the form.',
          "      const isJson = request.headers['content-type']?.includes('json');",
          '      const { status, body } = await checked(isJson ? JSON.parse(text) : new URLSearchParams(text));',
          '      return answer(status, body);',
          '    }',
        ]
      : false,
    '    // Only names of files, no way up.',
    "    const name = pathname === '/' ? '/index.html' : pathname;",
    '    const file = /^\\/[\\w-]+\\.[a-z]+$/.test(name) ? built + name : undefined;',
    "    if (!file || !existsSync(file)) return answer(404, { error: 'Not found.' });",
    `    response.writeHead(200, { 'Content-Type': \`\${types[extname(file)]}; charset=utf-8\` });`,
    '    createReadStream(file).pipe(response);',
    '  } catch (error) {',
    '    answer(400, { error: String(error) });',
    '  }',
    '});',
    '',
    'server.listen(Number(process.env.PORT ?? 3000), () => {',
    `  console.log(\`http://localhost:\${server.address().port}\`);`,
    '});',
  );
}

const configuration = {
  version: 1,
  projects: {
    app: {
      projectType: 'application',
      root: '',
      sourceRoot: 'src',
      architect: {
        build: {
          builder: '@angular/build:application',
          options: {
            outputPath: 'dist',
            index: 'src/index.html',
            browser: 'src/main.ts',
            tsConfig: 'tsconfig.json',
            styles: ['src/app.css'],
          },
          configurations: { development: { optimization: false, sourceMap: true } },
        },
        serve: {
          builder: '@angular/build:dev-server',
          options: { buildTarget: 'app:build:development', proxyConfig: 'proxy.conf.json' },
        },
      },
    },
  },
  cli: { analytics: false },
};

const compilerOptions = {
  target: 'ES2022',
  module: 'preserve',
  moduleResolution: 'bundler',
  lib: ['ES2023', 'DOM', 'DOM.Iterable'],
  strict: true,
  skipLibCheck: false,
  experimentalDecorators: true,
  importHelpers: true,
  types: [],
};

/** `src/index.html`: the page that starts the application, and the form for browsers without JavaScript. */
const indexFile = (facts: AppFacts): string =>
  lines(
    '<!doctype html>',
    `<html lang="${inAttribute(facts.language)}"${facts.isRightToLeft ? ' dir="rtl"' : ''}>`,
    '  <head>',
    '    <meta charset="utf-8">',
    '    <base href="/">',
    '    <meta name="viewport" content="width=device-width, initial-scale=1">',
    `    <title>${inAttribute(facts.form?.title ?? facts.title)}</title>`,
    '  </head>',
    '  <body>',
    '    <main><app-root></app-root></main>',
    '    <noscript>',
    indented(withoutScripts(facts), 6),
    '    </noscript>',
    '  </body>',
    '</html>',
  );

/** The application for Angular, with the elements. */
export function angularApp(facts: AppFacts): Application {
  const asked = [...(facts.form ? ['/records'] : []), ...facts.asks];
  const proxy = Object.fromEntries(asked.map((path) => [path, { target: 'http://localhost:3000' }]));
  return {
    name: 'angular',
    use: 'element',
    title: 'Angular with the elements',
    own: ['src/app.ts', 'src/field-accessor.ts'],
    files: new Map([
      ['.gitignore', '.angular\ndist\nnode_modules\n'],
      ['angular.json', json(configuration)],
      ['fields.mjs', fieldsScript('src/fields')],
      [
        'package.json',
        packageFile(
          facts,
          'angular',
          { dev: 'ng serve', build: 'ng build', start: 'node server.mjs' },
          [
            '@angular/common',
            '@angular/core',
            '@angular/forms',
            '@angular/platform-browser',
            'rxjs',
            'tslib',
          ],
          [
            '@angular/build',
            '@angular/cli',
            '@angular/compiler',
            '@angular/compiler-cli',
            'typescript-of-angular',
          ],
        ),
      ],
      ['proxy.conf.json', json(proxy)],
      ['server.mjs', serverFile(facts)],
      ['src/app.css', appSheet],
      ['src/app.html', templateFile(facts)],
      ['src/app.ts', componentFile(facts)],
      ['src/field-accessor.ts', accessorFile(facts)],
      ['src/index.html', indexFile(facts)],
      [
        'src/main.ts',
        lines(
          "import { provideZonelessChangeDetection } from '@angular/core';",
          "import { bootstrapApplication } from '@angular/platform-browser';",
          "import { App } from './app';",
          '',
          'bootstrapApplication(App, { providers: [provideZonelessChangeDetection()] }).catch(console.error);',
        ),
      ],
      [
        'tsconfig.json',
        json({
          compilerOptions,
          angularCompilerOptions: { strictTemplates: true, strictInjectionParameters: true },
          files: ['src/main.ts'],
        }),
      ],
    ]),
  };
}
