import { expect, test } from 'vitest';
import { kinds } from '../kinds/registry.ts';
import { problemWithIcon } from './icon.ts';
import { readDocument } from './read-document.ts';

test.each([
  '<svg viewBox="0 0 24 24"><path d="M4 12h16M12 4v16" stroke="currentColor" fill="none"/></svg>',
  "<svg xmlns='http://www.w3.org/2000/svg' width='24' height='24'><title>A hut</title><g transform='rotate(45 12 12)'><rect x='1' y='1' width='9' height='9' rx='2'/></g></svg>",
  '<svg viewBox="0 0 2 2">\n  <circle cx="1" cy="1" r="1" fill="#2f6b57"></circle>\n</svg>',
])('shapes alone are an icon: %s', (icon) => {
  expect(problemWithIcon(icon)).toBeUndefined();
});

test.each([
  ['', /must start with <svg>/],
  ['<p>x</p>', /one <svg>/],
  ['<svg><script>alert(1)</script></svg>', /<script> is not allowed/],
  ['<svg onload="alert(1)"></svg>', /“onload”/],
  ['<svg><path d="M0" onclick="x"/></svg>', /“onclick”/],
  ['<svg><a href="x"><path/></a></svg>', /<a> is not allowed/],
  ['<svg><image href="x"/></svg>', /<image> is not allowed/],
  ['<svg><use href="#x"/></svg>', /<use> is not allowed/],
  ['<svg><foreignObject><p>x</p></foreignObject></svg>', /is not allowed in an icon. Expected/],
  ['<svg><style>*{}</style></svg>', /is not allowed in an icon. Expected/],
  ['<svg style="background:url(x)"></svg>', /“style”/],
  ['<svg><path fill="url(#a)"/></svg>', /not an allowed value of fill/],
  ['<svg><path fill="javascript:x"/></svg>', /not an allowed value of fill/],
  ['<svg xmlns="http://evil.example"></svg>', /not an allowed value of xmlns/],
  ['<svg xmlns:x="y"></svg>', /“xmlns:x”/],
  ['<svg><path d="&#106;"/></svg>', /Only SVG shapes/],
  ['<svg>text</svg>', /Only SVG shapes/],
  ['<svg><!-- x --></svg>', /Only SVG shapes/],
  ['<svg><![CDATA[x]]></svg>', /Only SVG shapes/],
  ['<?xml version="1.0"?><svg/>', /Only SVG shapes/],
  ['<svg><path d="M0"', /Only SVG shapes/],
  ['<svg><g></svg>', /no opening tag/],
  ['<svg><g>', /not closed/],
  ['<svg/><svg/>', /one <svg>/],
  ['<svg><title>a<b/></title></svg>', /is not allowed in an icon. Expected/],
  ['<svg><path d=M0 /></svg>', /Only SVG shapes/],
  [`<svg><path d="${'M0 '.repeat(2000)}"/></svg>`, /at most 4000/],
])('anything else is not: %s', (icon, problem) => {
  expect(problemWithIcon(icon)?.message).toMatch(problem);
});

test('a look is read option by option, with one fault per mistake', () => {
  const faultsOf = (look: unknown) => {
    const result = readDocument(
      {
        arbeit: 2,
        title: 'T',
        locale: 'en-GB',
        fields: [{ id: 'a', kind: 'text', label: 'A', entry: {}, look }],
      },
      kinds,
    );
    return result.ok
      ? []
      : result.faults.map(({ path, message }) => `${path.replace('$.fields[0].look', '')} ${message}`);
  };
  expect(
    faultsOf({ label: 'inside', size: 'large', before: '№', behind: 'kg', width: 12, icon: '<svg/>' }),
  ).toEqual([]);
  // One fault per mistake.
  expect(faultsOf({ label: 'under', colour: 'red' })).toEqual([
    expect.stringContaining('Unknown property "colour"'),
    expect.stringContaining('.label Expected'),
  ]);
  expect(faultsOf({ label: 'under' })).toEqual([
    expect.stringContaining('.label Expected "above", "beside" or "inside"'),
  ]);
  expect(faultsOf({ behind: 'x'.repeat(21) })).toEqual([
    expect.stringContaining('.behind A prefix or suffix must be a single line'),
  ]);
  expect(faultsOf({ width: 0 })).toEqual([
    expect.stringContaining('.width Expected an integer from 1 to 80'),
  ]);
  expect(faultsOf({ icon: '<b/>' })).toEqual([expect.stringContaining('.icon An icon must be one <svg>')]);
  expect(faultsOf('large')).toEqual([expect.stringContaining('Expected an object')]);
});
