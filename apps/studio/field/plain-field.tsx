'use client';

import { type Field, Hint, Label, Message } from '@arbeit/react';
import type { ReactNode } from 'react';
import { adornmentsOf } from './adornments.tsx';
import { Control } from './controls.tsx';
import { useKinds } from './kinds-provider.tsx';

const message = {
  root: 'min-h-6 pt-0.5 text-sm text-marigold data-[severity=error]:text-brick',
};

const sharing = { root: message.root.replace('min-h-6 ', '') };

/** A field as an end user sees it: label, hint, the line, and a message line whose room is always kept. */
export function PlainField({
  field,
  action,
  today,
  problem = '',
  said,
}: {
  readonly field: Field;
  readonly action?: ReactNode;
  /** The clock the calendar goes by; the device's own where it is left out. */
  readonly today?: string | undefined;
  /**
   * What somebody else has against the value, such as whoever checks a code; told before the field's own
   * messages.
   */
  readonly problem?: string;
  /** What else there is to say of it. It shares its room with the message: two lines. */
  readonly said?: ReactNode;
}) {
  const { Before, Behind, Beneath } = adornmentsOf(field, useKinds());
  return (
    <div>
      <Label field={field} missing="No label" className="block font-semibold" />
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
