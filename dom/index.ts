export { type BindOptions, bind } from './bind.ts';
export { bindPicks } from './bind-picks.ts';
export { localToday, readOn } from './clock.ts';
export { onCompletion, onNextEdit } from './completion.ts';
export { bindForm } from './form.ts';
export { createFormStore, type FormStore } from './form-store.ts';
export { follow, share } from './share.ts';
export { createStore, type FieldStore, type Read } from './store.ts';
export type { TextControl } from './text-control.ts';
