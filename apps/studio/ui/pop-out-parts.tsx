'use client';

import { DropdownMenu, Popover } from 'radix-ui';
import { Fragment, type ReactNode, useCallback, useRef, useState } from 'react';
import type { MenuProps, PopOutProps } from './pop-out-props.ts';

/**
 * The landmark around a trigger. What it opens belongs there, and not at the end of the body, outside all
 * landmarks.
 */
function useLandmark() {
  const [landmark, setLandmark] = useState<HTMLElement | null>(null);
  const trigger = useCallback((button: HTMLElement | null) => {
    if (!button) return;
    // It replaces the button that waited for this module, with its focus.
    if (document.activeElement === document.body) button.focus();
    setLandmark(button.closest<HTMLElement>('main, header, aside, [role="dialog"]') ?? document.body);
  }, []);
  return { landmark, trigger };
}

export function PopOutSheet({
  trigger,
  button,
  label,
  className,
  open,
  onOpenChange,
  onOpenAutoFocus,
  onCloseAutoFocus,
  children,
}: PopOutProps & { readonly open: boolean; readonly onOpenChange: (isOpen: boolean) => void }) {
  const { landmark, trigger: ref } = useLandmark();
  return (
    <Popover.Root open={open} onOpenChange={onOpenChange}>
      <Popover.Trigger ref={ref} {...button}>
        {trigger}
      </Popover.Trigger>
      {/* Not before it is known where: moved afterwards, it would be made a second time, and keys in between be lost. */}
      {landmark && (
        <Popover.Portal container={landmark}>
          <Popover.Content
            aria-label={label}
            align="start"
            sideOffset={6}
            collisionPadding={12}
            className={`z-20 max-h-(--radix-popover-content-available-height) max-w-[calc(100vw-1.5rem)] overflow-y-auto border-2 border-ink bg-paper ${className}`}
            {...(onOpenAutoFocus ? { onOpenAutoFocus } : {})}
            {...(onCloseAutoFocus ? { onCloseAutoFocus } : {})}
          >
            <Asked>{children}</Asked>
          </Popover.Content>
        </Popover.Portal>
      )}
    </Popover.Root>
  );
}

/** Renders its children, and so computes them, only while it is open. */
const Asked = ({ children }: { readonly children: () => ReactNode }) => children();

/** A menu that was loaded because somebody opened it; it opens on mount. */
export function OpenedMenu({ trigger, button, align, className, byKey = false, items }: MenuProps) {
  // The menu itself sees later openings.
  const isFirstByKey = useRef(byKey);
  const movesFocus = useRef(false);
  const { landmark, trigger: ref } = useLandmark();
  return (
    // Not modal, so that screen readers still see what is around the menu.
    <DropdownMenu.Root
      modal={false}
      defaultOpen
      onOpenChange={() => {
        isFirstByKey.current = false;
      }}
    >
      <DropdownMenu.Trigger ref={ref} {...button}>
        {trigger}
      </DropdownMenu.Trigger>
      {landmark && (
        <DropdownMenu.Portal container={landmark}>
          <DropdownMenu.Content
            align={align}
            sideOffset={4}
            collisionPadding={8}
            className={`menu ${className}`}
            onCloseAutoFocus={(event) => {
              const { body, activeElement } = document;
              // What was chosen may have moved the focus already.
              const isElsewhere =
                activeElement !== body && !(event.currentTarget as Element).contains(activeElement);
              if (movesFocus.current || isElsewhere) event.preventDefault();
              movesFocus.current = false;
            }}
            onFocus={(event) => {
              // The menu focuses its first item only after a key that it saw; it did not see the one that
              // loaded it.
              if (event.target !== event.currentTarget || !isFirstByKey.current) return;
              isFirstByKey.current = false;
              event.currentTarget.querySelector<HTMLElement>('[role="menuitem"]')?.focus();
            }}
          >
            <Asked>
              {() =>
                items().map((item) => (
                  <Fragment key={item.id}>
                    {item.isApart && <DropdownMenu.Separator className="my-1 border-t" />}
                    <DropdownMenu.Item
                      className="menu-item"
                      onSelect={() => {
                        movesFocus.current = item.movesFocus ?? false;
                        item.onSelect();
                      }}
                    >
                      {item.label}
                      {item.note && <span className="value block text-xs opacity-80">{item.note}</span>}
                    </DropdownMenu.Item>
                  </Fragment>
                ))
              }
            </Asked>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      )}
    </DropdownMenu.Root>
  );
}
