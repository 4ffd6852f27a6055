// Texts of `screens/desk/several-editor.tsx`.

export const allRegions = 'all regions';
export const selectedRegions = 'selected regions';
export const chosen = (label: string) => `${label}, chosen`;
export const removeWithName = (name: string) => `Remove ${name}`;
export const searchByNameOrCodeWithLabel = (label: string) => `${label}: search by name or code`;
export const searchByNameOrCode = 'Search by name or code';
export const all = (label: string) => `${label}, all`;
export const noMatch = 'No match.';
