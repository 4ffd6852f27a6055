'use client';

import {
  compileField,
  inLanguage,
  languageOf,
  languagesOf,
  type RuleDocument,
  type SetDocument,
} from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import { Suspense, useMemo } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { useLanguages } from '../../field/languages.ts';
import { ruleExamples } from '../../model/rule-examples.ts';
import { finishedText } from '../../model/sample.ts';
import { localeName } from '../../ui/locales.ts';
import { VerdictIcon } from '../../ui/verdict-icon.tsx';
import * as words from '../../words/desk/rule-readings.ts';

/** The messages of a rule as somebody will read them, in every language: at its limit and next to it. */
export function RuleReadings({
  compiled,
  rule,
  document,
  today,
}: {
  readonly compiled: HydratedField;
  readonly rule: RuleDocument;
  readonly document: SetDocument;
  /** The current date, ISO 8601. */
  readonly today: string;
}) {
  const kinds = useKinds();
  const examples = useMemo(
    () => ruleExamples(compiled, rule, finishedText(compiled, kinds), today),
    [compiled, rule, kinds, today],
  );
  if (examples.length === 0) return null;
  const definition = document.fields.find(({ id }) => id === compiled.id);
  const own = languageOf(definition ?? {}, document);
  return (
    <div className="readings">
      <table>
        <caption className="caption">{words.asItWillRead}</caption>
        <tbody>
          {examples.map(({ display, verdict, message }) => (
            <tr key={display}>
              <th scope="row" className="value">
                {display || words.emptyField}
              </th>
              <td>
                <VerdictIcon verdict={verdict} />
              </td>
              <td>{message}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {languagesOf(document)
        .filter((language) => language !== own)
        .map((language) => (
          <Suspense key={language} fallback={null}>
            <InLanguage
              language={language}
              field={compiled.id}
              rule={rule.id}
              document={document}
              today={today}
            />
          </Suspense>
        ))}
    </div>
  );
}

/** The messages of the rule in another language of the set. */
function InLanguage({
  language,
  field,
  rule: ruleId,
  document,
  today,
}: {
  readonly language: string;
  readonly field: string;
  readonly rule: string;
  readonly document: SetDocument;
  readonly today: string;
}) {
  const kinds = useKinds();
  const languages = useLanguages(language);
  const examples = useMemo(() => {
    const set = inLanguage(document, language);
    const definition = set.fields.find(({ id }) => id === field);
    const rule = definition?.rules?.find(({ id }) => id === ruleId);
    if (!definition || !rule) return [];
    const compiled = compileField(definition, set, kinds, languages);
    return ruleExamples(compiled, rule, finishedText(compiled, kinds), today);
  }, [document, language, languages, field, ruleId, kinds, today]);
  const messages = [...new Set(examples.map(({ message }) => message))].filter(Boolean);
  return (
    <p>
      <span className="text-faint">{words.inLanguage(localeName(language))}</span>{' '}
      {messages.map((message) => (
        <span key={message} lang={language} className="block pl-4">
          {message}
        </span>
      ))}
    </p>
  );
}
