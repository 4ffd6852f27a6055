'use client';

import { type ReactNode, useCallback, useState } from 'react';
import { useLater } from './later.tsx';
import type { ButtonProps, MenuProps, PopOutProps } from './pop-out-props.ts';

const load = () => import('./pop-out-parts.tsx');
/** As the pointer or the focus comes near: what is fetched now need not be waited for at the click. */
const comeNear = () => void load().catch(() => undefined);

/** A button and the small sheet that it opens beside itself. */
export function PopOut(props: PopOutProps) {
  const { needs } = props;
  const both = useCallback(async () => {
    const [parts] = await Promise.all([load(), needs?.fetch()]);
    return parts;
  }, [needs]);
  const { it: parts, problem, want } = useLater(both);
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
      near={() => void both().catch(() => undefined)}
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
  const { it: parts, problem, want } = useLater(load);
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

/** The button before what it opens is there. `near` is called as the pointer or the focus comes near. */
export function Waiting({
  button,
  opens,
  problem,
  near = comeNear,
  onWant,
  children,
}: {
  readonly button: ButtonProps;
  readonly opens: 'menu' | 'dialog';
  readonly problem: string;
  readonly near?: () => void;
  /** Told whether it was a key. */
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
      onPointerEnter={near}
      onFocus={(event) => {
        near();
        button.onFocus?.(event);
      }}
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
