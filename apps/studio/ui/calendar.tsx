'use client';

import { chooseDay, type Field } from '@arbeit/react';
import { useState } from 'react';
import * as words from '../words/ui/calendar.ts';
import { deferred } from './later.tsx';
import { PopOut } from './pop-out.tsx';

const Month = deferred(() => import('./calendar-month.tsx').then((month) => month.Month));

/**
 * A month to pick a date from, fully usable by keyboard, with week numbers. Dates that the field's rules
 * reject show why and cannot be picked.
 */
export function Calendar({ field, today }: { readonly field: Field; readonly today: string | undefined }) {
  const [isOpen, setOpen] = useState(false);
  const input = () => document.getElementById(String(field.inputProps.id));
  return (
    <PopOut
      open={isOpen}
      onOpenChange={setOpen}
      trigger={words.calendar}
      needs={Month}
      button={{ className: 'word-button text-sm', disabled: field.inputProps.readOnly === true }}
      label={words.calendarFor(field.store.field.label)}
      className="p-3"
      onOpenAutoFocus={(event) => event.preventDefault()}
      onCloseAutoFocus={(event) => {
        event.preventDefault();
        input()?.focus();
      }}
    >
      {() => (
        <Month
          field={field}
          today={today}
          onPick={(date) => {
            chooseDay(field, date);
            setOpen(false);
          }}
        />
      )}
    </PopOut>
  );
}
