import type { OpenField } from '@arbeit/engine/field';

/** What a field's look is on what stands around it: attributes to style by, and its width as a custom property (CSS). */
export interface LookAttributes {
  readonly 'data-label'?: string;
  readonly 'data-size'?: string;
  readonly style?: { readonly '--arbeit-width': string };
}

/** The look of a field as attributes; nothing for what is drawn as most fields are. */
export function lookOf({ look = {} }: Pick<OpenField, 'look'>): LookAttributes {
  const { label, size, width } = look;
  return {
    ...(label ? { 'data-label': label } : {}),
    ...(size ? { 'data-size': size } : {}),
    // A line of text has room for its caret and its edges beside the characters.
    ...(width ? { style: { '--arbeit-width': `calc(${width}ch + 1.5em)` } } : {}),
  };
}
