// Texts of `store/store-error.ts`.

export const theDatabaseInIsDamaged = (folder: string, why: string) =>
  `The database in ${folder} is damaged${why}. Restore the folder from a backup or set ARBEIT_DATA to another one. Keep this folder until you have recovered its documents.`;
export const noResponseFromTheDatabase = 'No response from the database. Nothing was changed. Try again.';
export const theDataFolderCannot = (folder: string) =>
  `The data folder (${folder}) cannot be written to. Give the user Arbeit runs as the right to write there, or choose another folder with ARBEIT_DATA.`;
export const dataFolderDoesNotExist = (folder: string) =>
  `Data folder ${folder} does not exist or is not a folder. Create it, or set ARBEIT_DATA to another folder.`;
