// Texts of `model/shared-value.ts`.

export const secondLabel = (label: string, display: string) => `${label}, ${display}`;
export const again = 'again';
