// Texts of `screens/desk/shared-value.tsx`.

export const fieldsWithThisValue = 'Fields with this value';
export const oneValueEachItsWay = 'one value, shown by each field in its own way';
export const inAForm = 'In a form that contains several of these fields, a change of one changes the others.';
export const addFieldWithThisValue = 'Add a field with this value';
export const thisFieldHas = 'This field has';
export const whoseValue = 'Value of this field';
export const itsOwnValue = 'its own value';
export const theValueOf = (label: string) => `the value of “${label}”`;
export const linkedDisplay = (display: string) => `Linked display: ${display}`;
