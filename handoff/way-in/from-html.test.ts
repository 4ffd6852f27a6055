import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { handOff } from '../build/hand-off.ts';
import { sourcesFrom } from '../build/sources.ts';
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
      'code: one-time-code', 'pin: pin', 'remarks: text', 'hut: choice', 'meals: choice', 'extras: choices', 'dog: yes-no',
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

  test('what could not be carried over is told by place', () => {
    expect(brought.lost.map(({ where, place }) => [where, place?.line])).toEqual([
      ['“any”, type text', 7],
      ['“picture”, type file', 21],
      ['“token”, type hidden', 21],
      ['“shade”, type color', 21],
      ...brought.lost.slice(4).map(({ where, place }) => [where, place?.line]),
    ]);
    expect(brought.lost.every(({ why }) => why.length > 10)).toBe(true);
    expect(brought.lost[0]!.why).toMatch(/without an end/);
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
