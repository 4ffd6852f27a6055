// Texts of `store/server.ts`.

export const theDatabaseRefusesTheUser =
  'The database refuses the user or the password of DATABASE_URL. Correct it and start Arbeit again.';
export const theDatabaseNamedInDatabase =
  'The database named in DATABASE_URL does not exist. Create it, or name another one.';
export const theUserOfDatabaseUrl =
  'The user of DATABASE_URL may not create or change tables. Grant it the rights, or name another user.';
export const theDatabaseHasNoConnection =
  'The database has no connection left. Try again, or raise its max_connections.';
export const theDatabaseDidNotRespondIn =
  'The database did not respond in time. Nothing was changed. Try again.';
