/** The button of “New field”, before its menu is there and after. */
export const newFieldButton = { className: 'solid-button' } as const;
