/** What a value is to be against another: the same or not, later or earlier, more or less, so many days apart. */
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
