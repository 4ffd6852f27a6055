'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { kindIn } from '@arbeit/engine/kinds';
import { memo } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { FoldedLine } from '../../ui/folded-line.tsx';
import { Help } from '../../ui/help.tsx';
import { deferred } from '../../ui/later.tsx';
import * as words from '../../words/desk/input-attributes.ts';
import { attributes } from './attributes.ts';
import type { Change } from './change.ts';

const AttributeRows = deferred(() => import('./attribute-rows.tsx').then((rows) => rows.AttributeRows));

/** The words for attributes that are on or off. */
const switched: Readonly<Record<string, string>> = { true: words.on, false: words.off };

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
    <div>
      <FoldedLine
        name={words.htmlAttributes}
        caption={words.htmlAttributes}
        said={said.join(' · ') || words.none}
        isValue
        help={
          <Help about={words.htmlAttributes}>
            <p>{words.onScreenKeyboardAutofillCapitalization}</p>
          </Help>
        }
      >
        {() => <AttributeRows html={html} own={own} onChange={onChange} />}
      </FoldedLine>
    </div>
  );
});
