'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { useId } from 'react';
import { withAttribute } from '../../model/edits.ts';
import * as words from '../../words/desk/attribute-rows.ts';
import { attributes, type BrowserAttribute } from './attributes.ts';
import type { Change } from './change.ts';

/** Autofill field names (HTML) that a single field can use. */
const tokens = Object.keys(words.autofillTokens);
const tokenWords: Readonly<Record<string, string>> = words.autofillTokens;

/** The values that each attribute can have. */
const valuesOf: Readonly<Record<BrowserAttribute['name'], readonly string[] | 'yes'>> = {
  inputmode: ['text', 'numeric', 'tel', 'decimal', 'email', 'url', 'search', 'none'],
  enterkeyhint: ['enter', 'done', 'go', 'next', 'previous', 'search', 'send'],
  autocomplete: tokens,
  autocapitalize: ['none', 'sentences', 'words', 'characters'],
  autocorrect: ['on', 'off'],
  spellcheck: ['true', 'false'],
  readonly: 'yes',
};

/** One row per input attribute, with the default of the kind. */
export function AttributeRows({
  html,
  own,
  onChange,
}: {
  readonly html: NonNullable<FieldDocument['html']>;
  /** The defaults of the kind. */
  readonly own: Readonly<Record<string, string>>;
  readonly onChange: Change;
}) {
  return attributes.map(({ name }) => (
    <Row
      key={name}
      name={name}
      value={html[name]}
      own={own[name]}
      onChange={(value) => onChange((f) => withAttribute(f, name, value), `html ${name}`)}
    />
  ));
}

function Row({
  name,
  value,
  own,
  onChange,
}: {
  readonly name: BrowserAttribute['name'];
  readonly value: string | boolean | undefined;
  /** The default of the kind. */
  readonly own: string | undefined;
  readonly onChange: (value: string | boolean | undefined) => void;
}) {
  const id = useId();
  const values = valuesOf[name];
  const set = typeof value === 'string' ? value : value === true ? 'yes' : '';
  return (
    <div className="grid grid-cols-[9rem_minmax(0,1fr)] items-baseline gap-x-3 border-b py-1">
      <label htmlFor={id}>
        {words.labels[name]} <span className="value block text-xs text-faint">{name}</span>
      </label>
      <select
        id={id}
        className="entry"
        value={set}
        onChange={(event) => onChange(values === 'yes' ? event.target.value === 'yes' : event.target.value)}
      >
        <option value="">{own === undefined ? words.notSet : words.defaultValue(own)}</option>
        {values === 'yes' ? (
          <option value="yes">{words.yes}</option>
        ) : (
          // A value of an imported document that is not in the list is kept as an option.
          [...new Set([...values, ...(set && !values.includes(set) ? [set] : [])])].map((one) => (
            <option key={one} value={one}>
              {tokenWords[one] ? `${one}: ${tokenWords[one]}` : one}
            </option>
          ))
        )}
      </select>
    </div>
  );
}
