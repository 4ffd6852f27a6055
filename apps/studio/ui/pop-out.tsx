'use client';

import { type ReactNode, useMemo, useState } from 'react';
import { useAtFirstUse } from './first-use.ts';
import { later, together, useLater } from './later.tsx';
import { useListedMenu } from './menus.ts';
import type { ButtonProps, MenuProps, PopOutProps } from './pop-out-props.ts';

const allParts = later(() => import('./pop-out-parts.tsx'));

/** A button and the small panel that it opens. */
export function PopOut(props: PopOutProps) {
  const { needs } = props;
  useAtFirstUse(allParts, needs);
  const wanted = useMemo(() => together(allParts, needs), [needs]);
  const { it: parts, problem, want } = useLater(wanted);
  const [own, setOwn] = useState(false);
  const isOpen = props.open ?? own;
  const change = (next: boolean) => {
    setOwn(next);
    props.onOpenChange?.(next);
  };
  if (parts) return <parts.PopOutSheet {...props} open={isOpen} onOpenChange={change} />;
  return (
    <Waiting
      button={props.button}
      opens="dialog"
      problem={problem}
      onWant={() => {
        change(true);
        want();
      }}
    >
      {props.trigger}
    </Waiting>
  );
}

/** A button and the menu that it opens. */
export function Menu(props: MenuProps) {
  useListedMenu(props.button['aria-label'] ?? '', props.items);
  useAtFirstUse(allParts);
  const { it: parts, problem, want } = useLater(allParts);
  const [byKey, setByKey] = useState(false);
  if (parts) return <parts.OpenedMenu {...props} byKey={byKey} />;
  return (
    <Waiting
      button={props.button}
      opens="menu"
      problem={problem}
      onWant={(isKey) => {
        setByKey(isKey);
        want();
      }}
    >
      {props.trigger}
    </Waiting>
  );
}

/** The button until its panel or menu is loaded. */
function Waiting({
  button,
  opens,
  problem,
  onWant,
  children,
}: {
  readonly button: ButtonProps;
  readonly opens: 'menu' | 'dialog';
  readonly problem: string;
  /** Called with whether a key was used. */
  readonly onWant: (isKey: boolean) => void;
  readonly children: ReactNode;
}) {
  return (
    <button
      {...button}
      type="button"
      aria-haspopup={opens}
      aria-expanded={false}
      title={problem || button.title}
      onClick={(event) => onWant(event.detail === 0)}
      onKeyDown={(event) => {
        if (opens === 'menu' && event.key === 'ArrowDown') {
          event.preventDefault();
          onWant(true);
        }
      }}
    >
      {children}
    </button>
  );
}
