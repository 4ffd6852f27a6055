import type { ComponentProps, ReactNode } from 'react';
import type { Later } from './later.tsx';

export type ButtonProps = Omit<ComponentProps<'button'>, 'onClick' | 'ref'>;

export interface PopOutProps {
  /** What the button shows. */
  readonly trigger: ReactNode;
  readonly button: ButtonProps;
  /** What the sheet is called. */
  readonly label: string;
  readonly className: string;
  readonly open?: boolean;
  readonly onOpenChange?: (isOpen: boolean) => void;
  readonly onOpenAutoFocus?: (event: Event) => void;
  readonly onCloseAutoFocus?: (event: Event) => void;
  /** What the sheet holds, where it has to be fetched as well: the sheet opens when both are there. */
  readonly needs?: Later<unknown>;
  /** What the sheet holds; asked for only while it is open. */
  readonly children: () => ReactNode;
}

export interface MenuItem {
  readonly id: string;
  readonly label: string;
  /** A quieter line under the label. */
  readonly note?: string;
  readonly onSelect: () => void;
  /** Stands under a line that parts it from those before. */
  readonly isApart?: boolean;
}

export interface MenuProps {
  readonly trigger: ReactNode;
  readonly button: ButtonProps;
  readonly align: 'start' | 'end';
  readonly className: string;
  /** Opened by a key, its first entry has the focus. */
  readonly byKey?: boolean;
  /** The entries; asked for only while the menu is open. */
  readonly items: () => readonly MenuItem[];
}
