/**
 * The looks a definition can ask for, for whoever draws fields without the element: by the attributes `rootProps` (React) or `states` (Vue,
 * Svelte) put around a field. Every rule is of no weight of its own (`:where`), so that a page's own rules go before it.
 */
export const lookSheet = `/* Where labels stand, three sizes, a width in characters, signs and icons: for fields drawn by a framework. */
:where([data-arbeit=field]) { position: relative; }
:where([data-arbeit=frame]) { display: flex; align-items: center; gap: .25em; max-inline-size: 100%; inline-size: var(--arbeit-width, auto); }
:where([data-arbeit=frame] > :is(input, textarea, select), [data-arbeit=frame] > div) { flex: 1; min-inline-size: 0; }
:where([data-arbeit=frame] :is(input:not([type=radio], [type=checkbox]), textarea, select)) { inline-size: 100%; box-sizing: border-box; }
:where([data-arbeit=frame] [data-draw] label) { display: flex; gap: .4em; align-items: baseline; }
:where([data-arbeit=frame] [data-draw=segments]) { display: flex; flex-wrap: wrap; gap: .25em 1em; }
:where([data-arbeit=icon]) { display: inline-flex; inline-size: 1.25em; flex: none; }
:where([data-arbeit=icon] svg) { inline-size: 100%; block-size: auto; }
:where([data-arbeit=sign]) { flex: none; opacity: .8; }
:where([data-arbeit=field][data-size=small]) { font-size: .875em; }
:where([data-arbeit=field][data-size=large]) { font-size: 1.2em; }
:where([data-arbeit=field][data-label=beside]) { display: grid; grid-template-columns: var(--arbeit-label-width, 10em) minmax(0, 1fr); column-gap: 1em; align-items: baseline; }
:where([data-arbeit=field][data-label=beside] > :not(label, [data-arbeit=frame])) { grid-column: 2; }
:where([data-arbeit=field][data-label=inside] input) { padding-block: 1.35em .35em; }
:where([data-arbeit=field][data-label=inside]:not([data-active], [data-filled]) input)::placeholder { color: transparent; }
:where([data-arbeit=field][data-label=inside] > label) { position: absolute; z-index: 1; inset-block-start: .9em; inset-inline-start: .6em; pointer-events: none; transform-origin: 0 0; transition: transform .12s; }
:where([data-arbeit=field][data-label=inside]:is([data-active], [data-filled]) > label) { transform: translateY(-.62em) scale(.75); }
@media (prefers-reduced-motion: reduce) { :where([data-arbeit=field][data-label=inside] > label) { transition: none; } }
:where([data-arbeit=hint]) { margin: 0; font-size: .875em; }
:where([data-arbeit=field][hidden]) { display: none; }
`;
