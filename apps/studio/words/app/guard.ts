// Texts of `app/guard.ts`.
export const crossOriginRequestsAreNot = 'Cross-origin requests are not allowed.';
export const theAddressIsTooLong = 'The address is too long.';
export const onlyGetAndHeadAre = 'Only GET and HEAD are allowed here.';
export const invalidUrl = 'Invalid URL: malformed percent-encoding or a NUL character.';
export const hostIsNotAllowed = (host: string) =>
  `Host "${host}" is not allowed. Add it to ARBEIT_HOSTS to allow it.`;
