import { misuse } from '@arbeit/engine/faults';

// Errors of the page that uses the elements: a call that cannot work.

export const noForm = (id: string) =>
  misuse({ code: 'no-form', message: `These elements have no form "${id}".` });

export const noField = (id: string) =>
  misuse({ code: 'no-field', message: `These elements have no field "${id}".` });
