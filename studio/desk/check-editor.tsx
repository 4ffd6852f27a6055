'use client';

import type { CheckDocument } from '@arbeit/engine/document';
import { problemWithCheck } from '@arbeit/engine/document';
import type { KindName } from '@arbeit/engine/kinds';
import { type Definition, kindIn } from '@arbeit/engine/kinds';
import { parseExpression } from '@arbeit/engine/rules';
import { useKinds } from '../kinds/at-hand.tsx';
import { DraftInput } from '../sheet/draft-input.tsx';
import { Labelled } from '../sheet/labelled.tsx';

/** What a check needs to be told, each with its own line or list. */
export function CheckEditor({
  kind,
  check,
  onChange,
}: {
  readonly kind: KindName;
  readonly check: CheckDocument;
  readonly onChange: (check: CheckDocument) => void;
}) {
  switch (check.type) {
    case 'required':
    case 'complete':
    case 'not-trivial':
      return null;
    case 'range':
      return <RangeEditor kind={kind} check={check} onChange={onChange} />;
    case 'length':
      return <LengthEditor check={check} onChange={onChange} />;
    case 'matches':
      return <ExpressionEditor check={check} onChange={onChange} />;
    case 'in':
    case 'not-in':
      return <ValuesEditor check={check} onChange={onChange} />;
    case 'checksum':
      return <SchemeEditor check={check} onChange={onChange} />;
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
  return (
    <Labelled label="Scheme">
      {(id) => (
        <select
          id={id}
          className="entry"
          value={check.scheme}
          onChange={(event) => onChange({ ...check, scheme: event.target.value as 'luhn' })}
        >
          <option value="luhn">Luhn, mod 10 (ISO/IEC 7812-1)</option>
          <option value="mod97">mod 97-10 (ISO 7064)</option>
          <option value="mod11">mod 11-2 (ISO 7064)</option>
        </select>
      )}
    </Labelled>
  );
}

type RangeCheck = Extract<CheckDocument, { type: 'range' }>;

function RangeEditor({
  kind,
  check,
  onChange,
}: {
  readonly kind: KindName;
  readonly check: RangeCheck;
  readonly onChange: (check: CheckDocument) => void;
}) {
  const { define } = kindIn(useKinds(), kind);
  const keys = define.limits?.hasSteps ? (['min', 'max', 'step'] as const) : (['min', 'max'] as const);
  const labels = { min: 'At least', max: 'At most', step: 'In steps of' };
  return (
    <div className="flex gap-3">
      {keys.map((key) => (
        <Labelled key={key} label={labels[key]}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={String(check[key] ?? '')}
              check={(text) => problemWithRange(define, { ...check, [key]: text })}
              onChange={(text) => {
                const { [key]: _, ...rest } = check;
                onChange(text === '' ? rest : { ...rest, [key]: text });
              }}
            />
          )}
        </Labelled>
      ))}
    </div>
  );
}

/** What the document's reader would say of a range. */
function problemWithRange(define: Definition, check: RangeCheck): string | null {
  const given = Object.fromEntries(Object.entries(check).filter(([, value]) => value !== ''));
  return problemWithCheck(define, given)[0] ?? null;
}

function problemWithLength(
  { min, max }: { min?: number | undefined; max?: number | undefined },
  text: string,
): string | null {
  if (text !== '' && !/^\d{1,4}$/.test(text)) return 'A whole number.';
  if (min === undefined && max === undefined) return 'One of the two is needed.';
  return min !== undefined && max !== undefined && max < min ? '“At most” is below “at least”.' : null;
}
