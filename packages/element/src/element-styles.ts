/**
 * The styles of an element: few, and all by custom properties and parts, so that the page's own rules win
 * (`::part(…)`). The line of the message is always reserved, so that nothing moves when there is one.
 */
export const elementStyles = `
:host{display:block;font:inherit;color:inherit;--_ink:var(--arbeit-ink,currentColor);--_line:var(--arbeit-line,color-mix(in srgb,currentColor 55%,transparent));--_wrong:var(--arbeit-wrong,#a63d2f);--_accent:var(--arbeit-accent,#2f6b57)}
:host([hidden]),:host([data-away]){display:none}
*{box-sizing:border-box;font:inherit;letter-spacing:inherit}
[part~=label]{display:block;margin-block-end:var(--arbeit-gap,.25em)}
[part~=frame]{display:flex;align-items:center;gap:var(--arbeit-gap,.25em);max-inline-size:100%;inline-size:var(--arbeit-width,auto)}
[part~=line]{position:relative;display:block;flex:1;min-inline-size:0}
[part~=concealed]{display:flex;align-items:center;gap:.75em}
[part~=concealed] [part~=input]{flex:1;min-inline-size:0}
[part~=reveal]{min-inline-size:5.5em}
[part~=input]{inline-size:100%;margin:0;padding:var(--arbeit-padding,.4em .5em);border:1px solid var(--_line);border-radius:var(--arbeit-radius,0);background:var(--arbeit-paper,transparent);color:var(--_ink)}
:host([data-wrong]) [part~=input]{border-color:var(--_wrong)}
:is([part~=input],[part~=over],[part~=reveal]):focus-visible{outline:2px solid var(--_accent);outline-offset:1px}
[part~=ghost]{position:absolute;inset:0;padding:var(--arbeit-padding,.4em .5em);border:1px solid transparent;white-space:pre;overflow:hidden;pointer-events:none;opacity:.55}
[part~=ghost]>span{visibility:hidden}
[part~=icon]{display:inline-flex;inline-size:1.25em;flex:none}
[part~=icon] svg{inline-size:100%;block-size:auto}
[part~=sign]{flex:none;opacity:.8}
:host([data-size=small]){font-size:.875em;--arbeit-padding:.2em .4em}
:host([data-size=large]){font-size:1.2em;--arbeit-padding:.55em .65em}
:host([data-label=beside]){display:grid;grid-template-columns:min(var(--arbeit-label-width,10em),35%) minmax(0,1fr);column-gap:1em;align-items:baseline}
:host([data-label=beside]) :is([part~=hint],[part~=message]){grid-column:2}
:host([data-label=inside]){position:relative}
:host([data-label=inside]) [part~=input]{padding-block:1.35em .35em}
:host([data-label=inside]) [part~=ghost]{padding-block:1.35em .35em}
:host([data-label=inside]:not([data-active],[data-filled])) [part~=input]::placeholder{color:transparent}
:host([data-label=inside]) label[part~=label]:not(:has(~ [part~=frame] [part~=code])){position:absolute;z-index:1;inset-block-start:.9em;inset-inline-start:calc(.6em + var(--arbeit-lead,0em));max-inline-size:calc(100% - 1.2em - var(--arbeit-lead,0em));overflow:hidden;text-overflow:ellipsis;white-space:nowrap;margin:0;pointer-events:none;transform-origin:0 0;transition:transform .12s}
:host([data-label=inside]:is([data-active],[data-filled])) label[part~=label]:not(:has(~ [part~=frame] [part~=code])){transform:translateY(-.62em) scale(.75)}
@media (prefers-reduced-motion:reduce){:host([data-label=inside]) label[part~=label]{transition:none}}
[part~=hint]{opacity:.75;font-size:.875em;margin-block-start:var(--arbeit-gap,.25em)}
[part~=hint]:not(:has(slot)){display:none}
[part~=message]{min-block-size:1.5em;margin-block-start:var(--arbeit-gap,.25em);font-size:.875em}
[part~=message] p{margin:0}
[part~=message][data-severity=error]{color:var(--_wrong)}
`;
