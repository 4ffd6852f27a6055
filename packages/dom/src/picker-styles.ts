/**
 * Styles of pickers, for pages and for shadow trees (CSS). A page's own rules win: selectors have zero
 * specificity, except for the room of buttons, which a page's rule for all its buttons would take.
 */
export const pickerStyles = `:where([data-arbeit=picker]) { position: relative; flex: none; }
:where([data-arbeit=picker]:empty) { display: none; }
:where([data-arbeit=opener]) { min-block-size: 1.75em; border: 0; border-block-end: 1px solid; background: none; color: inherit; font: inherit; cursor: pointer; white-space: nowrap; }
:where([data-arbeit=panel]) { position: absolute; z-index: 3; inset-block-start: calc(100% + .25em); inset-inline-end: 0; box-sizing: border-box; inline-size: min(21em, 85vw); padding: .75em; border: 1px solid; background: var(--arbeit-paper, Canvas); color: var(--arbeit-ink, CanvasText); text-align: start; }
:where([data-arbeit=head]) { display: flex; gap: .25em; }
:where([data-arbeit=month-list]) { flex: 1; min-inline-size: 0; min-block-size: 1.75em; font: inherit; }
:where([data-arbeit=turn]) { min-block-size: 1.75em; border: 0; background: none; color: inherit; font: inherit; cursor: pointer; }
:where([data-arbeit=panel] [data-arbeit=said]) { position: absolute; inline-size: 1px; block-size: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
:where([data-arbeit=month]) { inline-size: 100%; table-layout: fixed; border-collapse: collapse; text-align: center; }
:where([data-arbeit=month] :is(th, td)) { padding: 0; font-weight: 400; }
:where([data-arbeit=month] abbr) { text-decoration: none; }
:where([data-arbeit=day]) { inline-size: 100%; min-block-size: 2em; border: 0; background: none; color: inherit; font: inherit; cursor: pointer; }
:where([data-arbeit=day][aria-current]) { text-decoration: underline; }
:where([data-arbeit=day][data-wrong]) { text-decoration: line-through; cursor: default; }
:where([data-arbeit=day][data-outside]) { font-style: italic; }
:where([data-arbeit=day][aria-pressed=true], [data-arbeit=region][aria-selected=true]) { background: var(--arbeit-accent, #2f6b57); color: #fff; }
[data-arbeit=day], [data-arbeit=turn] { min-inline-size: 0; margin: 0; padding: 0; }
[data-arbeit=turn] { flex: none; inline-size: 1.75em; }
[data-arbeit=opener] { margin: 0; padding: 0 .25em; }
:where([data-arbeit=problem]) { min-block-size: 2.5em; margin: 0; font-size: .875em; }
:where([data-arbeit=search]) { box-sizing: border-box; inline-size: 100%; margin: 0; padding: .4em .5em; border: 1px solid; background: none; color: inherit; font: inherit; }
:where([data-arbeit=regions]) { max-block-size: 14em; margin-block-start: .5em; overflow-y: auto; }
:where([data-arbeit=region]) { display: flex; justify-content: space-between; gap: 1em; padding: .25em .5em; cursor: pointer; }
`;
