import { pickerStyles } from '@arbeit/dom';

/**
 * The appearances that a definition can choose, for pages that draw fields without the element. The rules use
 * the attributes that `rootProps` (React) or `states` (Vue, Svelte) set around a field, and those of React's
 * components. Every selector has zero specificity (`:where`), so a page's own rules win.
 */
export const appearanceSheet = `/* Where labels stand, three sizes, a width in characters, signs and icons, guide text, boxes: for fields drawn by a framework. */
:where([data-arbeit=field]) { position: relative; }
:where([data-arbeit=frame]) { display: flex; align-items: center; gap: .25em; max-inline-size: 100%; inline-size: var(--arbeit-width, auto); }
:where([data-arbeit=frame] > :is(input, textarea, select), [data-arbeit=frame] > div) { flex: 1; min-inline-size: 0; }
:where([data-arbeit=frame] :is(input:not([type=radio], [type=checkbox]), textarea, select)) { inline-size: 100%; box-sizing: border-box; margin: 0; padding: var(--arbeit-padding, .4em .5em); border: 1px solid; font: inherit; }
:where([data-arbeit=frame] [data-draw] label) { display: flex; gap: .4em; align-items: baseline; min-block-size: 24px; }
:where([data-arbeit=frame] [data-draw=segments]) { display: flex; flex-wrap: wrap; gap: .25em 1em; }
:where([data-arbeit=line]) { position: relative; }
:where([data-arbeit=line][data-concealed]) { display: flex; align-items: center; gap: .75em; }
:where([data-arbeit=reveal]) { min-inline-size: 5.5em; }
:where([data-arbeit=ghost]) { position: absolute; inset: 0; box-sizing: border-box; padding: var(--arbeit-padding, .4em .5em); border: 1px solid transparent; white-space: pre; overflow: hidden; pointer-events: none; opacity: .55; }
:where([data-arbeit=ghost] > span) { visibility: hidden; }
:where([data-arbeit=code]) { display: flex; flex-wrap: wrap; gap: .75em; align-items: center; }
:where([data-arbeit=boxes]) { position: relative; min-inline-size: 0; }
:where([data-arbeit=row]) { display: flex; gap: .75em; }
:where([data-arbeit=group]) { display: flex; min-inline-size: 0; gap: .3em; }
:where([data-box]) { flex: 0 1 auto; inline-size: 2em; min-inline-size: 1ch; block-size: 2.4em; box-sizing: border-box; display: grid; place-items: center; border: 1px solid; }
:where([data-box][data-active]) { outline: 2px solid; outline-offset: -2px; }
:where([data-box][data-selected]) { background: color-mix(in srgb, currentColor 18%, transparent); }
:where([data-arbeit=frame] [data-arbeit=boxes] > input) { position: absolute; inset: 0; block-size: 100%; padding: 0; border: 0; background: none; color: transparent; caret-color: transparent; }
:where([data-arbeit=boxes] > input)::selection { background: none; }
:where([data-arbeit=icon]) { display: inline-flex; inline-size: 1.25em; flex: none; }
:where([data-arbeit=icon] svg) { inline-size: 100%; block-size: auto; }
:where([data-arbeit=sign]) { flex: none; opacity: .8; }
:where([data-arbeit=counter]) { flex: none; min-inline-size: 0; font-size: .875em; opacity: .8; }
:where([data-arbeit=counter]:empty) { margin-inline-start: -.25em; }
:where([data-arbeit=said]) { position: absolute; inline-size: 1px; block-size: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
:where([data-arbeit=hint]) { margin: 0; font-size: .875em; }
:where([data-arbeit=message]) { min-block-size: 1.5em; font-size: .875em; }
:where([data-arbeit=message] > p) { margin: 0; }
:where([data-arbeit=field][data-size=small]) { font-size: .875em; --arbeit-padding: .2em .4em; }
:where([data-arbeit=field][data-size=large]) { font-size: 1.2em; --arbeit-padding: .55em .65em; }
:where([data-arbeit=field][data-label=beside]) { display: grid; grid-template-columns: min(var(--arbeit-label-width, 10em), 35%) minmax(0, 1fr); column-gap: 1em; align-items: baseline; }
:where([data-arbeit=field][data-label=beside] > :not(label, [data-arbeit=label], [data-arbeit=frame])) { grid-column: 2; }
:where([data-arbeit=field][data-label=inside] :is(input:not([type=radio], [type=checkbox]), textarea, select, [data-arbeit=ghost])) { padding-block: 1.35em .35em; }
:where([data-arbeit=field][data-label=inside]:not([data-active], [data-filled]) input)::placeholder { color: transparent; }
:where([data-arbeit=field][data-label=inside]:not(:has([data-arbeit=code])) > label) { position: absolute; z-index: 1; inset-block-start: .9em; inset-inline-start: calc(.6em + var(--arbeit-lead, 0em)); max-inline-size: calc(100% - 1.2em - var(--arbeit-lead, 0em)); overflow: hidden; text-overflow: ellipsis; white-space: nowrap; pointer-events: none; transform-origin: 0 0; transition: transform .12s; }
:where([data-arbeit=field][data-label=inside]:is([data-active], [data-filled]):not(:has([data-arbeit=code])) > label) { transform: translateY(-.62em) scale(.75); }
@media (prefers-reduced-motion: reduce) { :where([data-arbeit=field][data-label=inside]:not(:has([data-arbeit=code])) > label) { transition: none; } }
:where([data-arbeit=field][hidden]) { display: none; }
${pickerStyles}`;
