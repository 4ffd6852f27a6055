import { flushSync, mount, unmount } from 'svelte';
import Alone from './Alone.svelte';
import { asked, seen } from './seen.js';
import * as all from './taken/fields.js';
import Whole from './Whole.svelte';

const { today } = asked();
const fields = Object.values(all).filter((one) => 'plan' in one);
const forms = Object.values(all).filter((one) => 'places' in one);
const stores = {};
window.stateOf = (id) => stores[id].state();
window.seen = seen;

const onstore = (id, store) => {
  stores[id] = store;
};
let app;
/** Puts up a field or a form, in place of what was there. */
window.mount = ({ field, form, native }) => {
  if (app) unmount(app);
  document.body.replaceChildren();
  const find = (list, wanted) => list.find(({ id }) => id === wanted);
  const props = form ? { form: find(forms, form), native } : { field: find(fields, field) };
  app = mount(form ? Whole : Alone, { target: document.body, props: { ...props, today, onstore } });
  flushSync();
};
window.mount(asked());
