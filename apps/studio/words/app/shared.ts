// Texts that several files use.

export const notFound = 'Not found';
