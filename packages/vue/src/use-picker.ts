import type { FieldStore, Picker, PickerOptions } from '@arbeit/dom';
import { whenOnPage } from './when-on-page.ts';

/**
 * The `ref` of an empty element in which a calendar or list of regions is drawn, for fields that have one.
 *
 * @example
 * const place = usePicker(useField(pass).store, pickerOf({ calendar }));
 */
export const usePicker = (
  store: FieldStore,
  picker: Picker,
  options?: PickerOptions,
): ((element: unknown) => void) =>
  whenOnPage((element) => (element instanceof HTMLElement ? picker(store, options)(element) : undefined));
