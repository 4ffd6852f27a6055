import { asked, seen, send } from './seen.js';
import { askByFetch, driveAsks, driveFormAsks } from './taken/dom.js';
import { boxes, defineFields, defineForms, picks } from './taken/element.js';
import * as all from './taken/fields.js';

const { today } = asked();
const fields = Object.values(all).filter((one) => 'plan' in one);
const forms = Object.values(all).filter((one) => 'places' in one);
const given = today ? { today } : {};
defineForms(forms, { ...given, drive: (store) => driveFormAsks(store, askByFetch()) });
defineFields(fields, {
  ...given,
  drawings: [boxes, picks],
  drive: (store) => driveAsks(store, askByFetch()),
});

/** Puts up a field or a form, in place of what was there. */
window.mount = ({ field, form, native }) => {
  const ids = form ? forms.find((one) => one.id === form).fields.map(({ id }) => id) : [field];
  const rows = ids.map((id) => `<arbeit-field field="${id}" data-field="${id}"></arbeit-field>`).join('');
  const inside = form ? `<arbeit-form form="${form}">${rows}</arbeit-form>` : rows;
  const how = native ? ` method="${native}" action="/forms/native"` : '';
  document.body.innerHTML = `<form${how}>${inside}<button name="by" value="button">Send</button></form>`;
  const around = document.querySelector('form');
  if (form && !native) document.querySelector('arbeit-form').send = (record) => send(form, record);
  if (!form) {
    around.noValidate = true;
    around.addEventListener('submit', (event) => event.preventDefault());
  }
};
window.stateOf = (id) => document.querySelector(`[data-field="${id}"]`).store.state();
window.seen = seen;
window.mount(asked());
