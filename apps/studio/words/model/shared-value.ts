// Texts of `model/shared-value.ts`.

export const secondLabel = (label: string, display: string) => `${label}, ${display}`;
export const numberedLabel = (label: string, n: number) => `${label} (${n})`;
export const again = 'again';
