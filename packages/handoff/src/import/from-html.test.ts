import { compileField } from '@arbeit/engine/document';
import { apply, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { handOff } from '../emit/hand-off.ts';
import { sourcesFrom } from '../emit/sources.ts';
import { fromHtml } from './from-html.ts';
import { demo, seed, sound } from './seen.ts';

describe('an HTML form', () => {
  const booking = `<!doctype html><html lang="en-GB"><title>Book a hut</title>
<form action="https://elsewhere.example/send" onsubmit="steal()">
  <h2>Book a hut</h2>
  <label for="name">Your name *</label><input id="name" name="guestName" required minlength="2" maxlength="40" autocomplete="name" placeholder="As on the pass">
  <label>Telephone <input type="tel" name="phone" autocomplete="tel"></label>
  <label>Pass <input name="pass" pattern="[A-Z]{2}-\\d{4}" title="Two letters, four digits" autocapitalize="characters"></label>
  <label>Anything <input name="any" pattern="\\d+x" title="Digits and an x"></label>
  <label>E-mail <input type="email" name="mail" aria-describedby="mail-hint"></label><small id="mail-hint">For the
    confirmation.</small>
  <label>Guests <input type="number" name="guests" min="1" max="24" value="2"></label>
  <label>Deposit <input type="number" name="deposit" step="0.01" min="0"></label>
  <label>Arrival <input type="date" name="arrival" min="2027-01-01"></label>
  <label>At <input type="time" name="at"></label>
  <label>Code <input name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="6"></label>
  <label>PIN <input type="password" name="pin" inputmode="numeric" maxlength="4"></label>
  <label>Remarks <textarea name="remarks" rows="4" maxlength="300">none</textarea></label>
  <label>Hut <select name="hut" required><option value="">Choose a hut</option><option value="w">Windgap</option><option value="t" selected>Two Tarns</option></select></label>
  <fieldset><legend>Meals</legend><label><input type="radio" name="meals" value="none" checked> None</label><label><input type="radio" name="meals" value="half"> Half board</label></fieldset>
  <fieldset><legend>Extras</legend><label><input type="checkbox" name="extras" value="wood"> Firewood</label><label><input type="checkbox" name="extras" value="tea"> Tea</label></fieldset>
  <label><input type="checkbox" name="dog"> A dog comes along</label>
  <input type="file" name="picture"><input type="hidden" name="token" value="x"><input type="color" name="shade">
  <button>Send</button>
</form></html>`;
  const brought = fromHtml(booking);
  const set = sound(brought);
  const of = (id: string) => set.fields.find((field) => field.id === id);

  test('kinds, labels, hints, attributes and choices', () => {
    expect(set.fields.map(({ id, kind }) => `${id}: ${kind}`)).toEqual([
      'guest-name: text', 'phone: phone', 'pass: pattern', 'any: text', 'mail: text', 'guests: number', 'deposit: number', 'arrival: date', 'at: time',
      'code: one-time-code', 'pin: pin', 'remarks: text', 'hut: choice', 'meals: choice', 'extras: choices', 'dog: yes-no', 'shade: pattern',
    ]); // biome-ignore format: a list
    expect(of('guest-name')).toMatchObject({
      label: 'Your name',
      placeholder: 'As on the pass',
      entry: { max: 40 },
      html: { autocomplete: 'name' },
    });
    expect(of('guest-name')!.rules!.map(({ check }) => check)).toEqual([
      { type: 'required' },
      { type: 'length', min: 2 },
    ]);
    expect(of('phone')).toMatchObject({ label: 'Telephone', entry: { home: 'GB' } });
    expect(of('pass')).toMatchObject({
      entry: { pattern: '<2 latin upper>-<4 digit>' },
      hint: 'Two letters, four digits',
      html: { autocapitalize: 'characters' },
    });
    expect(of('any')!.rules).toEqual([
      { id: 'form', check: { type: 'matches', pattern: '\\d+x' }, say: 'Digits and an x' },
    ]);
    expect(of('mail')).toMatchObject({ hint: 'For the confirmation.', html: { inputmode: 'email' } });
    expect(of('guests')).toMatchObject({
      initial: '2',
      rules: [{ check: { type: 'range', min: 1, max: 24 } }],
    });
    expect(of('deposit')).toMatchObject({ entry: { decimals: { max: 2 } } });
    expect(of('remarks')).toMatchObject({ entry: { max: 300, lines: 4 }, initial: 'none' });
    expect(of('hut')).toMatchObject({
      placeholder: 'Choose a hut',
      initial: 't',
      entry: {
        options: [
          { value: 'w', label: 'Windgap' },
          { value: 't', label: 'Two Tarns' },
        ],
      },
    });
    expect(of('meals')).toMatchObject({ label: 'Meals', initial: 'none', entry: { draw: 'radio' } });
    expect(of('extras')).toMatchObject({ label: 'Extras' });
    expect(of('dog')).toMatchObject({ label: 'A dog comes along', entry: { draw: 'tick' } });
    expect(set).toMatchObject({ title: 'Book a hut', locale: 'en-GB', forms: [{ title: 'Book a hut' }] });
  });

  test('names stay as they were, each for one field of its form', () => {
    const names = (source: string) => {
      const { set, lost } = fromHtml(source);
      return [set.fields.map(({ id, name = id }) => `${id}: ${name}`), lost.map(({ code }) => code)];
    };
    expect(
      names(
        '<form><label>A <input name="full_name"></label><label>B <input name="contact[]"></label><label>C <input name="contact[]"></label><label>D <input name="isindex"></label></form>',
      ),
    ).toEqual([
      ['full-name: full_name', 'contact: contact[]', 'contact-2: contact-2', 'isindex: isindex'],
      ['name-taken'],
    ]);
  });

  test('what could not be carried over is told by place', () => {
    expect(brought.lost).toEqual([
      ['“any”, type text', 7, 'expression-as-rule'],
      ['“picture”, type file', 21, 'file-input'],
      ['“token”, type hidden', 21, 'hidden-input'],
      ['“shade”, type color', 21, 'typed-color'],
      ['<form>, onsubmit', 2, 'script'],
    ].map(([where, line, code]) => ({ where, code, why: expect.any(String), place: { line, column: expect.any(Number) } }))); // biome-ignore format: a loss a line
  });

  /** The fields of some controls in a form, and what was told, each on a line. */
  const from = (controls: string) => {
    const { set: made, lost } = fromHtml(`<form>${controls}</form>`);
    sound({ set: made, lost });
    return { fields: made.fields, forms: made.forms, told: lost.map(({ where, why }) => `${where}: ${why}`) };
  };

  test.each([
    ['two choices of one name', '<input type=radio name=a value=1 id=x><label for=x>One</label><input type=radio name=a value=2 required> Two',
      { kind: 'choice', rules: [{ check: { type: 'required' } }], entry: { options: [{ value: '1', label: 'One' }, { value: '2', label: 'Two' }] } }],
    ['a value with blanks', '<select name=a multiple required><option>North side<option value=s selected>South</select>',
      { kind: 'choices', initial: 's', rules: [{ check: { type: 'required' } }], entry: { options: [{ value: 'North side', label: 'North side' }, { value: 's', label: 'South' }] } }],
    ['an initial value with blanks', '<select name=a><option selected>North side<option>South</select>', { initial: 'North side' }],
    ['two boxes with blanks', '<input type=checkbox name=a value="by phone" checked> Phone<input type=checkbox name=a value="by mail" checked> Mail', { kind: 'choices', initial: 'by phone\nby mail' }],
    ['a value of two lines', '<select name=a><option value="a&#10;b">A<option value=c>C</select>', { entry: { options: [{ value: 'a-b', label: 'A' }, { value: 'c', label: 'C' }] } }],
    ['a value called as what every object has', '<select name=a><option selected>constructor<option>b</select>', { initial: 'constructor' }],
    ['a value twice', '<select name=a><option value=1>A<option value=1>B<option value=2>B</select>', { entry: { options: [{ value: '1', label: 'A' }, { value: '2', label: 'B' }] } }],
    ['a label that names it by id', '<b id=f>First</b> <b id=n>name</b><input name=a aria-labelledby="f n" aria-label=Other>', { label: 'First name' }],
    ['a label nobody closed', '<label>One <input name=a><label>Two <input name=b></label>', { label: 'One' }],
    ['a box of no name', '<label><input type=checkbox> A dog comes along</label>', { kind: 'yes-no', label: 'A dog comes along' }],
    ['a month', '<input type=month name=a>', { kind: 'date', entry: { parts: 'month' } }],
    ['a month with limits', '<input type=month name=a min=2027-01 value=2027-02>', { kind: 'date', initial: '2027-02', rules: [{ check: { type: 'range', min: '2027-01' } }] }],
    ['a password', '<input type=password name=a minlength=12 autocomplete=new-password>', { kind: 'text', entry: { conceal: true, trim: false }, rules: [{ check: { type: 'length', min: 12 } }], html: { autocomplete: 'new-password' } }],
    ['a week', '<input type=week name=a>', { kind: 'pattern', entry: { pattern: '<4 digit>-W<01..53>' } }],
    ['a day with its time', '<input type=datetime-local name=a min=2027-02-14T16:30:00 value="2027-02-14 18:30">', { kind: 'date-time', initial: '2027-02-14T18:30', rules: [{ check: { type: 'range', min: '2027-02-14T16:30' } }] }],
    ['a time with seconds', '<input type=time name=a step=1>', { kind: 'time', entry: { clock: 24, seconds: true } }],
    ['what is slid along', '<input type=range name=a step=2>', { kind: 'number', rules: [{ check: { type: 'range', min: 0, max: 100, step: 2 } }] }],
    ['steps of a half', '<input type=number name=a min=-1 step=.5>', { entry: { negative: 'minus' } }],
    ['as many digits as fit', '<input name=a pattern="[0-9]*" maxlength=6 inputmode=numeric>', { kind: 'pattern', entry: { pattern: '<1-6 digit>' } }],
    ['an expression and a length that says more', '<input name=a pattern="[A-Z]+" minlength=3 maxlength=3>', { kind: 'pattern', entry: { pattern: '<3 latin upper>' } }],
    ['a length that says more than an expression', '<input name=a pattern="\\d{2,8}" maxlength=6>', { kind: 'pattern', entry: { pattern: '<2-6 digit>' } }],
    ['a code by its expression', '<input name=a pattern="\\d{8}" autocomplete="section-x one-time-code">', { kind: 'one-time-code', entry: { length: 8 } }],
    ['a PIN by its expression', '<input type=password name=a pattern="[0-9]{4}">', { kind: 'pin', entry: { length: 4 } }],
    ['a card number', '<input type=tel name=a inputmode=numeric autocomplete="billing cc-number" value=1234567890123452>', { kind: 'pattern', initial: '1234567890123452', rules: [{ check: { type: 'checksum', scheme: 'luhn' } }], html: { autocomplete: 'billing cc-number' } }],
    ['a card number with an expression', '<input name=a pattern="\\d{16}" autocomplete=cc-number>', { kind: 'pattern', entry: { pattern: '<16 digit>' } }],
    ['a length beyond all', '<input name=a maxlength=524288>', { kind: 'text', entry: {} }],
  ])('%s', (_, controls, field) => {
    expect(from(controls).fields[0]).toMatchObject(field);
  }); // biome-ignore format: a control a line

  test.each([
    ['1234567890123456', '1234 5678 9012 3456'],
    ['341234567890123', '3412 345678 90123'],
    ['1234567890123456789', '1234 5678 9012 3456 789'],
  ])('a card number is shown in its groups: %s', (digits, shown) => {
    const { fields } = from('<input name=a autocomplete=cc-number>');
    const field = compileField(fields[0]!, { locale: 'en-GB' }, kinds);
    expect(apply(field, start(field), { type: 'set', text: digits }).body.display).toBe(shown);
  });

  test.each([
    ['<input name=a pattern="(">', ['“a”, type text: The expression was skipped: This group is not closed. Expected ")".']],
    ['<input name=a pattern="\\d{4} ?\\d{4}">', ['“a”, type text: The expression was imported as a rule. Its “ ” is optional. The fixed text of a pattern is always shown.']],
    ['<input type=number name=a min=1 step=2>', ['“a”, type number: Steps of 2 from 1 were not imported.']],
    ['<input type=datetime-local name=a step=1 min=2027-02-14T16:30:15 max=2027-02-15T16:30:00>', ['“a”, type datetime-local: The step attribute was not imported.', '“a”, type datetime-local: Seconds were not imported.']],
    ['<input type=email name=a multiple>', ['“a”, type email: Several addresses in one field were not imported. The field accepts one.']],
    ['<input type=tel name=a minlength=7>', ['“a”, type tel: The minimum length of a telephone number was not imported. Its plan decides.']],
    ['<input type=week name=a min=2027-W01>', ['“a”, type week: Weeks have no field kind. Imported with the format 2027-W06.', '“a”, type week: The minimum and maximum were not imported.']],
    ['<input type=password name=a pattern="[a-z]{9}">', ['“a”, type password: The expression was imported as a rule. A pattern field cannot hide what is typed.']],
    ['<select name=a><optgroup label=N><option>x<option disabled>y<option>z</optgroup></select>', ['“a”, <select>: Groups of options were not imported; the options are in one list.', '“a”, <select>: Disabled options were skipped.']],
    ['<select name=a required><option value=1>One</select>', ['the field “A”: Imported as a text field. Expected at least 2 items.']],
    ['<input name=a></form><input name=b><form>', ['the page: The page has 2 forms. Their fields were imported together.']],
    ['<input name=a></form><input name=b>', ['the page: 1 control outside the form was skipped.']],
    ['<input name=a></form><input name=b form=f>', ['the page: 1 control outside the form was skipped.']],
  ])('%s is told of once', (controls, told) => {
    expect(from(controls).told).toEqual(told);
  }); // biome-ignore format: a control a line

  test('what comes in as a text is needed as it was', () => {
    expect(from('<select name=a required title="Pick"><option value=1>One</select>').fields[0]).toEqual({
      id: 'a',
      kind: 'text',
      label: 'A',
      hint: 'Pick',
      entry: {},
      rules: [{ id: 'required', check: { type: 'required' } }],
    });
  });

  test('fieldsets are sections, save one around the buttons of a single field; a control names its form', () => {
    const { forms } = from(
      '<input name=a><fieldset><legend>Where</legend><input name=b><fieldset><legend>Side</legend><input type=radio name=c value=1><input type=radio name=c value=2></fieldset></fieldset><fieldset><legend>Meals</legend><input type=radio name=d value=1><input type=radio name=d value=2></fieldset>',
    );
    expect(forms).toEqual([
      {
        id: 'form',
        title: 'Form',
        sections: [{ fields: ['a'] }, { title: 'Where', fields: ['b', 'c'] }, { fields: ['d'] }],
      },
    ]);
    expect(
      fromHtml(
        '<form id=f><fieldset><legend>Stay</legend><input name=a></fieldset></form><input name=b form=f>',
      ).set.forms,
    ).toEqual([
      { id: 'form', title: 'Form', sections: [{ title: 'Stay', fields: ['a'] }, { fields: ['b'] }] },
    ]);
    expect(from('<fieldset><legend>Stay</legend><input name=a><input name=b></fieldset>').forms).toEqual([
      { id: 'stay', title: 'Stay', fields: ['a', 'b'] },
    ]);
  });

  test('nothing in it runs, and rubbish makes a set all the same', () => {
    for (const text of [
      '',
      '<',
      '<form>',
      '<input>'.repeat(300),
      '<script>throw 1</script><img src=x onerror=alert(1)><input name="a" onfocus="alert(1)" value="<b>">',
      '\0<input name="\u202e">',
      `<input name="${'x'.repeat(5000)}" pattern="(">`,
      '<svg><input></svg><template><input name="t"></template><math><select>',
    ])
      sound(fromHtml(text));
    const { set: made, lost } = fromHtml(
      '<form><input name="a" onfocus="alert(1)" style="x" formaction="y"></form>',
    );
    expect(JSON.stringify(made)).not.toMatch(/alert|formaction|style/);
    expect(lost).toEqual([expect.objectContaining({ where: '<input>, onfocus' })]);
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            '<',
            '>',
            '"',
            "'",
            'input',
            ' name=a',
            ' pattern="',
            '[',
            '\\d{2}',
            ' type=',
            'radio',
            'date',
            ' min=9',
            ' value=',
            'x',
            '<option>',
            '<select name=s>',
            '</select>',
            ' ',
          ),
        ),
        (pieces) => void sound(fromHtml(pieces.join(''))),
      ),
      { numRuns: 200, seed },
    );
  });

  test('our own page comes in again with every field', async () => {
    const files = await handOff({ set: demo, uses: ['html'], sources: sourcesFrom(process.cwd()) });
    const { set: again } = fromHtml(files.get('html/booking.html')!);
    expect(again.fields.map(({ id }) => id)).toEqual(
      demo.forms!.find(({ id }) => id === 'booking')!.fields ?? again.fields.map(({ id }) => id),
    );
    expect(again.fields.find(({ id }) => id === 'hut')).toMatchObject({
      kind: 'choice',
      label: 'Hut',
      placeholder: 'Choose a hut',
    });
  });
});
