/** How long a server is waited for, in milliseconds, where a document says nothing. */
export const patience = 4000;
