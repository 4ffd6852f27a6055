import { readFileSync } from 'node:fs';
import { type APIRequestContext, expect, type Locator, type Page } from '@playwright/test';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';
import { documentOf, newSet, saved } from './sets.ts';

/**
 * Jobs as somebody does them who begins with an empty set: by mouse, and with the keyboard alone. A step is a
 * control used or a text typed.
 */
class Hand {
  steps = 0;
  readonly page: Page;
  readonly uses: 'mouse' | 'keys';
  constructor(page: Page, uses: 'mouse' | 'keys') {
    this.page = page;
    this.uses = uses;
  }
  /** Uses a button, a link, a radio button or an item of a menu. */
  async use(control: Locator): Promise<void> {
    this.steps++;
    if (this.uses === 'mouse') return control.click();
    await control.focus();
    const isRadio = (await control.getAttribute('type')) === 'radio';
    await this.page.keyboard.press(isRadio ? 'Space' : 'Enter');
  }
  /** Replaces the text of a control; without one, of the control that has the focus. */
  async type(text: string, control?: Locator): Promise<void> {
    this.steps++;
    if (control && this.uses === 'mouse') await control.click();
    else await control?.focus();
    await this.page.keyboard.press('ControlOrMeta+a');
    await this.page.keyboard.insertText(text);
  }
  async tick(box: Locator): Promise<void> {
    this.steps++;
    if (this.uses === 'mouse') return box.check();
    await box.focus();
    await this.page.keyboard.press('Space');
  }
  async choose(control: Locator, value: string | { label: string }): Promise<void> {
    this.steps++;
    await control.selectOption(value);
  }
}

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

/** An empty set, with the dialog that adds a field. */
async function emptySet(hand: Hand, request: APIRequestContext) {
  const { page } = hand;
  const id = await newSet(request, {});
  await page.goto(`/?set=${(await (await request.get(`/api/sets/${id}`)).json()).key}`);
  await hand.use(page.locator(`[data-set="${id}"]`).getByRole('button', { name: words.shared.newField }));
  return id;
}

/** A new field, on its desk, with a label if the job has one; without one it is labelled by its kind. */
async function newField(hand: Hand, request: APIRequestContext, label: string, kind: RegExp | string[]) {
  const { page } = hand;
  const id = await emptySet(hand, request);
  if (label !== '') await hand.type(label, page.getByLabel(words.set.labelOptional));
  if (Array.isArray(kind)) {
    await hand.type(kind.join('\n'), page.getByLabel(words.set.exampleValuesOnePerLine));
    await hand.use(button(page, words.set.createFieldWithThisPattern));
  } else
    await hand.use(
      page.getByRole('region', { name: words.set.startFromAFieldKind }).getByRole('button', { name: kind }),
    );
  await page.waitForURL('**/fields/**');
  // Work goes on at its label.
  await expect(page.locator('.field-band').getByLabel(words.desk.label, { exact: true })).toBeFocused();
  return id;
}
const fieldsOf = async (request: APIRequestContext, id: string) => (await documentOf(request, id)).fields;

async function addRule(hand: Hand, rule: string | RegExp) {
  await hand.use(button(hand.page, words.shared.addRule));
  await hand.use(hand.page.getByRole('menuitem', { name: rule }));
}

/** Imports a pasted text into a new set. */
async function bringIn(hand: Hand, text: string) {
  const { page } = hand;
  await page.goto('/');
  await hand.use(button(page, words.shared.importLabel).first());
  await hand.type(text, page.getByLabel(words.shelf.orPasteItsContents));
  await hand.use(page.getByRole('dialog').getByRole('button', { name: /^Import/ }));
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

/** A label that no other field has, and the fields of the set that has it. */
const ownLabel = () => `Hut ${Math.floor(Math.random() * 1e9)}`;
async function fieldsWith(request: APIRequestContext, label: string) {
  const all: { key: string; fields: { label: string }[] }[] = await (await request.get('/api/index')).json();
  return fieldsOf(request, all.find(({ fields }) => fields.some((field) => field.label === label))!.key);
}

/** Each job, the steps it may take, and how it is done. */
const jobs: Record<string, [number, (hand: Hand, request: APIRequestContext) => Promise<void>]> = {
  'US phone with extension': [
    6,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, '', /telephone|phone/);
      await hand.use(button(page, /^Edit home region/));
      await hand.choose(page.getByLabel(/^Home region/), { label: 'United States' });
      await hand.use(button(page, /^Edit extension/));
      await hand.use(page.getByRole('radio', { name: 'may be added' }));
      await saved(page);
      const live = page
        .getByRole('region', { name: words.desk.liveField })
        .getByRole('textbox', { name: 'Telephone', exact: true });
      await live.focus();
      await page.keyboard.type('2025550123x12');
      await expect(live).toHaveValue('(202) 555-0123 ext. 12');
      expect((await fieldsOf(request, id))[0].entry).toMatchObject({ home: 'US', extension: true });
    },
  ],
  'telephone, three countries, mobile only, E.164': [
    9,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, '', /telephone|phone/);
      await hand.use(button(page, /^Edit home region/));
      await hand.use(page.getByRole('radio', { name: words.desk.selectedRegions }));
      for (const name of [/^Germany/, /^Switzerland/]) await hand.tick(page.getByRole('checkbox', { name }));
      await hand.use(button(page, /^Edit digits/));
      await hand.use(page.getByRole('radio', { name: /mobile/ }));
      await saved(page);
      expect((await fieldsOf(request, id))[0].entry).toMatchObject({
        regions: ['GB', 'DE', 'CH'],
        types: ['mobile'],
      });
      const live = page.getByRole('region', { name: words.desk.liveField });
      await live.getByRole('textbox', { name: 'Telephone', exact: true }).focus();
      await page.keyboard.type('07700900123');
      await expect(page.locator('.definition-band')).toContainText('+447700900123');
    },
  ],
  'own check with message data': [
    6,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, '', /^date\b(?! with)/);
      await addRule(hand, 'Custom check (JavaScript)');
      const code = page.getByRole('textbox', { name: words.customCode.codeOfTheCheck });
      await hand.type(
        "export default ({ value }) => value === '2027-02-14' && { code: 'full', data: { day: value } };",
        code,
      );
      await hand.type(
        'The hut is full on {day}.',
        page
          .getByRole('region', { name: words.shared.rules })
          .getByLabel(words.field.message, { exact: true }),
      );
      await saved(page);
      const live = page.getByRole('region', { name: words.desk.liveField });
      await live.getByLabel('Date', { exact: true }).fill('14022027');
      await page.keyboard.press('Tab');
      await expect(live).toContainText('The hut is full on 2027-02-14.');
      expect((await fieldsOf(request, id))[0].rules).toMatchObject([{ say: 'The hut is full on {day}.' }]);
    },
  ],
  'a form with sections, columns, a summary of what is wrong, and its record': [
    10,
    async (hand, request) => {
      const { page } = hand;
      const fields = ['Guest', 'Hut', 'Room', 'Bed'].map((label) => ({
        id: label.toLowerCase(),
        kind: 'text',
        label,
        entry: {},
        rules: [{ id: 'needed', check: { type: 'required' } }],
      }));
      const id = await newSet(request, { fields });
      const { title: name } = await documentOf(request, id);
      await page.goto(`/?set=${(await (await request.get(`/api/sets/${id}`)).json()).key}`);
      await hand.use(button(page, words.shared.actionsFor(name)));
      await hand.use(page.getByRole('menuitem', { name: words.shared.newForm }));
      await page.waitForURL('**/forms/**');
      await expect(page.getByLabel(words.form.titleOfTheForm)).toBeFocused();
      const form = page.getByRole('region', { name: words.form.liveForm });
      await form.getByLabel('Hut').focus();
      const tools = page.locator('[data-sort="hut"]');
      await hand.use(tools.getByRole('button', { name: words.form.addAFieldHere }));
      await hand.use(page.getByRole('menuitem', { name: words.form.startASection }));
      const title = form.getByRole('textbox', { name: words.form.titleOfSection(2) });
      await expect(title).toBeFocused();
      await hand.type('Where to sleep');
      await hand.use(
        page.locator('[data-sort="section 1"]').getByRole('button', { name: words.form.moreForThisSection }),
      );
      await hand.use(page.getByRole('menuitem', { name: words.form.inTwoColumns }));
      await hand.use(form.getByRole('button', { name: words.form.submit }));
      await expect(form.getByRole('button', { name: 'Guest' })).toBeVisible();
      await hand.use(button(page, words.form.fillWithSamples));
      await hand.use(form.getByRole('button', { name: words.form.submit }));
      await expect(page.getByRole('row', { name: /^Bed bed/ })).toBeVisible();
      await saved(page);
      expect((await documentOf(request, id)).forms[0].sections).toEqual([
        { title: words.model.firstSection, fields: ['guest', 'hut'] },
        { title: 'Where to sleep', columns: 2, fields: ['room', 'bed'] },
      ]);
    },
  ],
  'money in EUR, 10 to 5,000, two languages': [
    12,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, 'Price', /^money/);
      await addRule(hand, words.desk.minimum);
      await expect(page.locator('.rule-panel input').first()).toBeFocused();
      await hand.type('10');
      await addRule(hand, words.desk.maximum);
      await expect(page.getByRole('textbox', { name: words.desk.maximum })).toBeFocused();
      await hand.type('5000');
      await hand.use(page.getByRole('link', { name: words.shared.translations }));
      await page.waitForURL('**/texts');
      await hand.choose(page.getByLabel(words.later.addLanguage), 'de-DE');
      await hand.type('Preis', page.getByLabel('Price, label, de-DE'));
      await saved(page);
      expect(await fieldsOf(request, id)).toMatchObject([
        { id: 'price', rules: [{ check: { min: '10.00' } }, { check: { max: '5000.00' } }] },
      ]);
    },
  ],
  'date of birth, 16 years, resting text': [
    8,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, 'Date of birth', /^date\b(?! with)/);
      await addRule(hand, 'Minimum age');
      await hand.type('16', page.getByLabel(words.desk.howMany('Maximum', words.desk.years)));
      await hand.use(button(page, /^Edit on blur/));
      await hand.use(page.getByRole('radio', { name: /^long/ }));
      await saved(page);
      expect(await fieldsOf(request, id)).toMatchObject([
        { id: 'date-of-birth', entry: { resting: 'long' }, rules: [{ check: { max: 'today-16y' } }] },
      ]);
    },
  ],
  'PIN of 6, concealed, none too easy': [
    8,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, 'PIN', /^PIN/);
      await hand.use(button(page, /^Edit 0-9/).first());
      await hand.type('6', page.getByLabel('Boxes'));
      await addRule(hand, 'Not easy to guess');
      await saved(page);
      expect(await fieldsOf(request, id)).toMatchObject([
        { id: 'pin', entry: { length: 6 }, rules: [{ check: { type: 'not-trivial' } }] },
      ]);
    },
  ],
  'code 3-3 that submits itself, telephone': [
    9,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, 'Code', /^one-time code/);
      await hand.use(button(page, /^Edit groups/));
      await hand.use(page.getByRole('radio', { name: /^3 and 3/ }));
      await saved(page);
      await hand.use(page.getByRole('link', { name: /^Own / }));
      await hand.use(page.locator(`[data-set="${id}"]`).getByRole('button', { name: /^Actions for Own/ }));
      await hand.use(page.getByRole('menuitem', { name: words.shared.newForm }));
      await page.waitForURL('**/forms/**');
      await hand.choose(page.getByLabel(words.form.autoSubmit), 'code');
      await saved(page);
      await page.getByRole('button', { name: words.form.sendMeACode }).press('Enter');
      await page.getByRole('button', { name: words.form.insertCode }).press('Enter');
      await expect(page.locator('[data-sending]')).toHaveAttribute('data-sending', 'sent');
      expect((await fieldsOf(request, id))[0].entry).toMatchObject({ groups: [3, 3] });
    },
  ],
  IBAN: [
    6,
    async (hand, request) => {
      const id = await newField(hand, request, 'IBAN', ['GB29 NWBK 6016 1331 9268 19']);
      await addRule(hand, /IBAN/);
      await saved(hand.page);
      expect(await fieldsOf(request, id)).toMatchObject([
        { id: 'iban', rules: [{ check: { type: 'checksum', scheme: 'mod97' } }] },
      ]);
    },
  ],
  'number plate with an optional stretch': [
    8,
    async (hand, request) => {
      const id = await newField(hand, request, 'Plate', ['RH 1234', 'RH 1234 E', 'RK 5520']);
      await saved(hand.page);
      expect((await fieldsOf(request, id))[0].entry.pattern).toContain('<?');
    },
  ],
  'e-mail, server check, refused list cleared': [
    9,
    async (hand, request) => {
      const { page } = hand;
      const id = await emptySet(hand, request);
      const demo = page.getByRole('region', { name: words.set.copyADemoField });
      await hand.use(demo.getByRole('button', { name: /^E-mail/ }));
      await page.waitForURL('**/fields/**');
      await addRule(hand, 'Server check');
      await hand.type('/api/services/passes', page.getByLabel('Path on this server'));
      await addRule(hand, 'Forbidden values');
      await expect(page.locator('.rule-panel textarea')).toBeFocused();
      await hand.type('lost@huts.example');
      await hand.choose(page.getByLabel(words.desk.ifTheValueFails), words.desk.clearTheField);
      await saved(page);
      expect((await fieldsOf(request, id))[0].rules).toMatchObject([
        { check: { type: 'matches' } },
        { check: { type: 'remote', ask: '/api/services/passes' } },
        { check: { type: 'not-in', values: ['lost@huts.example'] }, refused: 'clear' },
      ]);
    },
  ],
  'text area with counter': [
    6,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, '', /^text/);
      await hand.use(button(page, /^Edit lines/));
      await hand.type('4', page.getByLabel('Lines', { exact: true }));
      await hand.use(button(page, /^Edit maximum/));
      await hand.type('200', page.getByLabel('Maximum length', { exact: true }));
      await saved(page);
      expect((await fieldsOf(request, id))[0].entry).toMatchObject({ lines: 4, max: 200 });
      // The counter is beside the live field, near the limit.
      const live = page.getByRole('region', { name: words.desk.liveField });
      await live.getByLabel(/^Text$/).focus();
      await page.keyboard.insertText('x'.repeat(190));
      await expect(live).toContainText('Characters left: 10');
    },
  ],
  'hours and minutes, a second field on the value': [
    7,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, 'Walk', /^duration/);
      await hand.use(button(page, words.desk.addFieldWithThisValue));
      await page.waitForURL('**/fields/walk-in-minutes');
      const shared = page.getByRole('region', { name: words.desk.fieldsWithThisValue });
      await hand.type('1 h 30', shared.getByLabel('Walk', { exact: true }));
      await expect(page.locator('.field-band').getByLabel('Walk, in minutes').first()).toHaveValue('90 min');
      await hand.type('45', page.locator('.field-band').getByLabel('Walk, in minutes').first());
      await expect(shared.getByLabel('Walk', { exact: true })).toHaveValue('45 min');
      expect(await fieldsOf(request, id)).toMatchObject([
        { id: 'walk', kind: 'duration' },
        { id: 'walk-in-minutes', entry: { units: ['min'] }, sameValueAs: 'walk' },
      ]);
    },
  ],
  'label inside, prefix, icon': [
    6,
    async (hand, request) => {
      const { page } = hand;
      const id = await newField(hand, request, '', /^text/);
      await hand.use(button(page, words.ui.closeChange(false, 'the appearance')));
      await hand.use(page.getByRole('radio', { name: words.desk.floating }));
      await hand.type('No.', page.getByLabel(words.desk.prefix));
      await hand.type(
        '<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>',
        page.getByLabel(words.desk.iconSvg),
      );
      await saved(page);
      expect((await fieldsOf(request, id))[0].look).toMatchObject({ label: 'inside', before: 'No.' });
    },
  ],
  'HTML in': [
    3,
    async (hand, request) => {
      const label = ownLabel();
      await bringIn(hand, `<form><label>${label} <input name="hut" maxlength="20" required></label></form>`);
      expect(await fieldsWith(request, label)).toMatchObject([{ id: 'hut', kind: 'text' }]);
    },
  ],
  'a JSON Schema in': [
    3,
    async (hand, request) => {
      const title = ownLabel();
      await bringIn(hand, JSON.stringify({ properties: { hut: { type: 'string', title, maxLength: 20 } } }));
      expect(await fieldsWith(request, title)).toMatchObject([{ id: 'hut', kind: 'text' }]);
    },
  ],
  'a table in': [
    3,
    async (hand, request) => {
      const label = ownLabel();
      await bringIn(hand, `${label},beds\nWindgap,12\nTwo Tarns,8\n`);
      expect(await fieldsWith(request, label)).toMatchObject([
        { kind: 'text' },
        { id: 'beds', kind: 'number' },
      ]);
    },
  ],
  'a trial from a tape, changed, run, mutated': [
    8,
    async (hand, request) => {
      const { page } = hand;
      const pin = { id: 'pin', kind: 'pin', label: 'Box', entry: { length: 4 } };
      const id = await newSet(request, { fields: [pin] });
      await page.goto(`/sets/${id}/fields/pin`);
      await hand.use(button(page, words.desk.typeASample));
      await hand.use(button(page, words.desk.saveAsTrial));
      await hand.use(page.getByRole('link', { name: words.desk.giveItAName }));
      await page.waitForURL('**/trials#**');
      const editor = page.getByRole('textbox', { name: /Tape/ }).first();
      await editor.focus();
      await page.keyboard.press('ControlOrMeta+End');
      hand.steps++;
      await page.keyboard.type('expect raw "9999"');
      await page.keyboard.press('Escape');
      await expect(
        page.getByRole('region', { name: words.trials.trials }).getByRole('status').first(),
      ).toContainText('0 of 1 passed');
      await hand.use(button(page, words.later.runMutationTests));
      await expect(page.getByRole('region', { name: words.later.mutationTests })).toContainText('Box');
    },
  ],
  'three languages, CSV out and in': [
    6,
    async (hand, request) => {
      const { page } = hand;
      const pin = { id: 'pin', kind: 'pin', label: 'Box', entry: { length: 4 } };
      const id = await newSet(request, { fields: [pin] });
      await page.goto(`/sets/${id}/fields/pin`);
      await hand.use(page.getByRole('link', { name: words.shared.translations }));
      await page.waitForURL('**/texts');
      await hand.choose(page.getByLabel(words.later.addLanguage), 'de-DE');
      await hand.choose(page.getByLabel(words.later.addLanguage), 'fr-FR');
      const coming = page.waitForEvent('download');
      await hand.use(button(page, words.later.downloadCsv));
      const csv = readFileSync(await (await coming).path(), 'utf8');
      hand.steps++;
      await page.getByLabel(words.texts.importFile).setInputFiles({
        name: 'texts.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(csv.replace('fields/pin/label,Box,,', 'fields/pin/label,Box,Fach,Case')),
      });
      await expect
        .poll(async () => (await documentOf(request, id)).texts)
        .toMatchObject({ 'de-DE': { 'fields/pin/label': 'Fach' }, 'fr-FR': { 'fields/pin/label': 'Case' } });
    },
  ],
  'a zip for React': [
    3,
    async (hand, request) => {
      const { page } = hand;
      const pin = { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } };
      const id = await newSet(request, { fields: [pin] });
      await page.goto(`/sets/${id}/fields/pin`);
      await hand.use(page.getByRole('link', { name: words.shared.handOff }));
      await hand.use(page.getByRole('radio', { name: words.handoff.react, exact: true }));
      const coming = page.waitForEvent('download');
      await hand.use(button(page, words.later.downloadZip));
      const file = await coming;
      expect(file.suggestedFilename()).toMatch(/\.zip$/);
      expect(
        readFileSync(await file.path())
          .subarray(0, 2)
          .toString(),
      ).toBe('PK');
    },
  ],
  'compare with a named revision, restore': [
    4,
    async (hand, request) => {
      const { page } = hand;
      const pin = { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } };
      const id = await newSet(request, { fields: [pin] });
      await page.goto(`/sets/${id}/fields/pin`);
      await page.getByLabel(words.shared.hint, { exact: true }).fill('Four digits.');
      await saved(page);
      await hand.use(page.getByRole('link', { name: words.shared.revisions }));
      await hand.type('first', page.getByRole('textbox', { name: /revision 1$/i }));
      await hand.use(button(page, /Compare with current: first/));
      await expect(page.getByRole('list', { name: words.set.whatWasFound })).toContainText(
        words.set.definitionDiffers,
      );
      await hand.use(button(page, /^Restore first/));
      await expect.poll(async () => (await fieldsOf(request, id))[0].hint).toBeUndefined();
    },
  ],
};

/** Jobs that `npm test` does, by keys: one for each page. `npm run hard` does all, both ways. */
const short =
  /^(?:own check|a form with|PIN of 6|text area|a table in|a trial from|three languages|compare with)/;

for (const [name, [most, job]] of Object.entries(jobs))
  for (const uses of ['mouse', 'keys'] as const)
    test(`${name}: by ${uses}, from an empty set, in at most ${most} steps`, {
      tag: uses === 'keys' && short.test(name) ? [] : '@long',
    }, async ({ page, request }) => {
      const hand = new Hand(page, uses);
      await job(hand, request);
      test.info().annotations.push({ type: 'steps', description: String(hand.steps) });
      expect(hand.steps).toBeLessThanOrEqual(most);
    });
