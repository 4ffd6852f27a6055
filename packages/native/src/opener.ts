import type { HydratedField } from '@arbeit/engine/field';
import { type RefCallback, useCallback, useRef } from 'react';
import { endFocus, type NativeControl } from './controls.ts';

/** The props of a `Pressable` that opens and closes what belongs to a field. */
export interface NativeOpenerProps {
  readonly ref: RefCallback<NativeControl>;
  readonly role: 'button';
  readonly 'aria-label': string;
  readonly 'aria-expanded': boolean;
  readonly disabled: boolean;
  /** Opens it, or closes it. */
  onPress(): void;
}

/** The button of something that is closed by picking: the focus returns to the button. */
export function useOpener({ html }: HydratedField): {
  propsFor(name: string, isOpen: boolean, press: () => void): NativeOpenerProps;
  focus(): void;
} {
  const control = useRef<NativeControl>(null);
  const ref = useCallback<RefCallback<NativeControl>>((drawn) => {
    control.current = drawn;
  }, []);
  return {
    propsFor: (name, isOpen, press) => ({
      ref,
      role: 'button',
      'aria-label': name,
      'aria-expanded': isOpen,
      disabled: html.disabled === true || html.readonly === true,
      onPress() {
        // The keyboard would cover what is opened.
        endFocus();
        press();
      },
    }),
    // A renderer for tests has no focus.
    focus: () => control.current?.focus?.(),
  };
}
