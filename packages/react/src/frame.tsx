'use client';

import type { ReactNode } from 'react';
import type { ClassNames } from './class-names.ts';
import type { Field } from './use-field.ts';

/**
 * The line around a control with its icon, prefix and suffix. They are no part of the value and hidden from
 * screen readers.
 *
 * @example
 * const Row = ({ field }: { readonly field: Field }) => <Frame field={field}><Line field={field} /></Frame>;
 */
export function Frame({
  field,
  children,
  classNames = {},
}: {
  readonly field: Field;
  readonly children: ReactNode;
  readonly classNames?: ClassNames<'root' | 'icon' | 'sign'>;
}) {
  const { icon, before, behind } = field.store.field.look ?? {};
  return (
    <span className={classNames.root} data-arbeit="frame">
      {icon && (
        <span
          className={classNames.icon}
          data-arbeit="icon"
          aria-hidden="true"
          // biome-ignore lint/security/noDangerouslySetInnerHtml: shapes alone; whoever reads a document has seen to it (`packages/engine/src/document/icon.ts`)
          dangerouslySetInnerHTML={{ __html: icon }}
        />
      )}
      {before && (
        <span className={classNames.sign} data-arbeit="sign" aria-hidden="true">
          {before}
        </span>
      )}
      {children}
      {behind && (
        <span className={classNames.sign} data-arbeit="sign" aria-hidden="true">
          {behind}
        </span>
      )}
    </span>
  );
}
