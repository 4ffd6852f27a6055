// @vitest-environment happy-dom

import { calendar, regionList } from '@arbeit/dom';
import { afterEach, beforeAll, describe, expect, test, vi } from 'vitest';
import { fields, forms, type } from '../../dom/src/adapters.fixture.ts';
import { boxes } from './boxes.ts';
import { defineFields, defineForms } from './define.ts';
import type { FieldElement } from './field-element.ts';
import type { FormElement } from './form-element.ts';
import { pickers } from './pickers.ts';
import { picks } from './picks.ts';

/**
 * What a form-associated element tells the browser (HTML, ElementInternals), which this DOM does not have.
 * Browsers have the real ones (`e2e/element.spec.ts`).
 */
class Internals {
  sent: unknown;
  kept: unknown;
  validationMessage = '';
  readonly willValidate = true;
  constructor(readonly element: HTMLElement) {}
  get form(): HTMLFormElement | null {
    return this.element.closest('form');
  }
  #isMissing = false;
  get validity(): { readonly valid: boolean; readonly valueMissing: boolean } {
    return { valid: this.validationMessage === '', valueMissing: this.#isMissing };
  }
  setFormValue(sent: FormData, kept: unknown): void {
    this.sent = [...sent.entries()];
    this.kept = kept;
  }
  setValidity({ valueMissing = false }: { readonly valueMissing?: boolean }, message = ''): void {
    this.#isMissing = valueMissing;
    this.validationMessage = message;
  }
  checkValidity(): boolean {
    return this.validationMessage === '';
  }
  reportValidity(): boolean {
    return this.checkValidity();
  }
}
/** `part` of an element (CSS Shadow Parts), which this DOM does not have either. */
class Parts {
  constructor(readonly element: Element) {}
  get all(): readonly string[] {
    return (this.element.getAttribute('part') ?? '').split(' ').filter(Boolean);
  }
  add(name: string): void {
    this.toggle(name, true);
  }
  toggle(name: string, isOn: boolean): void {
    const others = this.all.filter((one) => one !== name);
    this.element.setAttribute('part', (isOn ? [...others, name] : others).join(' '));
  }
}
/** `new Option(…)` (HTML), which it lacks as well. */
function option(label: string, value: string, isDefault = false, isSelected = false): HTMLOptionElement {
  const made = document.createElement('option');
  made.textContent = label;
  made.value = value;
  made.defaultSelected = isDefault;
  made.selected = isSelected;
  return made;
}
/** The internals of elements, which only they themselves have. */
const made = new WeakMap<Element, Internals>();
const internalsOf = (element: Element): Internals => made.get(element)!;

beforeAll(() => {
  Object.assign(HTMLElement.prototype, {
    attachInternals(this: HTMLElement) {
      const own = new Internals(this);
      made.set(this, own);
      return own;
    },
  });
  vi.stubGlobal('Option', option);
  Object.defineProperty(Element.prototype, 'part', {
    get(this: Element) {
      return new Parts(this);
    },
  });
  defineForms(forms);
  defineFields(fields, {
    drawings: [boxes, picks, pickers({ calendar, 'region-list': regionList })],
    today: '2027-02-10',
  });
});
afterEach(() => document.body.replaceChildren());

const put = (html: string): void => {
  document.body.innerHTML = html;
};
const field = (id: string): FieldElement => document.querySelector<FieldElement>(`[field="${id}"]`)!;
const inside = <E extends HTMLElement = HTMLInputElement>(id: string, selector: string): E =>
  field(id).shadowRoot!.querySelector<E>(selector)!;

describe('the element of a field', () => {
  test('draws label, hint, message and control, tied together', () => {
    put('<arbeit-field field="pass"></arbeit-field>');
    const input = inside('pass', 'input');
    expect(inside<HTMLLabelElement>('pass', 'label').htmlFor).toBe(input.id);
    expect(input.getAttribute('aria-describedby')).toBe('hint message');
    expect([inside('pass', '#hint').textContent, inside('pass', '#message').ariaLive]).toEqual([
      'On its back.',
      'polite',
    ]);
    expect([inside('pass', '[part=sign]').textContent, inside('pass', '[part=icon] circle')]).not.toContain(
      null,
    );
    expect(field('pass').style.getPropertyValue('--arbeit-width')).not.toBe('');
  });

  test('formats what is typed, and is a control of its form', () => {
    put('<form><arbeit-field field="pass"></arbeit-field></form>');
    type(inside('pass', 'input'), '12');
    expect([inside('pass', 'input').value, inside('pass', '[part=ghost]').textContent]).toEqual([
      'RH-12',
      'RH-12__',
    ]);
    expect([field('pass').checkValidity(), field('pass').typed]).toEqual([false, null]);
    type(inside('pass', 'input'), '34');
    const { value, typed, name, form } = field('pass');
    const internals = internalsOf(field('pass'));
    expect([value, typed, name, form?.localName]).toEqual(['1234', '1234', 'pass', 'form']);
    expect([internals.sent, internals.kept, field('pass').checkValidity()]).toEqual([
      [['pass', '1234']],
      '1234',
      true,
    ]);
  });

  test('is written by a program, before and after it is on the page', () => {
    const made = document.createElement('arbeit-field') as FieldElement;
    made.setAttribute('field', 'pass');
    made.value = '12';
    document.body.append(made);
    const before = inside('pass', 'input').value;
    made.value = '1234';
    expect([before, inside('pass', 'input').value]).toEqual(['RH-12', 'RH-1234']);
  });

  test('shows its states and says what is wrong once', () => {
    put('<arbeit-field field="pass"></arbeit-field>');
    const message = inside('pass', '#message');
    field('pass').store.dispatch({ type: 'submit' });
    const said = message.firstChild;
    field('pass').store.dispatch({ type: 'focus' });
    expect([field('pass').hasAttribute('data-wrong'), message.textContent, message.dataset.severity]).toEqual(
      [true, 'Please fill in this field.', 'error'],
    );
    // The same message again is no news to a screen reader.
    expect(message.firstChild).toBe(said);
    field('pass').value = '1234';
    expect([field('pass').hasAttribute('data-wrong'), message.textContent]).toEqual([false, '']);
  });

  test('takes over what was typed into its fallback', () => {
    const made = document.createElement('arbeit-field');
    made.setAttribute('field', 'pass');
    made.innerHTML = '<label>Pass <input name="pass" value="77"></label>';
    document.body.append(made);
    expect([inside('pass', 'input').value, made.querySelector('input')]).toEqual(['RH-77', null]);
  });

  test('is disabled with its fieldset, and again when it comes back', () => {
    put('<arbeit-field field="pass"></arbeit-field>');
    const native = field('pass') as unknown as { formDisabledCallback(isDisabled: boolean): void };
    native.formDisabledCallback(true);
    const disabled = inside('pass', 'input').disabled;
    native.formDisabledCallback(false);
    expect([disabled, inside('pass', 'input').disabled]).toEqual([true, false]);
  });

  test('is restored by the browser', () => {
    put('<arbeit-field field="pass"></arbeit-field>');
    (field('pass') as unknown as { formStateRestoreCallback(state: string): void }).formStateRestoreCallback(
      '1234',
    );
    expect(inside('pass', 'input').value).toBe('RH-1234');
  });

  test('becomes another field with its attribute, and lets the first go', () => {
    put('<arbeit-field field="pass"></arbeit-field>');
    const { store } = field('pass');
    const input = inside('pass', 'input');
    field('pass').setAttribute('field', 'remarks');
    expect(inside('remarks', 'textarea').getAttribute('rows')).toBe('3');
    document.body.append(input);
    type(input, '1');
    expect(store.evaluation().raw).toBe('');
  });

  test('reports a field that no hand-off has, once the page has loaded', async () => {
    const reported = vi.fn();
    const before = globalThis.reportError;
    globalThis.reportError = reported;
    put('<arbeit-field field="nobody"></arbeit-field>');
    expect(() => field('nobody').store).toThrow(RangeError);
    await vi.waitFor(() => expect(reported).toHaveBeenCalledOnce());
    globalThis.reportError = before;
  });
});

describe('controls', () => {
  test('boxes show characters, caret and selection, and conceal', () => {
    put('<arbeit-field field="pin"></arbeit-field>');
    const shown = () =>
      [...field('pin').shadowRoot!.querySelectorAll('[part~=box]')].map((box) => box.textContent);
    const input = inside('pin', 'input');
    type(input, '48');
    expect([input.type, shown(), internalsOf(field('pin')).kept]).toEqual([
      'password',
      ['•', '•', '', ''],
      null,
    ]);
    expect(inside('pin', '[part~=box]:nth-of-type(3)').getAttribute('part')).toBe('box active');
    expect(field('pin').shadowRoot!.innerHTML).not.toContain('48');
    inside('pin', 'button').click();
    expect([input.type, shown()]).toEqual(['text', ['4', '8', '', '']]);
  });

  test('a calendar and a list of regions open beside their lines, on the day of the page', () => {
    put('<arbeit-field field="arrival"></arbeit-field><arbeit-field field="phone"></arbeit-field>');
    const opener = inside('arrival', '[part~=opener]');
    opener.click();
    const day = inside('arrival', '[part~=day][tabindex="0"]');
    expect(day.ariaLabel).toBe('Wednesday, 10 February 2027');
    day.click();
    expect([inside('arrival', 'input').value, field('arrival').typed]).toEqual(['10/02/2027', '2027-02-10']);
    inside('phone', '[part~=opener]').click();
    const french = [...field('phone').shadowRoot!.querySelectorAll<HTMLElement>('[part~=region]')].find(
      (one) => one.textContent?.startsWith('France'),
    );
    french!.click();
    expect(inside('phone', '[part~=opener]').textContent).toBe('FR +33');
    // A field that is disabled by its form opens nothing, and one that is gone has left nothing.
    const native = field('arrival') as unknown as { formDisabledCallback(isDisabled: boolean): void };
    native.formDisabledCallback(true);
    expect(opener.disabled).toBe(true);
    const { shadowRoot } = field('arrival');
    field('arrival').remove();
    expect(shadowRoot!.querySelector('[part~=opener]')).toBeNull();
  });

  test('a list, buttons and checkboxes are picked', () => {
    put(['hut', 'meals', 'extras'].map((id) => `<arbeit-field field="${id}"></arbeit-field>`).join(''));
    const select = inside<HTMLSelectElement>('hut', 'select');
    select.value = 'two-tarns';
    select.dispatchEvent(new Event('change', { bubbles: true }));
    const pick = (id: string, value: string) => {
      const box = inside(id, `[value="${value}"]`);
      box.checked = true;
      box.dispatchEvent(new Event('change', { bubbles: true }));
    };
    pick('meals', 'half');
    pick('extras', 'tea');
    pick('extras', 'hut map');
    expect(['hut', 'meals', 'extras'].map((id) => field(id).value)).toEqual([
      'two-tarns',
      'half',
      'tea\nhut map',
    ]);
    // Several choices are several entries, as of native checkboxes.
    expect(internalsOf(field('extras')).sent).toEqual([
      ['extras', 'tea'],
      ['extras', 'hut map'],
    ]);
    expect(inside('meals', '[role=radiogroup]').getAttribute('aria-labelledby')).toBe('label');
  });
});

describe('what the page sets itself', () => {
  test('is taken over whenever it comes, and given back when it goes', () => {
    put('<arbeit-field label="Book" field="remarks" readonly></arbeit-field>');
    const element = field('remarks');
    const area = inside<HTMLTextAreaElement>('remarks', 'textarea');
    const label = () => inside('remarks', '[part=label] slot').textContent;
    expect([label(), area.readOnly]).toEqual(['Book', true]);
    element.removeAttribute('label');
    element.removeAttribute('readonly');
    element.setAttribute('placeholder', 'Anything');
    element.setAttribute('hint', 'Not read by guests.');
    element.setAttribute('required', '');
    expect([label(), area.readOnly, area.placeholder, area.getAttribute('aria-required')]).toEqual([
      'Remarks',
      false,
      'Anything',
      'true',
    ]);
    expect(inside('remarks', '[part=hint] slot').textContent).toBe('Not read by guests.');
    element.name = 'notes';
    element.value = 'x';
    expect(internalsOf(element).sent).toEqual([['notes', 'x']]);
  });

  test('makes it invalid for its form: required while it is empty, and a problem of the page', () => {
    put('<arbeit-field field="remarks" required></arbeit-field>');
    const element = field('remarks');
    expect([element.checkValidity(), element.validity.valueMissing]).toEqual([false, true]);
    element.value = 'x';
    expect(element.checkValidity()).toBe(true);
    element.setCustomValidity('This is known already.');
    expect([element.checkValidity(), element.validationMessage]).toEqual([false, 'This is known already.']);
    element.value = 'y';
    expect(element.checkValidity()).toBe(false);
    element.setCustomValidity('');
    expect(element.checkValidity()).toBe(true);
  });

  test('says nothing of its inside', () => {
    put('<arbeit-field field="pin"></arbeit-field>');
    expect(['internals', 'root', 'isAsking'].filter((name) => name in field('pin'))).toEqual([]);
  });
});

describe('the element of a form', () => {
  const stay = () => document.querySelector<FormElement>('arbeit-form')!;
  const settle = () => new Promise((done) => setTimeout(done));
  const drawn = () =>
    put(`<form><arbeit-form form="stay">
      ${['pass', 'meals', 'nights'].map((id) => `<arbeit-field field="${id}"></arbeit-field>`).join('')}
    </arbeit-form></form>`);
  const submit = async () => {
    document.querySelector('form')!.requestSubmit();
    await settle();
  };

  test('has the fields around which it stands', () => {
    drawn();
    expect(field('pass').store).toBe(stay().store.field('pass'));
    expect(field('nights').hasAttribute('data-away')).toBe(true);
    field('meals').value = 'half';
    expect([field('nights').hasAttribute('data-away'), internalsOf(field('nights')).sent]).toEqual([
      false,
      [['nights', '']],
    ]);
  });

  test('holds back what is not ready, sends a record once, and shows what the server found', async () => {
    drawn();
    // This DOM does not list elements of one’s own among the controls of a form, so none can take the focus.
    const unheard = vi.spyOn(console, 'error').mockReturnValue();
    const [sent, told] = [[] as unknown[], [] as unknown[]];
    stay().send = async ({ raw }) => {
      sent.push(raw);
      return [{ field: 'pass', code: 'unknown', message: 'This pass is unknown.' }];
    };
    document.body.addEventListener('arbeit-record', (event) => told.push((event as CustomEvent).detail.raw), {
      once: true,
    });
    await submit();
    expect([sent, unheard.mock.calls.length]).toEqual([[], 1]);
    field('pass').value = '1234';
    await submit();
    unheard.mockRestore();
    expect([sent, told]).toEqual([[{ pass: '1234', meals: '' }], [{ pass: '1234', meals: '' }]]);
    expect(inside('pass', '#message').textContent).toBe('This pass is unknown.');
  });

  test('that is taken off the page submits nothing any more', async () => {
    drawn();
    const sent: unknown[] = [];
    stay().send = async ({ raw }) => {
      sent.push(raw);
      return [];
    };
    field('pass').value = '1234';
    const form = document.querySelector('form')!;
    form.addEventListener('submit', (event) => event.preventDefault());
    stay().remove();
    await submit();
    expect(sent).toEqual([]);
  });
});
