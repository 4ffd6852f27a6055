'use client';

import type { ComponentType, ReactElement } from 'react';
import { Line } from './line.tsx';
import type { Field } from './use-field.ts';

/** A component that a field is typed into or picked from. */
export type ControlComponent = ComponentType<{ readonly field: Field; readonly label?: string | undefined }>;

/**
 * A component that draws any field with what its kind is drawn with: `boxes` for codes, `picks` for choices, else a line. Only what is
 * named here goes along.
 */
export function controlOf({
  boxes,
  picks,
}: {
  readonly boxes?: ControlComponent;
  readonly picks?: ControlComponent;
} = {}): (props: { readonly field: Field; readonly label?: string | undefined }) => ReactElement {
  return function Control(props) {
    const plan = props.field.store.field.plan as { readonly groups?: unknown; readonly options?: unknown };
    const Drawn = (plan.groups ? boxes : plan.options ? picks : undefined) ?? Line;
    return <Drawn {...props} />;
  };
}
