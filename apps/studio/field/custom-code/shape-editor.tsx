'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import { withFormat } from '@arbeit/engine/field';
import { type CustomText, shapeWords } from '@arbeit/engine/kinds/custom';
import { lawWords } from '@arbeit/engine/proof';
import { graphemes } from '@arbeit/engine/values';
import { useMemo } from 'react';
import * as words from '../../words/custom-code/shape-editor.ts';
import { useKinds } from '../kinds-provider.tsx';
import { CodeEditor, type Mistake, type Offer } from './code-editor.tsx';
import { growing } from './growing.ts';
import { runnerInPage, useAnswers } from './use-custom-code.ts';
import { useCodeDraft } from './use-draft.ts';
import { useLaws } from './use-laws.ts';

/** The arguments of the functions. */
const given: readonly Offer[] = [
  { label: 'content', detail: words.theCharactersTheUser },
  { label: 'shape', detail: words.returnsTheText },
  { label: 'value', detail: words.returnsTheValue },
];

/**
 * Editor of a custom format that shows how a text grows under it and whether the laws hold. Code that cannot
 * be saved stays in the editor with its problem.
 */
export function ShapeEditor({
  label,
  definition,
  set,
  code,
  check,
  withCode,
  onChange,
}: {
  readonly label: string;
  readonly definition: FieldDocument;
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
  readonly code: string;
  readonly check: (code: string) => string | null;
  readonly withCode: (code: string) => FieldDocument;
  readonly onChange: (code: string) => void;
}) {
  const [draft, setDraft] = useCodeDraft(code);
  const problem = check(draft);
  const kinds = useKinds();
  const answers = useAnswers(true);
  // biome-ignore lint/correctness/useExhaustiveDependencies: an answer changes what the same code comes to
  const steps = useMemo(() => {
    if (problem !== null) return [];
    const field = compileField({ ...withCode(draft), rules: [] } as FieldDocument, set, kinds);
    return growing(withFormat(field, runnerInPage().shape), kinds);
  }, [draft, problem, definition, set, kinds, answers]);
  const broken = steps.find(({ problem: why }) => why)?.problem;
  const mistakes = useMemo<readonly Mistake[]>(
    () => (broken ? [{ line: broken.line ?? 1, message: shapeWords(broken) }] : []),
    [broken],
  );
  return (
    <div className="w-full space-y-1">
      <span className="caption">{label}</span>
      <div className="shape-editor">
        <CodeEditor
          label={words.codeOfTheFormat}
          code={draft}
          offers={given}
          mistakes={mistakes}
          onChange={(next) => {
            setDraft(next);
            if (next !== code && check(next) === null) onChange(next);
          }}
        />
        <Growing steps={steps} />
      </div>
      <p role="status" className="min-h-6 text-sm">
        {problem !== null ? (
          <span className="text-brick">{words.notSaved(problem)}</span>
        ) : broken ? (
          <span className="text-brick">{words.shownUnformatted(broken.line, shapeWords(broken))}</span>
        ) : null}
      </p>
      {problem === null && <Laws definition={definition} set={set} />}
    </div>
  );
}

type Step = ReturnType<typeof growing>[number];

/** A text as it grows: what was typed and what is shown; the user's characters in ink, fixed ones faint. */
function Growing({ steps }: { readonly steps: readonly Step[] }) {
  return (
    <ol aria-label={words.displayKeyByKey} className="growing value">
      {steps.map(({ content, body }) => (
        <li key={content} data-is={body.is}>
          <Shown body={body} />
        </li>
      ))}
    </ol>
  );
}

function Shown({ body }: { readonly body: CustomText }) {
  let at = 0;
  return (
    <span className="whitespace-pre">
      {graphemes(body.display).map((character) => {
        const offset = at;
        at += character.length;
        return (
          <span key={offset} data-is={body.places.includes(offset) ? 'taken' : 'fixed'}>
            {/^\s$/u.test(character) ? '⎵' : character}
          </span>
        );
      })}
    </span>
  );
}

/** Whether the laws hold with this code, checked again after every change. */
function Laws({
  definition,
  set,
}: {
  readonly definition: FieldDocument;
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
}) {
  const { is, events, found, problem } = useLaws(definition, set);
  return (
    <div className="text-sm">
      <p role="status" className="min-h-6">
        {is === 'under way' ? (
          <span className="text-faint">{words.checkingLaws}</span>
        ) : is === 'failed' ? (
          <span className="text-brick">{problem}</span>
        ) : found.length === 0 ? (
          <span className="text-faint">{words.noProblemsFoundInRandom(events.toLocaleString('en-GB'))}</span>
        ) : (
          <span className="text-brick">{words.problemsFound(found.length)}</span>
        )}
      </p>
      <ul aria-label={words.lawsThatAreBroken} className="space-y-1 empty:hidden">
        {found.map(({ law, expected, found: was, actions }) => (
          <li key={law}>
            <p>
              <span className="value text-brick">{law}</span> {lawWords[law]}
            </p>
            <p className="caption">
              {words.expected(expected, was)} <span className="value">{actions.join(', ')}</span>
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}
