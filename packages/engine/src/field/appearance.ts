/** How a field is drawn where it is taken home, beside what its kind asks for. What is left out is drawn as most fields are. */
export interface Appearance {
  /** Where its label stands; inside it moves away once something stands there. Above, where nothing is said. */
  readonly label?: 'above' | 'beside' | 'inside';
  /** Medium, where nothing is said. */
  readonly size?: 'small' | 'medium' | 'large';
  /** A text or sign before what is typed, and behind it. No part of the value. */
  readonly before?: string;
  readonly behind?: string;
  /** How many characters wide (CSS, `ch`): as wide as there is room, where nothing is said. */
  readonly width?: number;
  /** A drawing before what is typed: SVG of shapes alone, which the reader of documents has seen to. */
  readonly icon?: string;
}
