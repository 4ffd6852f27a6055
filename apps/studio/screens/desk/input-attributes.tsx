'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { kindIn } from '@arbeit/engine/kinds';
import { memo, useId } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { withAttribute } from '../../model/edits.ts';
import { Help } from '../../ui/help.tsx';
import { attributes, type BrowserAttribute, tokenWords } from './attributes.ts';
import type { Change } from './change.ts';
import { FoldedLine } from './folded-line.tsx';

/** The words for attributes that are on or off. */
const switched: Readonly<Record<string, string>> = { true: 'on', false: 'off' };

/**
 * The input attributes of the field on one line; when open, one row per attribute with the default of the
 * kind. It renders only when the definition changes.
 */
export const InputAttributes = memo(function ToldBrowser({
  definition,
  onChange,
}: {
  readonly definition: FieldDocument;
  readonly onChange: Change;
}) {
  const { define } = kindIn(useKinds(), definition.kind);
  const own = define.attributes?.(definition.entry as never) ?? {};
  const html = definition.html ?? {};
  const said = attributes.flatMap(({ name, short }) => {
    const value = html[name] ?? own[name];
    return value === undefined || value === false
      ? []
      : [value === true ? short : `${short} ${switched[value] ?? value}`];
  });
  return (
    <div className="mt-3">
      <FoldedLine
        name="HTML attributes"
        caption="HTML attributes"
        said={said.join(' · ') || 'none'}
        isValue
        help={
          <Help about="HTML attributes">
            <p>
              On-screen keyboard, autofill, capitalization and spell checking. Each kind has suitable
              defaults. Values set here override them.
            </p>
          </Help>
        }
      >
        {() =>
          attributes.map((attribute) => (
            <Row
              key={attribute.name}
              attribute={attribute}
              value={html[attribute.name]}
              own={own[attribute.name]}
              onChange={(value) =>
                onChange((f) => withAttribute(f, attribute.name, value), `html ${attribute.name}`)
              }
            />
          ))
        }
      </FoldedLine>
    </div>
  );
});

function Row({
  attribute,
  value,
  own,
  onChange,
}: {
  readonly attribute: BrowserAttribute;
  readonly value: string | boolean | undefined;
  /** The default of the kind. */
  readonly own: string | undefined;
  readonly onChange: (value: string | boolean | undefined) => void;
}) {
  const id = useId();
  const { name, label, values } = attribute;
  const set = typeof value === 'string' ? value : value === true ? 'yes' : '';
  return (
    <div className="grid grid-cols-[9rem_minmax(0,1fr)] items-baseline gap-x-3 border-b py-1">
      <label htmlFor={id}>
        {label} <span className="value block text-xs text-faint">{name}</span>
      </label>
      <select
        id={id}
        className="entry"
        value={set}
        onChange={(event) => onChange(values === 'yes' ? event.target.value === 'yes' : event.target.value)}
      >
        <option value="">{own === undefined ? 'not set' : `${own} (default)`}</option>
        {values === 'yes' ? (
          <option value="yes">yes</option>
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
