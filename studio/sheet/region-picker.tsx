'use client';

import type { PhoneBody, PhonePlan } from '@arbeit/engine/kinds/phone';
import type { Field } from '@arbeit/react';
import { type KeyboardEvent, useId, useState } from 'react';
import { PopOut } from './pop-out.tsx';
import { findRegions, regionChoices } from './regions.ts';

/** The region a number is of, found by itself while typing, and a list to choose another from by name, code or number. */
export function RegionPicker({ field }: { readonly field: Field }) {
  const { store } = field;
  const plan = store.field.plan as PhonePlan;
  const [isOpen, setOpen] = useState(false);
  const [search, setSearch] = useState('');
  const [at, setAt] = useState(0);
  const id = useId();
  const { region = plan.home } = field.facts;
  const shown = region || plan.home;
  // Closed, as it is while a number is typed, it needs the name of one region and no list.
  const all = regionChoices(store.field.locale);
  const found = isOpen ? findRegions(all, search).filter((choice) => plan.plans[choice.region]) : [];
  const here = Math.min(at, found.length - 1);
  const choose = (chosen: string) => {
    const { digits } = (field.state.body as PhoneBody).read;
    const isHome = chosen === plan.home;
    const own = plan.plans[chosen]!;
    store.dispatch({ type: 'set', text: isHome ? own.trunk + digits : `+${own.code}${digits}` });
    setOpen(false);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const to = { ArrowDown: here + 1, ArrowUp: here - 1, PageDown: here + 8, PageUp: here - 8 }[event.key];
    if (to !== undefined) {
      event.preventDefault();
      setAt(Math.max(0, Math.min(found.length - 1, to)));
    } else if (event.key === 'Enter' && found[here]) {
      event.preventDefault();
      choose(found[here].region);
    }
  };
  return (
    <PopOut
      open={isOpen}
      onOpenChange={(open) => {
        setOpen(open);
        setSearch('');
        setAt(0);
      }}
      trigger={
        <>
          {shown} +{plan.plans[shown]?.code ?? ''}
        </>
      }
      button={{
        className: 'word-button value whitespace-nowrap text-sm',
        'aria-label': `Region: ${all.find((choice) => choice.region === shown)?.name ?? shown}. Choose another.`,
      }}
      label="Regions"
      className="w-80 p-3"
      onCloseAutoFocus={(event) => {
        event.preventDefault();
        document.getElementById(String(field.inputProps.id))?.focus();
      }}
    >
      {() => (
        <>
          <input
            className="entry"
            role="combobox"
            aria-expanded="true"
            aria-controls={`${id}-list`}
            aria-activedescendant={found[here] ? `${id}-${found[here].region}` : undefined}
            aria-label="Search by name, code or number"
            placeholder="Name, code or number"
            value={search}
            onChange={(event) => {
              setSearch(event.target.value);
              setAt(0);
            }}
            onKeyDown={onKeyDown}
          />
          <div
            id={`${id}-list`}
            role="listbox"
            aria-label="Regions"
            className="mt-2 h-56 overflow-y-auto"
            tabIndex={-1}
          >
            {found.map(({ region: code, name, code: calling }, i) => (
              // biome-ignore lint/a11y/useFocusableInteractive: the search line holds the focus, after the combobox pattern
              // biome-ignore lint/a11y/useKeyWithClickEvents: keys are taken by the search line
              <div
                key={code}
                id={`${id}-${code}`}
                role="option"
                aria-selected={i === here}
                ref={(element) => {
                  if (i === here) element?.scrollIntoView({ block: 'nearest' });
                }}
                className={`flex cursor-pointer justify-between gap-3 px-2 py-1 ${i === here ? 'bg-oxide text-on-oxide' : 'hover:bg-wash'}`}
                onClick={() => choose(code)}
              >
                <span>{name}</span>
                <span className="value text-sm">+{calling}</span>
              </div>
            ))}
            {found.length === 0 && (
              <p className="px-2 py-4 text-faint">No region by that name, code or number.</p>
            )}
          </div>
        </>
      )}
    </PopOut>
  );
}
