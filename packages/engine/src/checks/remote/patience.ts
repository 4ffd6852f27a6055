/** Default time to wait for a server, in milliseconds. */
export const patience = 4000;
