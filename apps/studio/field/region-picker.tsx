'use client';

import { chooseRegion, type Field, RegionList, regionOf } from '@arbeit/react';
import { useState } from 'react';
import { PopOut } from '../ui/pop-out.tsx';
import * as words from '../words/field/region-picker.ts';

const classNames = {
  search: 'entry',
  list: 'mt-2 h-56 overflow-y-auto',
  region:
    'flex cursor-pointer justify-between gap-3 px-2 py-1 hover:bg-wash aria-selected:bg-oxide aria-selected:text-on-oxide',
  code: 'value text-sm',
  none: 'px-2 py-4 text-faint',
};

/**
 * The region of a telephone number, found while typing, and a list to choose another by name, code or number.
 */
export function RegionPicker({ field }: { readonly field: Field }) {
  const [isOpen, setOpen] = useState(false);
  const { region, code, name } = regionOf(field);
  return (
    <PopOut
      open={isOpen}
      onOpenChange={setOpen}
      trigger={
        <>
          {region} +{code}
        </>
      }
      button={{
        className: 'word-button value whitespace-nowrap text-sm',
        'aria-label': words.region(name),
      }}
      label={words.regions}
      className="w-80 p-3"
      onCloseAutoFocus={(event) => {
        event.preventDefault();
        document.getElementById(String(field.inputProps.id))?.focus();
      }}
    >
      {() => (
        <RegionList
          field={field}
          classNames={classNames}
          onPick={(chosen) => {
            chooseRegion(field, chosen);
            setOpen(false);
          }}
        />
      )}
    </PopOut>
  );
}
