import { misuse } from './say.ts';

// Errors of the program that uses this package: a call that cannot work. Functions one by one, so that a page
// loads only those it can reach.

export const unknownKind = (name: string, way = 'Pass it in the kinds table.') =>
  misuse({ code: 'unknown-kind', message: `Unknown kind "${name}". ${way}` });

export const unknownCheck = (type: string, way = 'Pass it in the checks table.') =>
  misuse({ code: 'unknown-check', message: `Unknown check "${type}". ${way}` });

/** A server's messages for an input that is not a record, and for a value the field could not contain. */
export const expectedRecord = 'Expected an object with one text per field.';
export const notAllowed = 'This value cannot be used here.';

export const formFieldTwice = (form: string) =>
  misuse({ code: 'form-field-twice', message: `Two fields of the form "${form}" have the same id.` });

export const formNameTwice = (form: string) =>
  misuse({ code: 'form-name-twice', message: `Two fields of the form "${form}" have the same name.` });

export const formFieldUnknown = (form: string, id: string) =>
  misuse({ code: 'form-field-unknown', message: `The form "${form}" has no field "${id}".` });

export const formFieldMissing = (id: string, other: string) =>
  misuse({
    code: 'form-field-missing',
    message: `"${id}" depends on a field that is not in the form: "${other}".`,
  });

export const formRuleField = (rule: string, id: string) =>
  misuse({
    code: 'form-rule-field',
    message: `The rule "${rule}" is for a field that is not in the form: "${id}".`,
  });

export const formCircle = (circle: string) =>
  misuse({
    code: 'form-circle',
    message: `Fields of the form depend on each other in a circle: ${circle}.`,
  });

export const noPattern = (id: string) =>
  misuse({ code: 'no-pattern', message: `${id}: expected at least one pattern.` });

export const noClass = (text: string) =>
  misuse({ code: 'no-class', message: `“${text}” is not a character class.` });

export const noString = (type: string) =>
  misuse({
    code: 'no-string-returned',
    message: `The function returned a value of type ${type}. Expected a string.`,
  });
