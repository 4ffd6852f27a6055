'use client';

import type { ComponentType, ReactElement } from 'react';
import { Line } from './line.tsx';
import type { Field } from './use-field.ts';

/** A component that draws the control of a field. */
export type ControlComponent = ComponentType<{ readonly field: Field; readonly label?: string | undefined }>;

/**
 * A component that draws any field with its kind's control: `boxes` for codes, `picks` for choices,
 * otherwise a line. A page carries only what is passed here.
 *
 * @example
 * const Control = controlOf({ boxes: Boxes, picks: Picks });
 */
export function controlOf({
  boxes,
  picks,
}: {
  readonly boxes?: ControlComponent;
  readonly picks?: ControlComponent;
} = {}): (props: { readonly field: Field; readonly label?: string | undefined }) => ReactElement {
  return function Control(props) {
    const { control } = props.field.store.field.kind;
    const Drawn = (control && { boxes, picks }[control]) ?? Line;
    return <Drawn {...props} />;
  };
}
