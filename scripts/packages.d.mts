export const root: string;
export const packages: readonly string[];
export function newest(folder: string): number;
export function buildPackages(): boolean;
/** The folder of a package. */
export function folderOf(room: string): string;
