'use client';

import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import { useLater } from './later.tsx';
import type { ButtonProps, MenuProps, PopOutProps } from './pop-out-props.ts';

const load = () => import('./pop-out-parts.tsx');

/** A button and the small sheet that it opens beside itself. */
export function PopOut(props: PopOutProps) {
  const { needs } = props;
  const both = useCallback(async () => {
    const [parts] = await Promise.all([load(), needs?.fetch()]);
    return parts;
  }, [needs]);
  const { it: parts, problem, fetch, want } = useLater(both);
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
      near={fetch}
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
  const { it: parts, problem, fetch, want } = useLater(load);
  const [byKey, setByKey] = useState(false);
  if (parts) return <parts.OpenedMenu {...props} byKey={byKey} />;
  return (
    <Waiting
      button={props.button}
      opens="menu"
      problem={problem}
      near={fetch}
      onWant={(isKey) => {
        setByKey(isKey);
        want();
      }}
    >
      {props.trigger}
    </Waiting>
  );
}

/**
 * Fetches what a page may need next as soon as somebody begins to use it, so that a click opens it at once and no key
 * typed right behind the click is lost. A first visit that only looks fetches nothing.
 */
function useOnFirstUse(fetch: () => void): void {
  const latest = useRef(fetch);
  latest.current = fetch;
  useEffect(() => {
    const heard = new AbortController();
    const begin = () => {
      heard.abort();
      latest.current();
    };
    for (const type of ['pointermove', 'pointerdown', 'keydown', 'focusin'])
      window.addEventListener(type, begin, { signal: heard.signal, passive: true });
    return () => heard.abort();
  }, []);
}

/** The button before what it opens is there. `near` is called as the pointer or the focus comes near. */
export function Waiting({
  button,
  opens,
  problem,
  near,
  onWant,
  children,
}: {
  readonly button: ButtonProps;
  readonly opens: 'menu' | 'dialog';
  readonly problem: string;
  readonly near: () => void;
  /** Told whether it was a key. */
  readonly onWant: (isKey: boolean) => void;
  readonly children: ReactNode;
}) {
  useOnFirstUse(near);
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
