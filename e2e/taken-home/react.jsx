import { useEffect } from 'react';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import { asked, seen, send } from './seen.js';
import { askByFetch, driveAsks, driveFormAsks } from './taken/dom.js';
import * as all from './taken/fields.js';
import { Boxes, isGroup, Label, Line, Message, Picks, useField, useForm } from './taken/react.js';

const { today } = asked();
const fields = Object.values(all).filter((one) => 'plan' in one);
const forms = Object.values(all).filter((one) => 'places' in one);
const stores = {};
window.stateOf = (id) => stores[id].state();
window.seen = seen;

function One({ field, store }) {
  const live = useField(field, { store, today });
  stores[field.id] = live.store;
  useEffect(() => (live.store.inForm ? undefined : driveAsks(live.store, askByFetch())), [live.store]);
  const { plan } = field;
  return (
    <div data-field={field.id}>
      <Label field={live} />
      {plan.groups ? (
        <Boxes field={live} />
      ) : plan.options || isGroup(live) ? (
        <Picks field={live} />
      ) : (
        <Line field={live} />
      )}
      <Message field={live} />
    </div>
  );
}

const drive = (store) => driveFormAsks(store, askByFetch());

/** A form, sent as its record; `native`: by the browser, with that method. */
function Whole({ form, native }) {
  const given = native ? {} : { send: (record) => send(form.id, record) };
  const { store, sending, formProps } = useForm(form, { today, drive, ...given });
  return (
    <form {...formProps} {...(native ? { method: native, action: '/forms/native' } : {})}>
      {form.fields.map((field) => (
        <One key={field.id} field={field} store={store.field(field.id)} />
      ))}
      <button type="submit" name="by" value="button">
        Send
      </button>
      <output>{sending.is}</output>
    </form>
  );
}

let root;
/** Puts up a field or a form, in place of what was there. */
window.mount = ({ field, form, native }) => {
  root?.unmount();
  document.body.replaceChildren(document.createElement('main'));
  root = createRoot(document.body.firstChild);
  flushSync(() =>
    root.render(
      form ? (
        <Whole form={forms.find(({ id }) => id === form)} native={native} />
      ) : (
        <form noValidate onSubmit={(event) => event.preventDefault()}>
          <One field={fields.find(({ id }) => id === field)} />
          <button type="submit">Send</button>
        </form>
      ),
    ),
  );
};
window.mount(asked());
