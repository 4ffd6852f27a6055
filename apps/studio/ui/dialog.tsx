'use client';

import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import * as words from '../words/ui/dialog.ts';
import { takeHeldKeys } from './held-keys.ts';
import { replayKeys } from './replay-keys.ts';

/**
 * A dialog, for what needs more space than an inline panel. Escape closes it, and the focus returns to where
 * it was (`focus-keeper.ts`).
 */
export function Dialog({
  title,
  about,
  isWide = false,
  onClose,
  children,
}: {
  readonly title: string;
  readonly about?: string;
  readonly isWide?: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  return (
    <Radix.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-30 bg-paper/70" />
        <Radix.Content
          className={`dialog ${isWide ? 'max-w-4xl' : 'max-w-xl'}`}
          onOpenAutoFocus={(event) => {
            // Focuses the main control, not the close button.
            const first = (event.currentTarget as HTMLElement).querySelector<HTMLElement>(
              'input, textarea, select',
            );
            void replayKeys(takeHeldKeys());
            if (!first) return;
            event.preventDefault();
            first.focus();
          }}
          {...(about ? {} : { 'aria-describedby': undefined })}
        >
          <div className="flex items-baseline gap-4 border-b pb-2">
            <Radix.Title className="text-lg">{title}</Radix.Title>
            <Radix.Close className="word-button ml-auto text-sm">
              {words.close} <span className="caption">{words.esc}</span>
            </Radix.Close>
          </div>
          {about && <Radix.Description className="pt-2 text-faint">{about}</Radix.Description>}
          <div className="space-y-4 pt-3">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
