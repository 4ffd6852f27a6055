import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { run } from './arbeit.ts';

const folder = mkdtempSync(join(tmpdir(), 'arbeit-drive-'));
const file = (name: string, text: string): string => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};

/**
 * A page as somebody has it: an input that is written over on every key, the caret left to the browser; and
 * one without any code.
 */
const page = `<!doctype html><title>Somebody’s page</title>
<form onsubmit="event.preventDefault()"><input id="theirs"><p id="said"></p><textarea id="plain"></textarea></form>
<script>
const input = document.querySelector('#theirs');
input.addEventListener('input', () => {
  const digits = input.value.replace(/\\D/g, '').slice(0, 10);
  const shown = digits.length < 4 ? digits : digits.length < 7
    ? '(' + digits.slice(0, 3) + ') ' + digits.slice(3)
    : '(' + digits.slice(0, 3) + ') ' + digits.slice(3, 6) + '-' + digits.slice(6);
  if (shown !== input.value) input.value = shown;
});
input.addEventListener('blur', () => { document.querySelector('#said').textContent = input.value ? '' : 'Enter a number.'; });
</script>`;

let server: Server;
let url = '';
beforeAll(async () => {
  server = createServer((_, response) =>
    response.setHeader('content-type', 'text/html; charset=utf-8').end(page),
  );
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true, force: true });
});

const document = file(
  'phone.arbeit.json',
  JSON.stringify({
    arbeit: 2,
    title: 'Phones',
    locale: 'en-GB',
    fields: [
      { id: 'phone', kind: 'pattern', label: 'Phone', entry: { pattern: '(<3 digit>) <3 digit>-<4 digit>' } },
      { id: 'note', kind: 'text', label: 'Note', entry: { trim: false } },
    ],
    trials: [
      {
        id: 'end',
        name: 'Typed to the end',
        tape: 'field phone\ntype "5550123456"\nexpect display "(555) 012-3456|"',
      },
      {
        id: 'middle',
        name: 'Mended in the middle',
        tape: 'field phone\ntype "5550123"\ncaret 3\nbackspace\nexpect raw "550123"',
      },
      { id: 'asked', name: 'Asked', tape: 'field phone\ntype "1"\nanswer x pass\nexpect codes none' },
    ],
  }),
);

async function called(...args: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(['drive', ...args], {
    out: (line) => out.push(line),
    err: (line) => err.push(line),
  });
  return { code, out: out.join('\n'), err: err.join('\n') };
}

describe('arbeit drive', () => {
  test('holds somebody’s page against the trials of a document, and says at which line it parts', async () => {
    const { code, out, err } = await called(document, '--url', url, '--field', 'phone=#theirs');
    expect([code, err]).toEqual([1, '']);
    // Three digits alone have their bracket in the definition, and none on that page.
    expect(out).toContain('matches Typed to the end');
    expect(out).toContain('DIFFERS Mended in the middle\n  line 5: backspace: expected "(5|50) 123", found "(550) 123|"');
    expect(out).toContain('skipped Asked: No rule of the document defines the URL for “answer”.');
    expect(out).toMatch(/^1 of 2 tapes match; 1 skipped$/m);
  });

  test('holds it against what a tape expects, where there is no definition: text, caret, message, focus', async () => {
    const tape = file('one.tape', 'tape "One"\nfield phone\ntype "5550"\nexpect display "(555) 0|"\nselect all\nbackspace\nleave\nexpect message "Enter a number."\n');
    const fine = await called(tape, '--url', url, '--field', 'phone=#theirs', '--message', 'phone=#said');
    expect([fine.code, fine.out]).toEqual([0, 'matches One\n1 of 1 tape matches']);
    const wrong = file('two.tape', 'tape "Two"\nfield phone\ntype "55"\nexpect display "(55|"\nleave\nexpect message "No."\n');
    const told = await called(wrong, '--url', url, '--field', 'phone=#theirs', '--message', 'phone=#said');
    expect([told.code, told.out]).toEqual([
      1,
      'DIFFERS Two\n  line 4: expect display "(55|": expected "(55|", found "55|"\n  line 6: expect message "No.": expected "No.", found ""\n0 of 1 tape matches',
    ]);
  });

  test('a form begins with its first field, wherever that stands and in whatever order the fields are named', async () => {
    const form = file(
      'form.arbeit.json',
      JSON.stringify({
        arbeit: 2,
        title: 'Form',
        locale: 'en-GB',
        fields: [
          { id: 'phone', kind: 'pattern', label: 'Phone', entry: { pattern: '<10 digit>' } },
          { id: 'note', kind: 'text', label: 'Note', entry: {} },
        ],
        forms: [{ id: 'f', title: 'F', sections: [{ title: 'S', fields: ['note', 'phone'] }] }],
      }),
    );
    const tape = file('form.tape', 'tape "Form"\nform f\ntype "late"\nfocus phone\ntype "5"\nexpect focus phone\n');
    const named = ['--field', 'phone=#theirs', '--field', 'note=#plain'];
    const { code, out, err } = await called(form, tape, '--url', url, ...named);
    expect([code, err, out]).toEqual([0, '', 'matches Form\n1 of 1 tape matches']);
    const without = await called(form, tape, '--url', url, '--field', 'phone=#theirs');
    expect(without.out).toContain('The option --field is missing for note.');
  });

  test('what is said at a field is held against the definition at every step, where its place is named', async () => {
    const tape = file('said.tape', 'tape "Said"\nfield phone\ntype "5"\nleave\n');
    const { code, out } = await called(document, tape, '--url', url, '--field', 'phone=#theirs', '--message', 'phone=#said');
    expect([code, out]).toEqual([
      1,
      'DIFFERS Said\n  line 3: type "5": expected "(5|", found "5|"\n  line 4: leave: expected "(5", found "5"\n  line 4: leave: expected "Please complete this field.", found ""\n0 of 1 tape matches',
    ]);
  });

  test('every hand reaches a plain input, and comes there to what the engine says of it', async () => {
    const tape = file('hands.tape', 'tape "Hands"\nfield note\ntype "Two late guests"\nexpect display "Two late guests|"\ncaret 3\ntype " very"\nexpect display "Two very| late guests"\n');
    const hands = ['keys', 'composing', 'suggestion', 'dictation', 'autofill', 'program'];
    const { code, out, err } = await called(tape, document, '--url', url, '--field', 'note=#plain', ...hands.flatMap((hand) => ['--hand', hand]));
    expect([code, err, out]).toEqual([0, '', [...hands.map((hand) => `matches Hands, by ${hand}`), '6 of 6 tapes match'].join('\n')]);
  });

  test('2 for what is not to be had', async () => {
    const tape = file('three.tape', 'tape "Three"\nfield phone\ntype "1"\nexpect display "1|"\n');
    const told = async (...args: string[]) => {
      const { code, err, out } = await called(...args);
      return [code, `${err}${out}`] as const;
    };
    expect(await told(tape)).toEqual([2, 'The option --url <page> is missing. [missing-option]']);
    expect(await told(tape, '--url', url, '--field', 'phone')).toEqual([2, expect.stringContaining('expected a field and a selector')]);
    expect(await told(tape, '--url', url, '--hand', 'feet')).toEqual([2, expect.stringContaining('--hand: unknown hand "feet". Available: keys, composing')]);
    expect(await told(tape, '--url', url)).toEqual([2, expect.stringContaining('The option --field is missing for phone.')]);
    expect(await told(tape, '--url', url, '--browser', join(folder, 'none'))).toEqual([2, expect.stringContaining('cannot be started')]);
    expect(await told(tape, '--url', 'http://127.0.0.1:1/', '--field', 'phone=#x')).toEqual([2, expect.stringContaining('http://127.0.0.1:1/')]);
    expect(await told(join(folder, 'gone.tape'), '--url', url)).toEqual([2, expect.stringContaining('No such file.')]);
  });
}); // biome-ignore format: what is told, as it is told
