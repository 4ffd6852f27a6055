'use client';

import type { PartsBody, PartsPlan } from '@arbeit/engine/kinds';
import type { ClassNames } from './class-names.ts';
import type { Field } from './use-field.ts';

/**
 * The names of a field's parts. A click on a name puts the caret into its part.
 *
 * @example
 * const Parts = ({ field }: { readonly field: Field }) => <PartLabels field={field} />;
 */
export function PartLabels({
  field,
  passing,
  words = field.store.field.words ?? {},
  classNames = {},
}: {
  readonly field: Field;
  /** The key that passes the parts before, if an empty field needs one. */
  readonly passing?: string;
  /** The name of each part, by its name in the plan; those of the field’s language if left out. */
  readonly words?: Readonly<Record<string, string>>;
  readonly classNames?: ClassNames<'root' | 'part'>;
}) {
  const { parts } = field.store.field.plan as PartsPlan;
  const focusPart = (part: number) => {
    const input = document.getElementById(String(field.inputProps.id)) as HTMLInputElement | null;
    if (!input) return;
    input.focus();
    const { texts, at, display } = field.store.state().body as PartsBody;
    const isThere = texts[part] !== '' || part === 0 || at[part]! < display.length;
    const from = isThere ? at[part]! : display.length;
    input.setSelectionRange(from, from + texts[part]!.length);
    field.store.dispatch({ type: 'select', start: from, end: from + texts[part]!.length });
    if (passing && part > 0 && display === '') {
      field.store.dispatch({ type: 'key', text: passing });
      field.store.restore({ ...field.store.state() });
    }
  };
  return (
    <div className={classNames.root}>
      {parts.map(({ name }, i) => (
        <button
          key={name}
          type="button"
          tabIndex={-1}
          className={classNames.part}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => focusPart(i)}
        >
          {words[name] ?? name}
        </button>
      ))}
    </div>
  );
}
