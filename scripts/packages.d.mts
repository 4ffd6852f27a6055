export const root: string;
export const packages: readonly string[];
export function newest(folder: string): number;
export function buildPackages(): boolean;
