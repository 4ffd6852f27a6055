/** What a field can be bound to: a line of an input, or the lines of a text area. */
export type TextControl = HTMLInputElement | HTMLTextAreaElement;
