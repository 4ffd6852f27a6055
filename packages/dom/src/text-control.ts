/** A control a field can be bound to: a single-line input, or a text area. */
export type TextControl = HTMLInputElement | HTMLTextAreaElement;
