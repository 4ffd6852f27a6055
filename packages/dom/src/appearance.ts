import type { Appearance, HydratedField } from '@arbeit/engine/field';

/** What a field's look is on what stands around it: attributes to style by, and custom properties (CSS). */
export interface AppearanceAttributes {
  readonly 'data-label'?: string;
  readonly 'data-size'?: string;
  readonly style?: {
    readonly '--arbeit-width'?: string;
    /** How far what stands before the line reaches: a label inside begins behind it. */
    readonly '--arbeit-lead'?: string;
  };
}

/** How wide an icon and a sign before a line are with the gaps behind them, in em: rather more than less, so that nothing lies over them. */
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
    // A line of text has room for its caret and its edges beside the characters.
    ...(width ? { '--arbeit-width': `calc(${width}ch + 1.5em)` } : {}),
    ...(lead ? { '--arbeit-lead': `${lead.toFixed(2)}em` } : {}),
  };
  return {
    ...(label ? { 'data-label': label } : {}),
    ...(size ? { 'data-size': size } : {}),
    ...(width || lead ? { style } : {}),
  };
}
