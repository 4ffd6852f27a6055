import type { CodeInput } from '@arbeit/engine/rules';
import { beforeAll, describe, expect, test } from 'vitest';
import { quickjs } from './in-node.ts';
import { asModule, createCaller, createSandbox, type Sandbox } from './sandbox.ts';

const input: CodeInput = {
  value: '2027-02-14',
  raw: '14022027',
  values: { hut: 'windgap', dog: null },
  today: '2027-02-10',
};
let run: Sandbox['check'];
let spoilt = 0;
beforeAll(async () => {
  run = createSandbox(await quickjs(), () => {
    spoilt++;
  }).check;
  run('export default () => {}', input);
});
const outcome = (code: string, given = input) => run(code, given);
const brokenBy = (code: string) => {
  const found = outcome(code);
  return found && 'broken' in found ? found : undefined;
};

describe('own code', () => {
  test('is called with what it is given, and answers', () => {
    expect(
      outcome(
        'export default (given) => ({ facts: given.values, code: "x", data: { ...given, values: 1 } })',
      ),
    ).toEqual({
      answer: { facts: input.values, code: 'x', data: { ...input, values: 1 } },
    });
    expect(outcome('export default () => {}')).toEqual({ answer: undefined });
    expect(
      outcome(
        'const least = 2;\nexport default function check({ raw }) { return raw.length > least ? null : { code: "few" }; }',
      ),
    ).toEqual({
      answer: undefined,
    });
  });

  test.each([
    ['a loop without end', 'export default () => { for (;;); }', /after 500,000 steps/],
    ['a loop before it begins', 'for (;;);\nexport default () => {}', /after 500,000 steps/],
    [
      'an expression that tries for ever',
      'export default () => /^(a+)+$/.test("a".repeat(40) + "b")',
      /after 500,000 steps/,
    ],
    [
      'memory without end',
      'export default () => { const all = []; for (;;) all.push([1, 2, 3]); }',
      /8 MB|steps/,
    ],
    ['a long text', 'export default () => { let s = "x"; for (;;) s += s; }', /8 MB|steps|too long|length/],
    ['calls without end', 'const f = () => f();\nexport default () => f()', /stack|steps/i],
    ['a throw', 'export default () => {\n  throw new TypeError("no");\n}', /TypeError: no/],
    ['a throw of something else', 'export default () => { throw "no"; }', /threw "no"/],
    ['a slip in the writing', 'export default ({ value ) => {}', /SyntaxError/],
    ['no export', 'const check = () => {};', /export default/],
    ['an export that is no function', 'export default 42', /function/],
    ['an answer of another kind', 'export default () => 42', /returned a number/],
    ['a promise', 'export default async () => {}', /a promise/],
    ['an answer too long', 'export default () => ({ data: { x: "y".repeat(30000) } })', /too long/],
    ['an answer in a circle', 'export default () => { const a = {}; a.a = a; return a; }', /circular/i],
    ['something imported', 'import fs from "node:fs";\nexport default () => {}', /Imports/],
  ])('%s is told, and ends', (_, code, reason) => {
    expect(brokenBy(code)?.broken).toMatch(reason);
  });

  test('says on which line', () => {
    expect(brokenBy('const a = 1;\n\nexport default () => {\n  nobody();\n}')).toEqual({
      broken: "ReferenceError: 'nobody' is not defined",
      line: 4,
    });
    expect(brokenBy('const a = 1;\nconst b = ;\nexport default () => {}')?.line).toBe(2);
  });

  test.each([
    'fetch("https://huts.example")', 'new XMLHttpRequest()', 'new WebSocket("ws://x")', 'require("fs")', 'process.exit()', 'document.title', 'window.top',
    'localStorage.x', 'globalThis.process.env', 'importScripts("x")', 'new Date()', 'Date.now()', 'performance.now()', 'Math.random()', 'setTimeout(() => {})',
    'eval("1")', 'new Function("return 1")()', 'Deno.exit()', 'postMessage(1)', 'crypto.randomUUID()',
  ])('%s is out of reach', (code) => {
    expect(brokenBy(`export default () => { ${code}; }`)?.broken).toMatch(/not defined|not a function|undefined/);
  }); // biome-ignore format: a list

  test('keeps nothing from one call to the next, and cannot spoil the next one', () => {
    const counting = 'let n = 0;\nexport default () => ({ facts: { n: ++n } })';
    expect(outcome(counting)).toEqual({ answer: { facts: { n: 1 } } });
    expect(outcome(counting, { ...input, raw: 'other' })).toEqual({ answer: { facts: { n: 1 } } });
    outcome(
      'Object.prototype.code = "spoiled"; JSON.parse = () => ({}); Array.prototype.map = null;\nexport default () => {}',
    );
    expect(outcome('export default ({ value }) => ({ facts: { value, code: String({}.code) } })')).toEqual({
      answer: { facts: { value: input.value, code: 'undefined' } },
    });
    expect(Object.hasOwn(Object.prototype, 'code')).toBe(false);
  });

  test('a spoiled world spoils its own answer alone', () => {
    const found = outcome('JSON.stringify = () => "not json";\nexport default () => ({})');
    expect(found).toHaveProperty('broken');
  });

  test('leaves nothing behind, whatever came of it', () => {
    expect(spoilt).toBe(0);
  });
});

describe('a function somebody brings', () => {
  const caller = async (code: string) => createCaller(await quickjs(), code);
  const answer = async (code: string, text: string) => {
    const { call, end } = await caller(code);
    const called = call(text);
    end();
    return called;
  };

  test.each([
    'export default (text) => text + "!"',
    'function shout(text) {\n  return text + "!";\n}',
    'const add = (a, b) => a + b;\nconst shout = (text) => add(text, "!");',
    'export function shout(text) { return text + "!"; }',
    'let shout = function (text) { return text + "!"; };',
    '(text) => text + "!"',
    'text => text + "!";',
    'function (text) { return text + "!"; }',
  ])('%s', async (code) => {
    expect(await answer(code, 'hé\0y')).toEqual({ text: 'hé\0y!' });
  });

  test.each([
    ['const n = 1;', /No function/],
    ['export default 42', /No function/],
    ['function (', /SyntaxError/],
    ['import "x";\nexport default (t) => t', /Imports/],
    ['', /SyntaxError|No function/],
    ['for (;;);\nfunction f(t) { return t; }', /after 500,000 steps/],
  ])('%s is refused', async (code, why) => {
    await expect(caller(code)).rejects.toMatchObject({ broken: expect.stringMatching(why) });
  });

  test.each([
    ['() => 42', /returned a number/],
    ['() => {}', /returned nothing/],
    ['() => { throw new TypeError("no"); }', /TypeError: no/],
    ['() => { for (;;); }', /after 500,000 steps/],
    ['() => "x".repeat(1e5)', /too long/],
    ['async (t) => t', /returned a object/],
    ['() => fetch("https://huts.example")', /not defined/],
  ])('%s is told', async (code, why) => {
    expect(await answer(code, 'x')).toEqual(expect.objectContaining({ broken: expect.stringMatching(why) }));
  });

  test('goes on after a call that failed, and keeps what it keeps to itself', async () => {
    const { call, end } = await caller(
      'let n = 0;\nexport default (t) => { if (t === "x") for (;;); return t + n++; }',
    );
    expect(call('a')).toEqual({ text: 'a0' });
    expect(call('x')).toHaveProperty('broken');
    expect(call('a')).toEqual({ text: 'a1' });
    end();
  });

  test.each([
    ['(t) => Number(t).toLocaleString()', '1234.5', '1,234.5'],
    ["(t) => Number(t).toLocaleString('de-DE', { minimumFractionDigits: 2 })", '1234.5', '1.234,50'],
    [
      "const euro = new Intl.NumberFormat('de-DE', { style: 'currency', currency: 'EUR' });\nconst shown = (t) => euro.format(t);",
      '1234',
      '1.234,00\u00a0€',
    ],
    [
      "const { format } = Intl.NumberFormat('en-IN');\nconst shown = (t) => format(t);",
      '1234567',
      '12,34,567',
    ],
    [
      "(t) => new Intl.NumberFormat('fr-FR').formatToParts(t).map(({ type }) => type).join()",
      '-1234',
      'minusSign,integer,group,integer',
    ],
    ["(t) => new Intl.NumberFormat('en-GB').resolvedOptions().locale", '', 'en-GB'],
    ["(t) => BigInt(t).toLocaleString('en-GB')", '12345678901234567890', '12,345,678,901,234,567,890'],
    ['(t) => (-0).toLocaleString() + (0 / 0).toLocaleString()', '', '-0NaN'],
  ])('numbers as locales write them: %s', async (code, text, shown) => {
    expect(await answer(code, text)).toEqual({ text: shown });
  });

  test.each([
    ["(t) => (1).toLocaleString('no_such')", /RangeError/],
    ["(t) => new Intl.NumberFormat('en', { style: 'currency' }).format(1)", /TypeError/],
    [
      "const odd = new Intl.NumberFormat('en', { maximumFractionDigits: 1e9 });\nconst shown = (t) => t;",
      /RangeError/,
    ],
    ['() => new Intl.DateTimeFormat().format()', /not a constructor|not a function/],
  ])('%s is told as it is elsewhere', async (code, why) => {
    const told = await answer(code, 'x').catch((broken: unknown) => broken);
    expect(told).toEqual(expect.objectContaining({ broken: expect.stringMatching(why) }));
  });

  test('checks and shapes have none of it', () => {
    expect(brokenBy('export default () => { Intl; }')?.broken).toMatch(/not defined/);
  });

  test('what is wrong is told at its own line', () => {
    expect(asModule('\nfunction a() {}\n').split('\n')[1]).toBe('function a() {}');
  });
});

describe('a shape', () => {
  const fours = "export function shape(content) { return content.replace(/(..)(?=.)/g, '$1 '); }";
  const shaped = async (code: string, content = '123') =>
    createSandbox(await quickjs(), () => undefined).shape(code, content);

  test('answers what it shows, and a value where it has one', async () => {
    expect(await shaped(fours)).toEqual({ shown: '12 3' });
    expect(await shaped(`${fours}\nexport const value = (c) => c === '123' ? null : c;`)).toEqual({
      shown: '12 3',
      value: null,
    });
    expect(await shaped('export const value = 1; export const shape = () => ["a", 1];')).toEqual({
      shown: ['a', 1],
    });
    expect(await shaped('export function shape() {}')).toEqual({ shown: undefined });
    expect(await shaped('export async function shape() {}')).toEqual({ shown: {} });
    expect(await shaped('export const shape = (c) => c + "\\0";', 'a\0')).toEqual({ shown: 'a\0\0' });
  });

  test.each([
    ['export default (c) => c', /no “export function shape/],
    ['export const shape = 1', /no “export function shape/],
    ['export function shape() { for (;;); }', /after 500,000 steps/],
    ['for (;;);\nexport function shape() {}', /after 500,000 steps/],
    ['export function shape(c) {\n  throw new TypeError("no");\n}', /TypeError: no/],
    ['export function shape(c) { return fetch(c); }', /not defined/],
    ['export function shape(c) { return "x".repeat(1e5); }', /too long/],
    ['JSON.stringify = () => "1"; export function shape(c) { return c; }', /not JSON/],
  ])('%s is told, once and again', async (code, why) => {
    const { shape } = createSandbox(await quickjs(), () => undefined);
    for (const found of [shape(code, '1'), shape(code, '2')])
      expect(found).toEqual(expect.objectContaining({ broken: expect.stringMatching(why) }));
  });

  test('has a world of its own that stays, so that one which keeps something to itself is found out', async () => {
    const counting = 'let n = 0;\nexport const shape = (c) => c + n++;';
    const { shape } = createSandbox(await quickjs(), () => undefined);
    expect([shape(counting, 'a'), shape(counting, 'a')]).toEqual([{ shown: 'a0' }, { shown: 'a1' }]);
    expect(shape(`${counting} `, 'a')).toEqual({ shown: 'a0' });
    // Of codes that are written letter by letter few are kept.
    for (let n = 0; n < 20; n++) expect(shape(`${fours}// ${n}`, '123')).toEqual({ shown: '12 3' });
    expect(shape(counting, 'a')).toEqual({ shown: 'a0' });
  });
});
