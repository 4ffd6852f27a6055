// Texts of `screens/form/drive.ts`.

export { requestFailedHttp } from '../later.ts';
