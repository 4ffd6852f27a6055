export { calendar, type Recording, record, regionList } from '@arbeit/dom';
export { boxes } from './boxes.ts';
export type { Control, Renderer } from './control.ts';
export { defineFields, defineForms, type FieldElementOptions } from './define.ts';
export type { FieldElement, StoreOwner } from './field-element.ts';
export type { FormElement } from './form-element.ts';
export { pickers } from './pickers.ts';
export { picks } from './picks.ts';
