/**
 * How a field is drawn in a hand-off, beside what its kind needs. Members that are left out have the usual
 * appearance.
 */
export interface Appearance {
  /** Place of the label; `inside` moves away once the field is filled. Default: above. */
  readonly label?: 'above' | 'beside' | 'inside';
  /** Default: medium. */
  readonly size?: 'small' | 'medium' | 'large';
  /** Prefix and suffix: text beside the value that is not part of it. */
  readonly before?: string;
  readonly behind?: string;
  /** Width in characters (CSS, `ch`). Default: all available width. */
  readonly width?: number;
  /** An icon before the value, as SVG. Security: `readDocument` accepts only shapes. */
  readonly icon?: string;
}
