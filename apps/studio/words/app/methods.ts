// Texts of `app/methods.ts`.

export const methodIsNotAllowed = (method: string) => `The method ${method} is not allowed.`;
