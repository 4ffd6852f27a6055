'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { type Field, Label, Message } from '@arbeit/react';
import { type ReactNode, useState } from 'react';
import { adornmentsOf, standInOf } from '../../field/adornments.tsx';
import { Control } from '../../field/controls.tsx';
import { useKinds } from '../../field/kinds-provider.tsx';
import { withText } from '../../model/edits.ts';
import { FoundOut } from '../../ui/found-out.tsx';
import { deferred } from '../../ui/later.tsx';
import { OnPaper } from '../../ui/on-paper.tsx';
import { WordInPlace } from '../../ui/word-in-place.tsx';
import * as words from '../../words/desk/live-field.ts';
import type { Change } from './change.ts';
import { drawingOf } from './kind-columns.ts';

const PhoneKeyboard = deferred(() => import('./phone-keyboard.tsx').then((keys) => keys.PhoneKeyboard));
const RestingField = deferred(() =>
  import('../../field/resting-field.tsx').then((rest) => rest.RestingField),
);

const AsElement = deferred(() => import('./as-element.tsx').then((element) => element.AsElement));

const views = {
  desktop: words.onADesktop,
  phone: words.onAPhone,
  rest: words.unfocusedAfterBlur,
  element: words.asExported,
} as const;

/**
 * The field as a user sees it, at its real width, on a screen or a phone, in either theme and direction. Its
 * texts are edited in place.
 */
export function LiveField({
  definition,
  field,
  inputmode,
  today,
  onChange,
  onLabelDone,
}: {
  readonly definition: FieldDocument;
  readonly field: Field;
  readonly inputmode: string;
  readonly today: string | undefined;
  readonly onChange: Change;
  /** Called when somebody has finished editing the label. */
  readonly onLabelDone: () => void;
}) {
  const StandIn = standInOf(field, useKinds());
  const [problem, setProblem] = useState('');
  return (
    <OnPaper label={words.liveField} views={views}>
      {(view) => (
        <div
          className={view === 'phone' ? 'w-[22.5rem] max-w-full border-2 border-line p-4 pb-2' : 'max-w-md'}
        >
          {view === 'element' ? (
            <AsElement field={field} />
          ) : view === 'rest' ? (
            <RestingField field={field} />
          ) : (
            <InPlace
              definition={definition}
              field={field}
              today={today}
              problem={problem}
              onChange={onChange}
              onLabelDone={onLabelDone}
            />
          )}
          {StandIn && <StandIn field={field} onAnswer={setProblem} />}
          {view === 'phone' && <PhoneKeyboard store={field.store} inputmode={inputmode} />}
        </div>
      )}
    </OnPaper>
  );
}

/**
 * The field with its texts editable in place. The field's own label stays behind the edited one for screen
 * readers.
 */
function InPlace({
  definition,
  field,
  today,
  problem,
  onChange,
  onLabelDone,
}: {
  readonly definition: FieldDocument;
  readonly field: Field;
  readonly today: string | undefined;
  readonly problem: string;
  readonly onChange: Change;
  /** Called when somebody has finished editing the label. */
  readonly onLabelDone: () => void;
}) {
  const { Before, Behind, Beneath } = adornmentsOf(field);
  const isPicked = drawingOf(field.store.field, useKinds()).isPicked;
  return (
    <>
      <WordInPlace
        label={words.label}
        value={definition.label}
        missing={words.addALabel}
        className="font-semibold"
        onChange={(text) => onChange((f) => ({ ...f, label: text }), 'label')}
        onLeave={onLabelDone}
      />
      <Label field={field} missing={words.noLabel} className="sr-only" />
      <WordInPlace
        label={words.hint}
        value={definition.hint ?? ''}
        missing={words.noHint}
        className="text-sm text-faint"
        onChange={(text) => onChange((f) => withText(f, 'hint', text), 'hint')}
      />
      <span {...field.hintProps} className="sr-only">
        {definition.hint}
      </span>
      <div className="mt-1 flex items-center gap-3">
        {Before && <Before field={field} />}
        <Control field={field} isWrong={problem !== ''} />
        {Behind && <Behind field={field} today={today} />}
      </div>
      {Beneath && <Beneath field={field} />}
      <div data-tie="message">
        <Message field={field} problem={problem} classNames={message} />
      </div>
      {(definition.rules ?? []).some(({ check }) => check.type === 'custom' || check.type === 'remote') && (
        <p role="status" className="min-h-6 text-sm text-faint">
          <FoundOut field={field} />
        </p>
      )}
      <div className="flex flex-wrap items-baseline gap-x-5 text-sm">
        {!isPicked && (
          <Said name={words.placeholder}>
            <WordInPlace
              label={words.placeholder}
              value={definition.placeholder ?? ''}
              missing={words.none}
              className="value"
              onChange={(text) => onChange((f) => withText(f, 'placeholder', text), 'placeholder')}
            />
          </Said>
        )}
        <Said name={words.initialValue}>
          <WordInPlace
            label={words.initialValue}
            value={definition.initial ?? ''}
            missing={words.none}
            className="value"
            onChange={(text) => onChange((f) => withText(f, 'initial', text), 'initial')}
          />
        </Said>
      </div>
      {definition.initial && definition.placeholder && (
        <p className="text-sm text-marigold">{words.thePlaceholderIsHiddenUntil}</p>
      )}
    </>
  );
}

const message = {
  root: 'min-h-6 pt-0.5 text-sm text-marigold data-[severity=error]:text-brick',
};

const Said = ({ name, children }: { readonly name: string; readonly children: ReactNode }) => (
  <span className="flex min-w-0 items-baseline gap-1.5">
    <span aria-hidden="true" className="caption whitespace-nowrap">
      {name}
    </span>
    {children}
  </span>
);
