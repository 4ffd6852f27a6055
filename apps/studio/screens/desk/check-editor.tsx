'use client';

import { wordsOfCheck } from '@arbeit/engine/check-words';
import type { CheckDocument } from '@arbeit/engine/document';
import { optionsOfCheck, problemWithCheck } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Definition } from '@arbeit/engine/kinds';
import { Help } from '../../ui/help.tsx';
import { deferred } from '../../ui/later.tsx';
import * as words from '../../words/desk/check-editor.tsx';
import { LimitEditor } from './limit-editor.tsx';
import { MembersEditor } from './members-editor.tsx';

/** The code editor is as large as the rest of the page, so it is loaded only when code is edited. */
const CodeCheck = deferred(() =>
  import('../../field/custom-code/code-check.tsx').then((own) => own.CodeCheck),
);

/** The options of a check, each with its own input or list. */
export function CheckEditor({
  compiled,
  define,
  check,
  onChange,
}: {
  readonly compiled: HydratedField;
  readonly define: Definition;
  readonly check: CheckDocument;
  readonly onChange: (check: CheckDocument) => void;
}) {
  switch (wordsOfCheck(check.type).editor) {
    case 'limits':
      // The check names its editor.
      return (
        <RangeEditor compiled={compiled} define={define} check={check as RangeCheck} onChange={onChange} />
      );
    case 'code':
      return (
        <CodeCheck
          compiled={compiled}
          check={check as Extract<CheckDocument, { type: 'custom' }>}
          onChange={onChange}
        />
      );
    case 'form':
      return <p className="text-faint">{words.thisRuleComparesTwoFields}</p>;
    case undefined:
      return <MembersEditor define={define} check={check} onChange={onChange} />;
  }
}

/** The editor of one type of check. */
interface Edits<T extends CheckDocument['type']> {
  readonly check: Extract<CheckDocument, { type: T }>;
  readonly onChange: (check: CheckDocument) => void;
}

type RangeCheck = Extract<CheckDocument, { type: 'range' }>;

/** The bounds of a range. Adding or removing one selects another rule, with a message of its own. */
function RangeEditor({
  compiled,
  define,
  check,
  onChange,
}: Edits<'range'> & { readonly compiled: HydratedField; readonly define: Definition }) {
  const options = optionsOfCheck(check.type);
  const keys = (Object.keys(options) as (keyof Omit<RangeCheck, 'type'>)[]).filter(
    (key) => check[key] !== undefined,
  );
  return (
    <div className="space-y-1">
      {keys.map((key) => (
        <LimitEditor
          key={key}
          label={options[key]?.label ?? key}
          compiled={compiled}
          limits={define.limits}
          value={String(check[key])}
          check={(limit) => problemWithRange(define, { ...check, [key]: limit })}
          onChange={(limit) => onChange({ ...check, [key]: limit })}
        />
      ))}
      <div className="flex flex-wrap items-baseline gap-x-2">
        <span className="caption">{words.writtenAsTheFieldWrites}</span>
        <Help about={words.limits}>
          <p>
            {words.storedInTheDocument(
              define.limits?.isGood('today') ? words.aDateInTheFields : words.asTheFieldWrites,
              <span className="value">{keys.map((key) => String(check[key])).join(', ')}</span>,
            )}
          </p>
        </Help>
      </div>
    </div>
  );
}

/** What the document reader would report about a range. */
const problemWithRange = (define: Definition, check: RangeCheck): string | null =>
  problemWithCheck(define, check)[0] ?? null;
