/** Class names for the parts of a component, by part. Nothing here is styled without them. */
export type ClassNames<Part extends string> = { readonly [K in Part]?: string };
