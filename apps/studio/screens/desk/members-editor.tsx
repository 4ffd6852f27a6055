'use client';

import { type CheckDocument, optionsOfCheck, problemWithCheck } from '@arbeit/engine/document';
import type { Definition } from '@arbeit/engine/kinds';
import type { Limit, Option } from '@arbeit/engine/options';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import * as texts from '../../words/desk/members-editor.ts';

/**
 * The options of a check, drawn from their descriptions. Other fields that are sent along are named in the
 * document.
 */
export function MembersEditor({
  define,
  check,
  onChange,
}: {
  readonly define: Definition;
  readonly check: CheckDocument;
  readonly onChange: (check: CheckDocument) => void;
}) {
  const given = check as Readonly<Record<string, unknown>>;
  const members = Object.entries(optionsOfCheck(check.type)).filter(([name]) => name !== 'with');
  if (members.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-x-3 gap-y-1">
      {members.map(([name, option]) => {
        const withValue = (value: unknown): CheckDocument => {
          const { [name]: _, ...rest } = given;
          // The reader checks it before it is applied.
          return (value === undefined ? rest : { ...given, [name]: value }) as CheckDocument;
        };
        return (
          <div key={name} className={option.is === 'text' || option.is === 'list' ? 'min-w-64' : undefined}>
            <Labelled label={option.is === 'list' ? texts.oneALine(option.label) : option.label}>
              {(id) => (
                <Member
                  id={id}
                  option={option}
                  value={given[name]}
                  problemWith={(value) => problemWithCheck(define, withValue(value))[0] ?? null}
                  onChange={(value) => onChange(withValue(value))}
                />
              )}
            </Labelled>
            {option.about && <p className="max-w-72 pt-0.5 text-xs text-faint">{option.about}</p>}
          </div>
        );
      })}
    </div>
  );
}

/** The control of one option; `undefined` for an option that is left out. */
function Member({
  id,
  option,
  value,
  problemWith,
  onChange,
}: {
  readonly id: string;
  readonly option: Option | Limit;
  readonly value: unknown;
  readonly problemWith: (value: unknown) => string | null;
  readonly onChange: (value: unknown) => void;
}) {
  switch (option.is) {
    case 'whole': {
      const read = (text: string): unknown => (text.trim() === '' ? undefined : Number(text));
      return (
        <DraftInput
          id={id}
          className="entry value"
          inputMode="numeric"
          value={String(value ?? option.usual ?? '')}
          placeholder={option.needed ? '' : 'none'}
          check={(text) =>
            /^\s*\d*\s*$/.test(text)
              ? problemWith(read(text))
              : texts.enterAWholeNumberTo(option.min, option.max)
          }
          onChange={(text) => onChange(read(text))}
        />
      );
    }
    case 'choice':
      return (
        <select
          id={id}
          className="entry"
          value={String(value ?? option.usual)}
          onChange={({ target }) =>
            onChange(option.choices.find(([one]) => String(one) === target.value)?.[0])
          }
        >
          {option.choices.map(([one, words]) => (
            <option key={String(one)} value={String(one)}>
              {words}
            </option>
          ))}
        </select>
      );
    case 'list':
      return (
        <textarea
          id={id}
          className="entry value h-24"
          defaultValue={(value as readonly unknown[] | undefined)?.join('\n')}
          onChange={(event) => {
            const values = event.target.value.split('\n').filter(Boolean);
            if (values.length >= option.least) onChange(values);
          }}
        />
      );
    default:
      return (
        <DraftInput
          id={id}
          className="entry value"
          value={String(value ?? '')}
          check={(text) => problemWith(text === '' && !option.needed ? undefined : text)}
          onChange={(text) => onChange(text === '' && !option.needed ? undefined : text)}
        />
      );
  }
}
