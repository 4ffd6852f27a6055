'use client';

import { type Field, Hint, Label, Message } from '@arbeit/react';
import type { ReactNode } from 'react';
import * as words from '../words/field/plain-field.ts';
import { adornmentsOf } from './adornments.tsx';
import { Control } from './controls.tsx';

const message = {
  root: 'min-h-6 pt-0.5 text-sm text-marigold data-[severity=error]:text-brick',
};

const sharing = { root: message.root.replace('min-h-6 ', '') };

/** A field as users see it: label, hint, control, and a line for messages that is always reserved. */
export function PlainField({
  field,
  action,
  today,
  problem = '',
  said,
}: {
  readonly field: Field;
  readonly action?: ReactNode;
  /** The clock of the calendar (ISO 8601). Default: the device's. */
  readonly today?: string | undefined;
  /** A problem from elsewhere, such as a wrong code. It is shown before the field's own messages. */
  readonly problem?: string;
  /** More to say about the field. It shares the two lines of the message. */
  readonly said?: ReactNode;
}) {
  const { Before, Behind, Beneath } = adornmentsOf(field);
  return (
    <div>
      <Label field={field} missing={words.noLabel} className="block font-semibold" />
      <Hint field={field} className="text-sm text-faint" />
      <div className="mt-1 flex items-center gap-3">
        {Before && <Before field={field} />}
        <Control field={field} isWrong={problem !== ''} />
        {Behind && <Behind field={field} today={today} />}
        {action}
      </div>
      {Beneath && <Beneath field={field} />}
      {said === undefined ? (
        <Message field={field} problem={problem} classNames={message} />
      ) : (
        <div className="min-h-12">
          <Message field={field} problem={problem} classNames={sharing} />
          {said}
        </div>
      )}
    </div>
  );
}
