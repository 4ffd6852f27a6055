'use client';

import { bindPicks } from '@arbeit/dom';
import { pickedValues } from '@arbeit/engine/field';
import type { ChoicePlan } from '@arbeit/engine/kinds/choice';
import type { ChoicesPlan } from '@arbeit/engine/kinds/choices';
import type { YesNoPlan } from '@arbeit/engine/kinds/yes-no';
import { type RefCallback, useCallback } from 'react';
import type { Field } from './use-field.ts';

/**
 * A field whose value is picked: a `<select>`, radio buttons or checkboxes, unstyled. `data-draw` says
 * which. A group is named by the element with the id of `labelProps`.
 *
 * @example
 * const Meals = ({ field }: { readonly field: Field }) => <Picks field={field} />;
 */
export function Picks({
  field,
  label,
  className,
}: {
  readonly field: Field;
  /** Accessible name if the page has no label for it. */
  readonly label?: string | undefined;
  readonly className?: string;
}) {
  const { store, evaluation } = field;
  const plan = store.field.plan as ChoicePlan | ChoicesPlan | YesNoPlan;
  const ref = useCallback<RefCallback<HTMLElement>>(
    (element) => (element ? bindPicks(element, store) : undefined),
    [store],
  );
  const { ref: _, defaultValue: __, name, id, ...attributes } = field.inputProps;
  const values = pickedValues(store.field, evaluation.raw);
  const { draw } = plan;
  const classNames = { 'data-draw': draw, ...(className ? { className } : {}) };
  const named = label ? { 'aria-label': label } : {};
  if (draw === 'list')
    return (
      <select
        {...attributes}
        {...named}
        {...classNames}
        id={String(id)}
        name={String(name)}
        ref={ref}
        defaultValue={evaluation.raw}
      >
        <option value="">{store.field.placeholder}</option>
        {plan.options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    );
  return (
    <div
      {...attributes}
      {...(label ? named : { 'aria-labelledby': field.labelProps.id })}
      ref={ref}
      {...classNames}
    >
      {plan.options.map((option) => (
        <label key={option.value}>
          <input
            type={draw === 'tick' ? 'checkbox' : 'radio'}
            name={String(name)}
            value={option.value}
            defaultChecked={values.includes(option.value)}
            disabled={store.field.html.disabled === true}
          />
          <span>{option.label}</span>
        </label>
      ))}
    </div>
  );
}

/**
 * Whether a field is drawn as a group of radio buttons or checkboxes, which is named by an element instead
 * of a `<label>`.
 *
 * @example
 * const isNamed = (field: Field) => isGroup(field);
 */
export const isGroup = (field: Field): boolean => {
  const { plan } = field.store.field as {
    readonly plan: { readonly options?: unknown; readonly draw?: unknown };
  };
  return plan.options !== undefined && plan.draw !== 'list';
};
