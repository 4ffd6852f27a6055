'use client';

import { activeBox, type BoxesPlan } from '@arbeit/engine/kinds/boxes';
import { type MouseEvent, type PointerEvent, type RefObject, useRef, useState } from 'react';
import type { ClassNames } from './class-names.ts';
import { Reveal, type RevealWords, revealWordsOf } from './reveal.tsx';
import type { Field } from './use-field.ts';

/**
 * A PIN or a code: one real input with boxes drawn over it. Keyboard, paste, autofill and screen readers
 * meet the input; the boxes show its content, caret and selection.
 *
 * @example
 * const Code = ({ field }: { readonly field: Field }) => <Boxes field={field} />;
 */
export function Boxes({
  field,
  label,
  isWrong = false,
  classNames = {},
  words = revealWordsOf(field),
}: {
  readonly field: Field;
  readonly label?: string | undefined;
  /** Whether somebody else, such as a server, says that the code is wrong. */
  readonly isWrong?: boolean;
  /** The input must cover the row and be transparent. */
  readonly classNames?: ClassNames<'root' | 'frame' | 'row' | 'group' | 'box' | 'input' | 'reveal'>;
  readonly words?: RevealWords;
}) {
  const plan = field.store.field.plan as BoxesPlan;
  const [isRevealed, setRevealed] = useState(false);
  const row = useRef<HTMLDivElement>(null);
  const isConcealed = plan.conceal && !isRevealed;
  const press = usePress(row, field.state.body.content.length);
  return (
    <div className={classNames.root} data-arbeit="code">
      <div
        className={classNames.frame}
        data-arbeit="boxes"
        data-invalid={isWrong || field.evaluation.shown.some((m) => m.severity === 'error') || undefined}
      >
        <div ref={row} aria-hidden="true" className={classNames.row} data-arbeit="row">
          <Drawn field={field} isConcealed={isConcealed} classNames={classNames} />
        </div>
        <input
          {...field.inputProps}
          {...(label ? { 'aria-label': label } : {})}
          type={isConcealed ? 'password' : 'text'}
          maxLength={undefined}
          {...press}
          className={classNames.input}
        />
      </div>
      {plan.conceal && (
        <Reveal isRevealed={isRevealed} onChange={setRevealed} words={words} className={classNames.reveal} />
      )}
    </div>
  );
}

/** Handlers for presses on the row, which go to the input over it. `filled`: number of its characters. */
function usePress(row: RefObject<HTMLDivElement | null>, filled: number) {
  /** The box where the current press began. */
  const pressed = useRef<number | null>(null);
  /** The box closest to the pointer, at most the first empty one. */
  const boxAt = (event: PointerEvent): number => {
    const boxes = [...row.current!.querySelectorAll<HTMLElement>('[data-box]')];
    const distance = (box: HTMLElement) => {
      const { left, right } = box.getBoundingClientRect();
      return Math.abs((left + right) / 2 - event.clientX);
    };
    const nearest = boxes.reduce((best, box) => (distance(box) < distance(best) ? box : best), boxes[0]!);
    return Math.min(boxes.indexOf(nearest), filled);
  };
  /** A press goes to the closest box. A filled box is selected, so that typing replaces it. */
  const onPointerDown = (event: PointerEvent<HTMLInputElement>) => {
    const at = boxAt(event);
    const input = event.currentTarget;
    pressed.current = at;
    input.setPointerCapture(event.pointerId);
    input.focus();
    input.setSelectionRange(at, Math.min(at + 1, filled));
  };
  /** Dragging selects all boxes on the way. */
  const onPointerMove = (event: PointerEvent<HTMLInputElement>) => {
    if (pressed.current === null) return;
    const [from, to] = [pressed.current, boxAt(event)].sort((a, b) => a - b) as [number, number];
    event.currentTarget.setSelectionRange(from, Math.min(to + 1, filled));
  };
  const onPointerEnd = () => {
    pressed.current = null;
  };
  return {
    onPointerDown,
    onPointerMove,
    onPointerUp: onPointerEnd,
    onPointerCancel: onPointerEnd,
    // The text under the boxes has another layout, so its own selection would be another one.
    onMouseDown: (event: MouseEvent) => event.preventDefault(),
  };
}

/** The boxes: their content, the active one, the selected ones. */
function Drawn({
  field,
  isConcealed,
  classNames,
}: {
  readonly field: Field;
  readonly isConcealed: boolean;
  readonly classNames: ClassNames<'group' | 'box'>;
}) {
  const plan = field.store.field.plan as BoxesPlan;
  const { body, start, end, focused } = field.state;
  const active = activeBox(plan, start);
  let index = 0;
  return plan.groups.map((size, group) => {
    const from = index;
    index += size;
    return (
      // biome-ignore lint/suspicious/noArrayIndexKey: groups are told apart by their place alone
      <span key={group} className={classNames.group} data-arbeit="group">
        {Array.from({ length: size }, (_, i) => {
          const at = from + i;
          const c = body.content[at];
          return (
            <span
              key={at}
              data-box
              data-active={(focused && at === active) || undefined}
              data-selected={(focused && at >= start && at < end) || undefined}
              className={classNames.box}
            >
              {c === undefined ? '' : isConcealed ? '•' : c}
            </span>
          );
        })}
      </span>
    );
  });
}
