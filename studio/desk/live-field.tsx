'use client';

import type { Field } from '@arbeit/react';
import { useId, useState } from 'react';
import { faceOf } from '../kinds/faces.tsx';
import { deferred } from '../sheet/later.tsx';
import { PlainField } from '../sheet/plain-field.tsx';

const PhoneKeyboard = deferred(() => import('./phone-keyboard.tsx').then((keys) => keys.PhoneKeyboard));
const RestingField = deferred(() => import('../sheet/resting-field.tsx').then((rest) => rest.RestingField));

type View = 'desktop' | 'phone' | 'rest';

/** The field as an end user sees it, real size, on a screen or a phone, on either sheet, in either direction. */
export function LiveField({
  field,
  inputmode,
  today,
}: {
  readonly field: Field;
  readonly inputmode: string;
  readonly today: string | undefined;
}) {
  const { StandIn } = faceOf(field);
  const [view, setView] = useState<View>('desktop');
  const [problem, setProblem] = useState('');
  const [sheet, setSheet] = useState<'own' | 'light' | 'dark'>('own');
  const [direction, setDirection] = useState<'ltr' | 'rtl'>('ltr');
  return (
    <section aria-label="Live field" className="flex flex-col">
      <div className="flex flex-wrap gap-x-5 gap-y-1 border-b pb-1 text-sm">
        <Choices
          label="View"
          value={view}
          choices={[
            ['desktop', 'Desktop'],
            ['phone', 'Phone'],
            ['rest', 'Resting text'],
          ]}
          onChange={(v) => setView(v as View)}
        />
        <Choices
          label="Paper"
          value={sheet}
          choices={[
            ['own', 'As the desk'],
            ['light', 'Light'],
            ['dark', 'Dark'],
          ]}
          onChange={(v) => setSheet(v as typeof sheet)}
        />
        <Choices
          label="Direction"
          value={direction}
          choices={[
            ['ltr', 'Left to right'],
            ['rtl', 'Right to left'],
          ]}
          onChange={(v) => setDirection(v as typeof direction)}
        />
      </div>
      <div
        data-sheet={sheet === 'own' ? undefined : sheet}
        dir={direction}
        className="bg-paper pt-3 text-ink"
      >
        <div
          className={
            view === 'phone' ? 'w-[22.5rem] max-w-full border-2 border-line p-4 pb-2' : 'max-w-md px-0.5 pb-1'
          }
        >
          {view === 'rest' ? (
            <RestingField field={field} />
          ) : (
            <PlainField field={field} today={today} problem={problem} />
          )}
          {StandIn && <StandIn field={field} onAnswer={setProblem} />}
          {view === 'phone' && <PhoneKeyboard store={field.store} inputmode={inputmode} />}
        </div>
      </div>
    </section>
  );
}

function Choices({
  label,
  value,
  choices,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}) {
  const name = useId();
  return (
    <div role="radiogroup" aria-label={label} className="flex gap-1">
      {choices.map(([key, words]) => (
        <label key={key} className="choice">
          <input
            type="radio"
            name={name}
            checked={key === value}
            onChange={() => onChange(key)}
            className="absolute inset-0 cursor-pointer opacity-0"
          />
          {words}
        </label>
      ))}
    </div>
  );
}
