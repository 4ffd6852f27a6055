'use client';

import type { CheckDocument } from '@arbeit/engine/document';
import { problemWithCheck } from '@arbeit/engine/document';
import type { OpenField } from '@arbeit/engine/field';
import type { Definition } from '@arbeit/engine/kinds';
import { parseExpression } from '@arbeit/engine/rules';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Help } from '../../ui/help.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import { deferred } from '../../ui/later.tsx';
import { LimitEditor } from './limit-editor.tsx';

/** A code editor is what a page weighs without it: it is fetched where one writes code. */
const CodeCheck = deferred(() => import('../../field/own-code/code-check.tsx').then((own) => own.CodeCheck));

/** What a check needs to be told, each with its own line or list. */
export function CheckEditor({
  compiled,
  define,
  check,
  onChange,
}: {
  readonly compiled: OpenField;
  readonly define: Definition;
  readonly check: CheckDocument;
  readonly onChange: (check: CheckDocument) => void;
}) {
  switch (check.type) {
    case 'required':
    case 'complete':
    case 'not-trivial':
      return null;
    case 'range':
      return <RangeEditor compiled={compiled} define={define} check={check} onChange={onChange} />;
    case 'length':
      return <LengthEditor check={check} onChange={onChange} />;
    case 'matches':
      return <ExpressionEditor check={check} onChange={onChange} />;
    case 'in':
    case 'not-in':
      return <ValuesEditor check={check} onChange={onChange} />;
    case 'checksum':
      return <SchemeEditor check={check} onChange={onChange} />;
    case 'custom':
      return <CodeCheck compiled={compiled} check={check} onChange={onChange} />;
    case 'remote':
      return <QuestionEditor check={check} onChange={onChange} />;
    case 'compare':
      return <p className="text-faint">Two fields are compared in a form: there it is changed.</p>;
  }
}

/** The editor of one type of check. */
interface Edits<T extends CheckDocument['type']> {
  readonly check: Extract<CheckDocument, { type: T }>;
  readonly onChange: (check: CheckDocument) => void;
}

function LengthEditor({ check, onChange }: Edits<'length'>) {
  return (
    <div className="flex gap-3">
      {(['min', 'max'] as const).map((bound) => (
        <Labelled key={bound} label={bound === 'min' ? 'At least' : 'At most'}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              inputMode="numeric"
              value={String(check[bound] ?? '')}
              check={(text) =>
                problemWithLength({ ...check, [bound]: text === '' ? undefined : Number(text) }, text)
              }
              onChange={(text) => {
                const { [bound]: _, ...rest } = check;
                onChange(text === '' ? rest : { ...rest, [bound]: Number(text) });
              }}
            />
          )}
        </Labelled>
      ))}
    </div>
  );
}

function ExpressionEditor({ check, onChange }: Edits<'matches'>) {
  return (
    <Labelled label="Expression for the whole raw value">
      {(id) => (
        <DraftInput
          id={id}
          className="entry value"
          value={check.pattern}
          check={(text) => {
            const parsed = parseExpression(text, check.flags);
            return 'message' in parsed ? `Column ${parsed.column}: ${parsed.message}` : null;
          }}
          onChange={(pattern) => onChange({ ...check, pattern })}
        />
      )}
    </Labelled>
  );
}

function ValuesEditor({ check, onChange }: Edits<'in' | 'not-in'>) {
  return (
    <Labelled label="Raw values, one a line">
      {(id) => (
        <textarea
          id={id}
          className="entry value h-24"
          defaultValue={check.values.join('\n')}
          onChange={(event) => {
            const values = event.target.value.split('\n').filter(Boolean);
            if (values.length) onChange({ ...check, values });
          }}
        />
      )}
    </Labelled>
  );
}

function SchemeEditor({ check, onChange }: Edits<'checksum'>) {
  const { rotate: _, ...unrotated } = check;
  return (
    <div className="flex flex-wrap items-end gap-x-3">
      <Labelled label="Check character after">
        {(id) => (
          <select
            id={id}
            className="entry"
            value={check.scheme}
            onChange={(event) => onChange({ ...check, scheme: event.target.value as 'luhn' })}
          >
            <option value="luhn">Luhn, mod 10 (ISO/IEC 7812-1)</option>
            <option value="mod97">MOD 97-10 (ISO/IEC 7064)</option>
            <option value="mod11">MOD 11-2 (ISO/IEC 7064)</option>
          </select>
        )}
      </Labelled>
      <Labelled label="First characters read last">
        {(id) => (
          <DraftInput
            id={id}
            className="entry value"
            inputMode="numeric"
            value={check.rotate === undefined ? '' : String(check.rotate)}
            placeholder="none"
            check={(text) =>
              text === '' || (/^\d{1,2}$/.test(text) && +text >= 1 && +text <= 20)
                ? null
                : 'A number from 1 to 20, or nothing.'
            }
            onChange={(text) => onChange(text ? { ...check, rotate: Number(text) } : unrotated)}
          />
        )}
      </Labelled>
      <Help about="check characters">
        <p>
          A card number has its check digit last (Luhn). An IBAN is checked by MOD 97-10 with its first four
          characters read last. Letters count as two digits, A = 10 to Z = 35.
        </p>
      </Help>
    </div>
  );
}

type RangeCheck = Extract<CheckDocument, { type: 'range' }>;

const bounds = { min: 'At least', max: 'At most', step: 'In steps of' } as const;

/** The bounds a rule has; one it has not is another rule, with a message of its own. */
function RangeEditor({
  compiled,
  define,
  check,
  onChange,
}: Edits<'range'> & { readonly compiled: OpenField; readonly define: Definition }) {
  const keys = (Object.keys(bounds) as (keyof typeof bounds)[]).filter((key) => check[key] !== undefined);
  return (
    <div className="space-y-1">
      {keys.map((key) => (
        <LimitEditor
          key={key}
          label={bounds[key]}
          compiled={compiled}
          limits={define.limits}
          value={String(check[key])}
          check={(limit) => problemWithRange(define, { ...check, [key]: limit })}
          onChange={(limit) => onChange({ ...check, [key]: limit })}
        />
      ))}
      <div className="flex flex-wrap items-baseline gap-x-2">
        <span className="caption">Written as the field writes it</span>
        <Help about="limits">
          <p>
            {define.limits?.isGood('today')
              ? 'A day as the field writes it, or one told from the clock: it moves along with today.'
              : 'As the field writes it, in its own locale.'}{' '}
            In a document it stands as{' '}
            <span className="value">{keys.map((key) => String(check[key])).join(', ')}</span>.
          </p>
        </Help>
      </div>
    </div>
  );
}

/** What the document's reader would say of a range. */
const problemWithRange = (define: Definition, check: RangeCheck): string | null =>
  problemWithCheck(define, check)[0] ?? null;

function problemWithLength(
  { min, max }: { min?: number | undefined; max?: number | undefined },
  text: string,
): string | null {
  if (text !== '' && !/^\d{1,4}$/.test(text)) return 'A whole number.';
  if (min === undefined && max === undefined) return 'One of the two is needed.';
  return min !== undefined && max !== undefined && max < min ? '“At most” is below “at least”.' : null;
}

/** Where a server is asked, when, and how long it is waited for. */
function QuestionEditor({ check, onChange }: Edits<'remote'>) {
  const problem = (next: object): string | null =>
    problemWithCheck(bareDefinition, { ...check, ...next })[0] ?? null;
  return (
    <div className="flex flex-wrap gap-3">
      <Labelled label="Path on this server">
        {(id) => (
          <DraftInput
            id={id}
            className="entry value"
            value={check.ask}
            check={(ask) => problem({ ask })}
            onChange={(ask) => onChange({ ...check, ask })}
          />
        )}
      </Labelled>
      <Labelled label="Asked">
        {(id) => (
          <select
            id={id}
            className="entry"
            value={check.on ?? 'leave'}
            onChange={({ target }) => onChange({ ...check, on: target.value as 'leave' })}
          >
            <option value="leave">on leaving</option>
            <option value="pause">on a pause in typing</option>
          </select>
        )}
      </Labelled>
      <Labelled label="Waits for, in ms">
        {(id) => (
          <DraftInput
            id={id}
            className="entry value"
            inputMode="numeric"
            value={String(check.timeout ?? 4000)}
            check={(text) => problem({ timeout: Number(text) })}
            onChange={(text) => onChange({ ...check, timeout: Number(text) })}
          />
        )}
      </Labelled>
    </div>
  );
}

/** A kind that forbids nothing: what is wrong with a question is wrong for every kind. */
const bareDefinition: Definition = { name: 'field', options: {}, plan: () => ({ kind: '' }) };
