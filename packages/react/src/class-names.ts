/** Class names by part of a component. Components have no styles of their own. */
export type ClassNames<Part extends string> = { readonly [K in Part]?: string };
