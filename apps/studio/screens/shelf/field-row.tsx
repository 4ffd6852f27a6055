'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { compileField, languageOf } from '@arbeit/engine/document';
import { definitionIn, kindIn } from '@arbeit/engine/kinds';
import { useField } from '@arbeit/react';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, memo, useMemo } from 'react';
import { Control } from '../../field/controls.tsx';
import { useCustomCodeLater, useOwnOutcomesLater } from '../../field/custom-code/later.ts';
import { useKind, useKinds } from '../../field/kinds-provider.tsx';
import { useLanguages } from '../../field/languages.ts';
import { todayIn } from '../../model/clock.ts';
import { shapeOf } from '../../model/shape-of.ts';
import type { EditedSet } from '../../model/use-set.ts';
import type { ListedSet } from '../../store/sets.ts';
import { focusSoon } from '../../ui/focus-soon.ts';
import { Link } from '../../ui/link.tsx';
import { Mark } from '../../ui/mark.tsx';
import * as words from '../../words/shelf/field-row.ts';
import { FieldMenu } from '../set/field-menu.tsx';

interface RowProps {
  readonly set: EditedSet;
  readonly field: FieldDocument;
  readonly deliver: (to: ListedSet, field: FieldDocument) => Promise<string>;
  readonly onHandleKey: (event: KeyboardEvent, id: string) => void;
  readonly onDelete: (field: FieldDocument) => void;
  /** How many of its own trials passed, and how many failed, in their last run in this browser. */
  readonly held: number;
  readonly missed: number;
  /** Whether something has changed since. */
  readonly isOld: boolean;
}

/** A field on the shelf, once its kind is there: one that was just made may have another than all others. */
export const FieldRow = memo(function FieldRow(props: RowProps) {
  const { kind, id, label } = props.field;
  return useKind(kind) ? (
    <Row {...props} />
  ) : (
    <li data-row={id} className="shelf-row">
      <span className="shelf-name">{label || id}</span>
    </li>
  );
});

/** Its name, the live field, its shape or message, and a menu. */
function Row({ set, field, deliver, onHandleKey, onDelete, held, missed, isOld }: RowProps) {
  // Its own kind alone: when another one is loaded, what is typed here stays.
  const own = kindIn(useKinds(), field.kind);
  const kinds = useMemo(() => ({ [field.kind]: own }), [field.kind, own]);
  const router = useRouter();
  const { classes, locale, language } = set.document;
  const facts = useMemo(
    () => ({ locale, ...(language ? { language } : {}), ...(classes ? { classes } : {}) }),
    [locale, language, classes],
  );
  const languages = useLanguages(languageOf(field, facts));
  const compiled = useCustomCodeLater(
    useMemo(() => compileField(field, facts, kinds, languages), [field, facts, kinds, languages]),
  );
  const live = useField(compiled, { today: todayIn(set.id) });
  useOwnOutcomesLater(live.store);
  const message = live.evaluation.shown[0];
  const name = field.label || field.id;
  const href = `/sets/${set.key}/fields/${field.id}`;
  const shape = useMemo(() => shapeOf(field, facts, kinds), [field, facts, kinds]);
  const count = field.rules?.length ?? 0;
  return (
    <li data-sort={field.id} data-row={field.id} className="shelf-row">
      <button
        type="button"
        data-handle
        className="handle quiet"
        aria-label={words.reorder(name)}
        onKeyDown={(event) => onHandleKey(event, field.id)}
      >
        <span aria-hidden="true">⠿</span>
      </button>
      <Link href={href} className="shelf-name" title={name}>
        {name}
      </Link>
      <div className="shelf-live">
        <Control field={live} label={words.tryLabel(name)} />
      </div>
      <div
        {...live.messageProps}
        className={`shelf-said ${message ? (message.severity === 'error' ? 'text-brick' : 'text-marigold') : 'text-faint'}`}
        title={message?.message ?? shape}
      >
        {message ? (
          message.message
        ) : (
          <>
            {definitionIn(kinds, field).name} <span className="shelf-sample value">{shape}</span>
          </>
        )}
      </div>
      <span className="shelf-trials">
        {held + missed > 0 && (
          <Link
            href={`/sets/${set.key}/trials`}
            title={words.trialResults(inWords(held, missed), isOld)}
            aria-label={words.trialsOf(name, inWords(held, missed), isOld)}
            data-is={missed > 0 ? 'missed' : 'held'}
            data-old={isOld || undefined}
          >
            <Mark shape={missed > 0 ? 'barred' : isOld ? 'hollow' : 'full'} />
          </Link>
        )}
      </span>
      <span className="caption shelf-count">{count ? words.ruleCount(count) : ''}</span>
      <FieldMenu
        set={set}
        field={field}
        trigger="⋯"
        button={{ className: 'row-menu quiet', 'aria-label': words.actionsFor(name) }}
        more={[{ id: 'open', label: words.openDesk, onSelect: () => router.push(href) }]}
        deliver={deliver}
        onMade={focusRow}
        onRenamed={focusRow}
        onTurned={() => focusRow(field.id)}
        onDelete={() => onDelete(field)}
      />
    </li>
  );
}

const inWords = (held: number, missed: number): string =>
  missed === 0 ? words.passed(held) : held === 0 ? words.failed(missed) : words.passedFailed(held, missed);

/** Focuses a new row once it is drawn. */
const focusRow = (id: string): void => focusSoon(`[data-row="${CSS.escape(id)}"] .shelf-name`);
