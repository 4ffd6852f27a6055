'use client';

import { WithKinds } from '../../field/with-kinds.tsx';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { Desk, type DeskProps } from '../desk/desk.tsx';

/** The desk for a field of that kind. */
export function DeskFor({ kind, ...props }: DeskProps & { readonly kind: string }) {
  return (
    <WithKinds names={[kind]}>
      <Desk {...props} />
      <HydrationMarker />
    </WithKinds>
  );
}
