// Texts of `field/region-picker.tsx`.

export const region = (name: string) => `Region: ${name}. Change region`;
export const regions = 'Regions';
