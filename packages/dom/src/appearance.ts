import type { Appearance, HydratedField } from '@arbeit/engine/field';

/**
 * The appearance of a field for the element around it: attributes to style by, and custom properties (CSS).
 */
export interface AppearanceAttributes {
  readonly 'data-label'?: string;
  readonly 'data-size'?: string;
  readonly style?: {
    readonly '--arbeit-width'?: string;
    /** Width of what is before the line, in em. A label inside begins after it. */
    readonly '--arbeit-lead'?: string;
  };
}

/**
 * Width of an icon and a prefix with their gaps, in em. It is rather too large than too small, so that
 * nothing overlaps.
 */
function leadOf({ icon, before = '' }: Appearance): number {
  const sign = [...before].reduce((sum, c) => sum + (c < '\u0300' ? 0.7 : 1.1), 0);
  return (icon ? 1.5 : 0) + (sign ? sign + 0.25 : 0);
}

/**
 * The appearance of a field as attributes and custom properties (CSS) for the element around it; empty for
 * the usual appearance.
 *
 * @example
 * const attributes = appearanceOf(pass);
 */
export function appearanceOf({ look = {} }: Pick<HydratedField, 'look'>): AppearanceAttributes {
  const { label, size, width } = look;
  const lead = label === 'inside' ? leadOf(look) : 0;
  const style = {
    // A text input needs space for its caret and borders beside the characters.
    ...(width ? { '--arbeit-width': `calc(${width}ch + 1.5em)` } : {}),
    ...(lead ? { '--arbeit-lead': `${lead.toFixed(2)}em` } : {}),
  };
  return {
    ...(label ? { 'data-label': label } : {}),
    ...(size ? { 'data-size': size } : {}),
    ...(width || lead ? { style } : {}),
  };
}
