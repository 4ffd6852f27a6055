import { createApp, h } from 'vue';
import { asked, seen, send } from './seen.js';
import { askByFetch, driveAsks, driveFormAsks } from './taken/dom.js';
import * as all from './taken/fields.js';
import { useField, useForm } from './taken/vue.js';

const { today } = asked();
const fields = Object.values(all).filter((one) => 'plan' in one);
const forms = Object.values(all).filter((one) => 'places' in one);
const stores = {};
window.stateOf = (id) => stores[id].state();
window.seen = seen;

const control = (id, { inputProps, shape, isPicked }) => {
  const { control, options } = shape;
  if (control === 'select')
    return h('select', inputProps, [
      h('option', { value: '' }),
      ...options.map(({ value, label }) =>
        h('option', { value, key: value, selected: isPicked(value) }, label),
      ),
    ]);
  if (control === 'radio' || control === 'checkbox')
    return h(
      'div',
      inputProps,
      options.map(({ value, label }) =>
        h('label', { key: value }, [
          h('input', { type: control, name: id, value, checked: isPicked(value) }),
          h('span', label),
        ]),
      ),
    );
  return h(control, inputProps);
};

const One = {
  props: ['field', 'store'],
  setup({ field, store }) {
    const live = useField(field, store ? { store } : { today });
    stores[field.id] = live.store;
    if (!live.store.inForm) driveAsks(live.store, askByFetch());
    return () =>
      h('div', { 'data-field': field.id, ...live.rootProps.value }, [
        h('span', live.labelProps, field.label),
        control(field.id, live),
        h(
          'div',
          live.messageProps,
          live.evaluation.value.shown.map((one) => h('p', { key: one.rule }, one.message)),
        ),
      ]);
  },
};

const drive = (store) => driveFormAsks(store, askByFetch());

/** A form, sent as its record; `native`: by the browser, with that method. */
const Whole = {
  props: ['id', 'native'],
  setup({ id: form, native }) {
    const own = forms.find(({ id }) => id === form);
    const live = useForm(own, { today, drive, ...(native ? {} : { send: (record) => send(form, record) }) });
    const how = native ? { method: native, action: '/forms/native' } : {};
    return () =>
      h('form', { ...live.formProps, ...how }, [
        ...own.fields.map((field) => h(One, { key: field.id, field, store: live.store.field(field.id) })),
        h('button', { name: 'by', value: 'button' }, 'Send'),
      ]);
  },
};

const Alone = {
  props: ['id'],
  render: ({ id: field }) =>
    h('form', { novalidate: true, onSubmit: (event) => event.preventDefault() }, [
      h(One, { field: fields.find(({ id }) => id === field) }),
      h('button', 'Send'),
    ]),
};

let app;
/** Puts up a field or a form, in place of what was there. */
window.mount = ({ field, form, native }) => {
  app?.unmount();
  document.body.replaceChildren(document.createElement('main'));
  app = createApp(form ? Whole : Alone, { id: form ?? field, native });
  app.mount(document.body.firstChild);
};
window.mount(asked());
