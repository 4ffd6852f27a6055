// Texts of `screens/desk/limit-editor.tsx`.

export const howMany = (label: string, unitWord: string) => `${label}: how many ${unitWord}`;
export const enterANumberFrom1 = 'Enter a number from 1 to 9999.';
export const whichDay = (label: string) => `${label}: which day`;
export const aFixedDate = 'a fixed date';
export const today = 'today';
export const inTheFormat = (example: string) => `Use the field’s format, e.g. ${example}.`;
/** A time relative to today, with its unit. */
export const fromToday = {
  '+': (unit: string) => `${unit} after today`,
  '-': (unit: string) => `${unit} before today`,
};
export const years = 'years';
export const months = 'months';
export const weeks = 'weeks';
export const days = 'days';
