import {
  compileField,
  type FieldDocument,
  type FormDocument,
  fieldIdsOf,
  languageOf,
  type SetDocument,
} from '@arbeit/engine/document';
import { definitionIn, type KindTable, kindIn } from '@arbeit/engine/kinds';
import { parseNotation, readAloud } from '@arbeit/engine/kinds/pattern';
import { languages } from '@arbeit/engine/rules';
import type { Trial } from '@arbeit/engine/tape';
import { inAttribute, inHtml } from '@arbeit/handoff';
import * as words from '../words/model/proof-sheet.ts';
import { conditionInWords } from './condition-words.ts';
import { hasNotation } from './notation.ts';
import { sheetStyle } from './proof-sheet-style.ts';
import { ruleExamples } from './rule-examples.ts';
import { ruleInWords, showWhenWords } from './rule-words.ts';
import { finishedText, sampleLine, sampleOf } from './sample.ts';
import { namedOptions } from './set-options.ts';
import { targetOf } from './trial-edits.ts';

/** What a proof sheet is written from. */
export interface ProofSheetSource {
  readonly set: SetDocument;
  readonly kinds: KindTable;
  /** The clock (ISO 8601). */
  readonly today: string;
  /** Whether it is a file; a page has a link to the file. */
  readonly isFile: boolean;
}

/**
 * A set as one HTML page for colleagues who have no Arbeit: fields with samples, rules with their messages at
 * the limit, trials, forms. It has no scripts and loads nothing. Custom code is named, not run.
 */
export function proofSheet(source: ProofSheetSource): string {
  const { set } = source;
  const { fields, forms = [], locale } = set;
  const body = [
    '<header>',
    `<h1>${inHtml(set.title)}</h1>`,
    `<p>${inHtml(words.aboutTheSet(fields.length, forms.length, locale, source.today))}</p>`,
    ...(source.isFile
      ? []
      : [`<p class="screen"><a href="?download">${inHtml(words.downloadThisPage)}</a></p>`]),
    '</header>',
    '<main>',
    ...fields.map((field) => fieldSection(field, source)),
    ...forms.map((form) => formSection(form, source)),
    '</main>',
  ];
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<meta http-equiv="content-security-policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${inHtml(words.proofSheetOf(set.title))}</title>
<style>${sheetStyle}</style>
</head>
<body>
${body.join('\n')}
</body>
</html>
`;
}

function fieldSection(field: FieldDocument, { set, kinds, today }: ProofSheetSource): string {
  const compiled = compileField(field, set, kinds, languages);
  const { define, run } = kindIn(kinds, field.kind);
  // A custom format shows its code's text only where the code runs.
  const sample = run.withFormat ? (field.placeholder ?? '') : sampleLine(sampleOf(field, set, kinds));
  const finished = run.withFormat ? '' : finishedText(compiled, kinds);
  const { limits } = definitionIn(kinds, field);
  const rows = (field.rules ?? []).map((rule) => {
    const examples = finished ? ruleExamples(compiled, rule, finished, today) : [];
    const own = compiled.rules.find(({ id }) => id === rule.id);
    const failing = examples.filter(({ verdict }) => verdict !== 'pass');
    const says = failing.length
      ? failing.map(
          ({ display, message }) =>
            `<tr><td class="value">${inHtml(display || words.emptyInSheet)}</td><td>${inHtml(message)}</td></tr>`,
        )
      : own?.say
        ? [`<tr><td></td><td>${inHtml(own.say)}</td></tr>`]
        : [];
    const manner = [
      showWhenWords[rule.show ?? 'leave'],
      ...(rule.severity === 'warning' ? [words.warningInSheet] : []),
    ].join(', ');
    return [
      `<li><p>${inHtml(ruleInWords(rule.check, compiled, limits))} <span class="faint">${inHtml(manner)}</span></p>`,
      ...(says.length ? [`<table>${says.join('')}</table>`] : []),
      '</li>',
    ].join('');
  });
  const trials = trialsOf(set, 'field', field.id);
  return [
    `<section id="${inAttribute(field.id)}" lang="${inAttribute(languageOf(field, set))}">`,
    `<h2>${inHtml(field.label || field.id)} <span class="faint">${inHtml(`${define.name}, ${field.id}`)}</span></h2>`,
    ...(field.hint ? [`<p>${inHtml(field.hint)}</p>`] : []),
    ...(sample ? [`<p class="sample value">${inHtml(sample)}</p>`] : []),
    ...factsOf(field, set, kinds),
    ...(rows.length ? [`<h3>${inHtml(words.rulesInSheet)}</h3>`, `<ol>${rows.join('')}</ol>`] : []),
    ...trials,
    '</section>',
  ].join('\n');
}

/** Patterns in words, placeholder, initial value, condition and options that differ from the default. */
function factsOf(field: FieldDocument, set: SetDocument, kinds: KindTable): readonly string[] {
  const { placeholder, initial, when, html, sameValueAs } = field;
  const classes = Object.keys(set.classes ?? {});
  const labelOf = (id: string) => `“${set.fields.find((one) => one.id === id)?.label || id}”`;
  const isPattern = hasNotation(field);
  const facts: (readonly [string, string])[] = (isPattern ? [field.entry.pattern].flat() : []).map((text) => [
    words.patternInSheet,
    `${text}: ${readAloud(parseNotation(text, classes).nodes)}`,
  ]);
  for (const { key, label, value } of namedOptions(field, kinds))
    if (value !== undefined && !(isPattern && key === 'pattern')) facts.push([label, value]);
  if (placeholder) facts.push([words.placeholderInSheet, placeholder]);
  if (initial) facts.push([words.initialInSheet, initial]);
  if (sameValueAs) facts.push([words.sameValueInSheet, labelOf(sameValueAs)]);
  if (when) facts.push([words.conditionInSheet, conditionInWords(when, labelOf, (_, value) => value)]);
  if (html && Object.keys(html).length)
    facts.push([
      words.attributesInSheet,
      Object.entries(html)
        .map(([name, value]) => `${name}="${value}"`)
        .join(' '),
    ]);
  if (facts.length === 0) return [];
  return [
    `<dl>${facts.map(([name, value]) => `<div><dt>${inHtml(name)}</dt><dd>${inHtml(value)}</dd></div>`).join('')}</dl>`,
  ];
}

function formSection(form: FormDocument, source: ProofSheetSource): string {
  const { set } = source;
  const labelOf = (id: string) => set.fields.find((one) => one.id === id)?.label || id;
  const sections = form.sections ?? [{ title: '', fields: fieldIdsOf(form) }];
  const rules = (form.rules ?? []).map((rule) => {
    const field = set.fields.find(({ id }) => id === rule.field);
    const compiled = field && compileField(field, set, source.kinds, languages);
    const said = compiled ? ruleInWords(rule.check, compiled, undefined) : rule.id;
    const message = rule.say ? `: ${rule.say}` : '';
    return `<li>${inHtml(`${labelOf(rule.field)}: ${said}${message}`)}</li>`;
  });
  return [
    `<section id="form-${inAttribute(form.id)}">`,
    `<h2>${inHtml(form.title || form.id)} <span class="faint">${inHtml(words.formInSheet(form.id))}</span></h2>`,
    ...sections.map(
      ({ title, fields }) =>
        `<p>${title ? `<b>${inHtml(title)}</b> ` : ''}${inHtml(fields.map(labelOf).join(', '))}</p>`,
    ),
    ...(rules.length ? [`<h3>${inHtml(words.rulesAcross)}</h3>`, `<ol>${rules.join('')}</ol>`] : []),
    ...trialsOf(set, 'form', form.id),
    '</section>',
  ].join('\n');
}

function trialsOf(set: SetDocument, type: 'field' | 'form', of: string): readonly string[] {
  const own = (set.trials ?? []).filter((trial) => {
    const target = targetOf(trial);
    return target?.type === type && target.id === of;
  });
  if (own.length === 0) return [];
  const line = ({ id, name, why }: Trial) =>
    `<li>${inHtml(name ?? id)}${why ? ` <span class="faint">${inHtml(why)}</span>` : ''}</li>`;
  return [`<h3>${inHtml(words.trialsInSheet)}</h3>`, `<ul>${own.map(line).join('')}</ul>`];
}
