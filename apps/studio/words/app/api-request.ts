// Texts of `app/api/request.ts`.
export const arbeitFailedToAnswerBy =
  'Arbeit failed to answer, by an error of its own. What is not saved is kept in this browser.';
export const aNumberSuchAs447700900123 = 'A number such as +447700900123, or an e-mail address.';
export const useLowerCaseLettersDigits = 'Use lower-case letters, digits and “-” only.';
export const theDocumentHasErrors = 'The document has errors.';
export const theRequestIsNotUtf = 'The request is not UTF-8.';
export const theRequestIsNotJson = 'The request is not JSON.';
export const expectedContentOfTypeApplication = 'Expected content of type application/json.';
