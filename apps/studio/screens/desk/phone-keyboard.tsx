'use client';

import type { FieldStore } from '@arbeit/dom';
import * as words from '../../words/desk/phone-keyboard.ts';
import { phoneKeys } from './phone-keys.ts';

/** A drawing of the keyboard that a phone would show. Its keys type, and the focus stays in the field. */
export function PhoneKeyboard({
  store,
  inputmode,
}: {
  readonly store: FieldStore;
  readonly inputmode: string;
}) {
  const rows = phoneKeys(inputmode);
  if (!rows) return <p className="min-h-40 text-sm text-faint">{words.inputmodeNone}</p>;
  return (
    <fieldset dir="ltr" className="mt-2 border-t pt-2">
      <legend className="sr-only">{words.phoneKeyboardForInputmode(inputmode)}</legend>
      {rows.map((row) => (
        <div key={row.map((key) => key.shows).join('')} className="mb-1.5 flex justify-center gap-1.5">
          {row.map((key) => (
            <button
              key={key.shows}
              type="button"
              tabIndex={-1}
              disabled={!key.types && !key.does}
              aria-label={key.does ?? key.shows}
              style={{ flex: `${key.wide ?? 1} 1 0` }}
              className="h-9 min-w-0 border border-line bg-paper text-sm enabled:hover:bg-wash"
              onPointerDown={(event) => {
                event.preventDefault();
                store.dispatch(key.does ? { type: key.does } : { type: 'key', text: key.types! });
                store.restore({ ...store.state() });
              }}
            >
              {key.shows}
            </button>
          ))}
        </div>
      ))}
      <p className="caption text-center">{words.inputmode(inputmode || 'text')}</p>
    </fieldset>
  );
}
