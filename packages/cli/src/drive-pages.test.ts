import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { run } from './arbeit.ts';

/** Pages with more than lines to type into: what is picked from, and what a page asks of its server. */
const page = `<!doctype html><title>Somebody’s booking</title>
<form id="form">
  <label>Hut <select id="hut"><option value="">Choose</option><option value="w">Windgap Hut</option><option value="t">Two Tarns Hut</option></select></label>
  <fieldset id="meals"><label><input type="radio" name="meals" value="none">No meals</label><label><input type="radio" name="meals" value="half">Half board</label></fieldset>
  <fieldset id="extras"><label><input type="checkbox" value="sauna">Sauna</label><label><input type="checkbox" value="sled">Sled</label></fieldset>
  <label>Hear by <select id="heard"><option value="">Choose</option><option>by phone</option><option>phone</option></select></label>
  <fieldset id="ways"><label><input type="checkbox" value="by phone">Called</label><label><input type="checkbox" value="phone">Phone</label><label><input type="checkbox" value="by post">Letter</label></fieldset>
  <label><input type="checkbox" id="dog"> I bring a dog</label>
  <input id="pass" maxlength="4"><p id="said"></p>
  <input id="card">
</form>
<script>
const said = document.querySelector('#said');
const pass = document.querySelector('#pass');
const post = (path, json) => fetch(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(json) });
let wasLeft = false;
const short = () => (wasLeft && pass.value && pass.value.length < 4 ? 'Please complete this field.' : '');
pass.addEventListener('input', () => { said.textContent = short(); });
pass.addEventListener('blur', async () => {
  wasLeft = true;
  said.textContent = short();
  if (pass.value.length !== 4 || pass.value === '9999') return;
  try {
    const { value } = pass;
    const { verdict } = await (await post('/passes', { value })).json();
    // An answer about what stands there no more says nothing.
    if (value !== pass.value) return;
    said.textContent = verdict === 'fail' ? 'We do not know this pass.' : '';
  } catch { said.textContent = 'Nobody answered.'; }
});
// Formats in its own time, as one that asks a thread does. Until then it loses what a suggestion brings.
const card = document.querySelector('#card');
let waits = 0;
card.addEventListener('beforeinput', (event) => { if (waits && event.data?.length > 1) event.preventDefault(); });
card.addEventListener('input', () => {
  clearTimeout(waits);
  waits = setTimeout(() => {
    waits = 0;
    const text = card.value.replaceAll(' ', '').replace(/(.)(?=.)/g, '$1 ');
    card.value = text;
  }, 400);
});
document.querySelector('#form').addEventListener('submit', async (event) => {
  event.preventDefault();
  const answer = await post('/records', { pass: pass.value });
  const { findings } = await answer.json();
  said.textContent = findings.length ? 'Given away: ' + findings[0].code : 'Sent.';
});
</script>`;

let server: Server;
let url = '';
const folder = mkdtempSync(join(tmpdir(), 'arbeit-pages-'));
beforeAll(async () => {
  // What it is asked it never answers: that is for the tape to say.
  server = createServer((request, response) => {
    if (request.method === 'GET') response.setHeader('content-type', 'text/html; charset=utf-8').end(page);
    else response.writeHead(500).end();
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true, force: true });
});
const file = (name: string, text: string): string => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};
const picks = (...all: readonly (readonly [value: string, label: string])[]) =>
  all.map(([value, label]) => ({ value, label }));
const document = file(
  'booking.arbeit.json',
  JSON.stringify({
    arbeit: 2,
    title: 'Booking',
    locale: 'en-GB',
    fields: [
      {
        id: 'hut',
        kind: 'choice',
        label: 'Hut',
        entry: { options: picks(['windgap', 'Windgap Hut'], ['tarns', 'Two Tarns Hut']) },
      },
      {
        id: 'meals',
        kind: 'choice',
        label: 'Meals',
        entry: { draw: 'radio', options: picks(['none', 'No meals'], ['half', 'Half board']) },
      },
      {
        id: 'extras',
        kind: 'choices',
        label: 'Extras',
        entry: { options: picks(['sauna', 'Sauna'], ['sled', 'Sled']) },
      },
      {
        id: 'heard',
        kind: 'choice',
        label: 'Heard',
        entry: { options: picks(['by phone', 'by phone'], ['phone', 'phone']) },
      },
      {
        id: 'ways',
        kind: 'choices',
        label: 'Ways',
        entry: { options: picks(['by phone', 'Called'], ['phone', 'Phone'], ['by post', 'Letter']) },
      },
      { id: 'dog', kind: 'yes-no', label: 'Dog', entry: { draw: 'tick' } },
      {
        id: 'pass',
        kind: 'pattern',
        label: 'Pass',
        entry: { pattern: '<4 digit>' },
        rules: [
          {
            id: 'known',
            check: { type: 'remote', ask: '/passes' },
            say: 'We do not know this pass.',
            code: 'unknown',
          },
        ],
      },
      {
        id: 'card',
        kind: 'pattern',
        label: 'Card',
        entry: { pattern: '<1 digit> <1 digit> <1 digit> <1 digit>' },
      },
    ],
    forms: [{ id: 'book', title: 'Book', fields: ['pass'] }],
  }),
);

async function drive(tape: string, ...more: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const path = file('one.tape', `tape "One"\n${tape}`);
  const named = ['hut', 'meals', 'extras', 'heard', 'ways', 'dog', 'pass', 'card'].flatMap((id) => [
    '--field',
    `${id}=#${id}`,
  ]);
  const args = ['drive', document, path, '--url', url, ...named, '--message', 'pass=#said', ...more];
  const code = await run(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}
const same = { code: 0, err: '', out: 'matches One\n1 of 1 tape matches' };

test.each([
  ['a list', 'field hut\nset "Two Tarns Hut"\nleave\nset "windgap hut"\nset ""\n'],
  ['buttons', 'field meals\nset "half"\nleave\nset "No meals"\n'],
  ['boxes', 'field extras\nset "sauna sled"\nset "Sled"\nset ""\n'],
  ['a list of values with spaces', 'field heard\nset "by phone"\nset "phone"\n'],
  [
    'boxes of values with spaces',
    'field ways\nset "by phone"\nset "by post\\nphone"\nset "Letter; Called"\n',
  ],
  ['one box', 'field dog\nset "yes"\nset "no"\n'],
])('what is picked from: %s', async (_, tape) => {
  // A list is picked from by its own words and values; the definition knows either.
  expect(await drive(tape.replace('"windgap hut"', '"Windgap Hut"'))).toEqual(same);
});

test('keys go to the list that has the focus, and what is picked otherwise is told', async () => {
  expect(await drive('field hut\nfocus\ndown\ndown\nup\n')).toEqual(same);
  const { code, out } = await drive('field extras\nset "sauna"\nbackspace\n');
  expect([code, out]).toEqual([1, expect.stringContaining('line 4: backspace: expected "", found "Sauna"')]);
});

test('the page is answered what the tape says, when it says it', async () => {
  expect(
    await drive(
      'field pass\ntype "4815"\nleave\nanswer known fail\nfocus\nbackspace\ntype "6"\nleave\nanswer known pass\n',
    ),
  ).toEqual(same);
  const { code, out } = await drive('field pass\ntype "9999"\nleave\nanswer known fail\n');
  expect([code, out]).toEqual([
    1,
    expect.stringContaining(
      'line 5: answer known fail: expected to be asked, found the page asked nothing at /passes',
    ),
  ]);
});

test('of several things asked the last is answered', async () => {
  const tape = 'field pass\ntype "4815"\nleave\nfocus\nbackspace\ntype "6"\nleave\nanswer known fail\n';
  expect(await drive(tape)).toEqual(same);
});

test('what it sends is answered too, where it is said where it sends it', async () => {
  const tape = 'form book\nfocus pass\ntype "4815"\nleave\nanswer known pass\nsubmit\nsent pass full\n';
  expect((await drive(tape)).out).toContain('skipped One: The option --record is missing for “sent”.');
  const { code, out } = await drive(tape, '--record', '/records');
  // That page has words of its own for it.
  expect([code, out]).toEqual([
    1,
    expect.stringMatching(/line 8: sent pass full: expected ".*", found "Given away: full"/),
  ]);
});

test('a suggestion is picked once the page has formatted what was typed', async () => {
  expect(await drive('field card\ntype "1234"\n', '--hand', 'suggestion')).toEqual(same);
});
