// Texts of `store/lock.ts`.

export const dataFolderIsInUse = (folder: string, who: string) =>
  `Data folder ${folder} is in use by another Arbeit process${who}. Stop it, or set ARBEIT_DATA to another folder.`;
export const isAFolderBut = (path: string) =>
  `${path} is a folder, but a file belongs there. Delete it, or choose another data folder with ARBEIT_DATA.`;
