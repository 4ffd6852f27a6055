/** How a value must compare with another one. */
export type Comparison =
  | 'same'
  | 'differs'
  | 'after'
  | 'not-before'
  | 'before'
  | 'not-after'
  | 'above'
  | 'below'
  | 'at-most-days'
  | 'at-least-days';
