'use client';

import type { Field } from '@arbeit/react';
import { isGroup } from '@arbeit/react';
import type { ReactNode } from 'react';
import { Control } from '../kinds/controls.tsx';
import { faceOf } from '../kinds/faces.tsx';

/** A field as an end user sees it: label, hint, the line, and a message line whose room is always kept. */
export function PlainField({
  field,
  action,
  today,
  problem = '',
}: {
  readonly field: Field;
  readonly action?: ReactNode;
  /** The clock the calendar goes by; the device's own where it is left out. */
  readonly today?: string | undefined;
  /** What somebody else has against the value, such as whoever checks a code; told before the field's own messages. */
  readonly problem?: string;
}) {
  const { shown } = field.reading;
  const definition = field.store.field;
  const { Before, Behind, Beneath } = faceOf(field);
  return (
    <div>
      {isGroup(field) ? (
        <span id={field.labelProps.id} className="block font-semibold">
          {definition.label || 'No label'}
        </span>
      ) : (
        <label id={field.labelProps.id} htmlFor={field.labelProps.htmlFor} className="block font-semibold">
          {definition.label || 'No label'}
        </label>
      )}
      <p {...field.hintProps} className="text-sm text-faint">
        {definition.hint}
      </p>
      <div className="mt-1 flex items-center gap-3">
        {Before && <Before field={field} />}
        <Control field={field} isWrong={problem !== ''} />
        {Behind && <Behind field={field} today={today} />}
        {action}
      </div>
      {Beneath && <Beneath field={field} />}
      <Messages field={field} shown={shown} problem={problem} />
    </div>
  );
}

function Messages({
  field,
  shown,
  problem,
}: {
  readonly field: Field;
  readonly shown: Field['reading']['shown'];
  readonly problem: string;
}) {
  const error = problem !== '' || shown.some((message) => message.severity === 'error');
  return (
    <div
      {...field.messageProps}
      className={`min-h-6 pt-0.5 text-sm ${error ? 'text-brick' : 'text-marigold'}`}
    >
      {problem && <p>{problem}</p>}
      {!problem && shown.map((message) => <p key={message.rule}>{message.message}</p>)}
    </div>
  );
}
