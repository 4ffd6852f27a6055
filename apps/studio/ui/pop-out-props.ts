import type { ComponentProps, ReactNode } from 'react';
import type { Later } from './later.tsx';

export type ButtonProps = Omit<ComponentProps<'button'>, 'onClick' | 'ref'>;

export interface PopOutProps {
  /** The content of the button. */
  readonly trigger: ReactNode;
  readonly button: ButtonProps;
  /** The accessible name of the panel. */
  readonly label: string;
  readonly className: string;
  readonly open?: boolean;
  readonly onOpenChange?: (isOpen: boolean) => void;
  readonly onOpenAutoFocus?: (event: Event) => void;
  readonly onCloseAutoFocus?: (event: Event) => void;
  /** What the content of the panel needs loaded; the panel opens when everything is there. */
  readonly needs?: Later<unknown>;
  /** The content of the panel; called only while it is open. */
  readonly children: () => ReactNode;
}

export interface MenuItem {
  readonly id: string;
  readonly label: string;
  /** A secondary line under the label. */
  readonly note?: string;
  readonly onSelect: () => void;
  /** Whether it moves the focus elsewhere; if not, the focus returns to the button of the menu. */
  readonly movesFocus?: boolean;
  /** Whether a separator is above it. */
  readonly isApart?: boolean;
}

export interface MenuProps {
  readonly trigger: ReactNode;
  readonly button: ButtonProps;
  readonly align: 'start' | 'end';
  readonly className: string;
  /** Whether it was opened by keyboard; then its first item gets the focus. */
  readonly byKey?: boolean;
  /** The items; called only while the menu is open. */
  readonly items: () => readonly MenuItem[];
}
