'use client';

import {
  type BuiltIn,
  builtIns,
  inWords,
  type Matter,
  type Node,
  printNotation,
  rangesOf,
  type Takes,
} from '@arbeit/engine/kinds/pattern';
import { newParts } from '../../model/new-parts.ts';
import {
  insertBeside,
  isSound,
  movePart,
  type Path,
  partAt,
  replacePart,
  toggleOptional,
} from '../../model/pattern-edits.ts';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Labelled } from '../../ui/labelled.tsx';

const names: Readonly<Record<BuiltIn, string>> = {
  digit: 'digit 0–9',
  letter: 'letter of any script',
  latin: 'letter A–Z',
  alnum: 'letter or digit',
  any: 'any character',
};

type CellsMatter = Extract<Matter, { type: 'cells' }>;

/** Edits one part of the pattern in place. Every change is applied to the pattern immediately. */
export function PartEditor({
  nodes,
  path,
  classes,
  onChange,
  onGone,
}: {
  readonly nodes: readonly Node[];
  readonly path: Path;
  readonly classes: readonly string[];
  readonly onChange: (pattern: string) => void;
  readonly onGone: () => void;
}) {
  const part = partAt(nodes, path);
  if (!part) return null;
  const put = (matter: Matter) => onChange(replacePart(nodes, path, [matter]));
  const mayGo = isSound(replacePart(nodes, path, []), classes);
  const leave = (pattern: string) => {
    onGone();
    onChange(pattern);
  };
  return (
    <div className="part">
      <p className="basis-full font-semibold first-letter:uppercase">{inWords(part)}</p>
      {part.type === 'text' && (
        <Labelled label="Fixed text">
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={part.text}
              check={(text) =>
                text === ''
                  ? 'Cannot be empty. Remove the part instead.'
                  : path.length > 1 && text.includes('>')
                    ? 'Optional groups cannot contain “>”.'
                    : null
              }
              onChange={(text) => put({ type: 'text', text })}
            />
          )}
        </Labelled>
      )}
      {part.type === 'cells' && <CellsEditor part={part} classes={classes} onChange={put} />}
      {part.type === 'number' && <NumberEditor part={part} onChange={put} />}
      {part.type === 'words' && (
        <Labelled label="Allowed words">
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={part.words.join(', ')}
              check={(text) => problemWith({ type: 'words', words: wordsOf(text) }, classes)}
              onChange={(text) => put({ type: 'words', words: wordsOf(text) })}
            />
          )}
        </Labelled>
      )}
      <div className="flex flex-wrap gap-x-4 gap-y-2 pb-1.5">
        {path.length > 1 ? (
          <button
            type="button"
            className="word-button"
            onClick={() => leave(toggleOptional(nodes, path.slice(0, -1)))}
          >
            Make required
          </button>
        ) : (
          part.type !== 'text' && (
            <button type="button" className="word-button" onClick={() => leave(toggleOptional(nodes, path))}>
              Make optional
            </button>
          )
        )}
        <button type="button" className="word-button" onClick={() => leave(movePart(nodes, path, -1))}>
          Move left
        </button>
        <button type="button" className="word-button" onClick={() => leave(movePart(nodes, path, 1))}>
          Move right
        </button>
        <button
          type="button"
          className="word-button"
          disabled={!mayGo}
          onClick={() => leave(replacePart(nodes, path, []))}
        >
          Remove
        </button>
      </div>
      {!mayGo && (
        <p className="basis-full text-sm text-faint">
          This is the only part that takes input, so it cannot be removed.
        </p>
      )}
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 pb-1.5">
        <span className="caption">Insert before:</span>
        {newParts.map(({ label, part: fresh }) => (
          <button
            key={label}
            type="button"
            className="word-button text-sm"
            onClick={() => leave(insertBeside(nodes, path, 'before', fresh))}
          >
            {fresh.type === 'text' ? 'text' : fresh.type}
          </button>
        ))}
      </div>
    </div>
  );
}

const wordsOf = (text: string): string[] => text.split(/[,|\s]+/).filter(Boolean);

/** What is wrong with a part, in the words of the notation. */
function problemWith(matter: Matter, classes: readonly string[]): string | null {
  if (matter.type === 'words' && matter.words.length < 2) return 'A choice needs at least two words.';
  if (matter.type === 'words') {
    const seen = new Set(matter.words.map((word) => word.toLowerCase()));
    if (seen.size < matter.words.length) return 'The same word appears twice.';
    if (matter.words.some((word) => /[<>"]/.test(word))) return 'Words cannot contain <, > or ".';
  }
  if (matter.type === 'cells' && matter.takes.type === 'class' && !classes.includes(matter.takes.name))
    return 'Unknown class.';
  return printNotation([matter]) ? null : 'Enter at least one character.';
}

function CellsEditor({
  part,
  classes,
  onChange,
}: {
  readonly part: CellsMatter;
  readonly classes: readonly string[];
  readonly onChange: (matter: Matter) => void;
}) {
  const { takes, min, max, manner } = part;
  const choice = takes.type === 'characters' ? 'characters' : `${takes.type}:${takes.name}`;
  const choose = (value: string): Takes => {
    const [type, name = ''] = value.split(':');
    if (type === 'class') return { type: 'class', name };
    if (type === 'characters') return { type: 'characters', characters: '0-9A-F' };
    return { type: 'built-in', name: name as BuiltIn };
  };
  const change = (more: Partial<CellsMatter>) => onChange({ ...part, ...more });
  const { manner: _, ...unmannered } = part;
  return (
    <>
      <Labelled label="Allowed characters">
        {(id) => (
          <select
            id={id}
            className="entry"
            value={choice}
            onChange={(event) => change({ takes: choose(event.target.value) })}
          >
            {builtIns.map((name) => (
              <option key={name} value={`built-in:${name}`}>
                {names[name]}
              </option>
            ))}
            {classes.map((name) => (
              <option key={name} value={`class:${name}`}>
                class {name}
              </option>
            ))}
            <option value="characters">these characters…</option>
          </select>
        )}
      </Labelled>
      {takes.type === 'characters' && (
        <Labelled label="Characters and ranges">
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={takes.characters}
              check={(text) => {
                const ranges = rangesOf(text);
                return typeof ranges === 'string'
                  ? ranges
                  : text.includes('"')
                    ? 'Quotation marks are not allowed.'
                    : null;
              }}
              onChange={(characters) => change({ takes: { type: 'characters', characters } })}
            />
          )}
        </Labelled>
      )}
      <div className="flex gap-3">
        <Count label="Minimum" value={min} from={0} to={max} onChange={(value) => change({ min: value })} />
        <Count
          label="Maximum"
          value={max}
          from={1}
          to={60}
          onChange={(value) => change({ max: value, min: min === max ? value : Math.min(min, value) })}
        />
      </div>
      <Labelled label="Letter case">
        {(id) => (
          <select
            id={id}
            className="entry"
            value={manner ?? ''}
            onChange={(event) =>
              onChange(
                event.target.value
                  ? { ...unmannered, manner: event.target.value as 'upper' | 'lower' }
                  : unmannered,
              )
            }
          >
            <option value="">as typed</option>
            <option value="upper">capitals</option>
            <option value="lower">lower case</option>
          </select>
        )}
      </Labelled>
    </>
  );
}

function Count({
  label,
  value,
  from,
  to,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly onChange: (value: number) => void;
}) {
  return (
    <Labelled label={label}>
      {(id) => (
        <input
          id={id}
          type="number"
          className="entry"
          min={from}
          max={to}
          value={value}
          onChange={(event) => {
            const next = Math.round(event.target.valueAsNumber);
            if (next >= from && next <= to) onChange(next);
          }}
        />
      )}
    </Labelled>
  );
}

function NumberEditor({
  part,
  onChange,
}: {
  readonly part: Extract<Matter, { type: 'number' }>;
  readonly onChange: (matter: Matter) => void;
}) {
  const check = (text: string): string | null => (/^\d{1,15}$/.test(text) ? null : 'Use up to 15 digits.');
  /**
   * Writes both bounds with the same number of digits, the lower one first. The other bound follows the
   * changed one.
   */
  const put = (a: string, b: string) => {
    const width = Math.max(a.length, b.length);
    const [low, high] = [a.padStart(width, '0'), b.padStart(width, '0')].sort();
    onChange({ type: 'number', low: low!, high: high! });
  };
  return (
    <div className="flex gap-3">
      <Labelled label="From">
        {(id) => (
          <DraftInput
            id={id}
            className="entry value"
            inputMode="numeric"
            value={part.low}
            check={check}
            onChange={(low) => put(low, part.high)}
          />
        )}
      </Labelled>
      <Labelled label="To">
        {(id) => (
          <DraftInput
            id={id}
            className="entry value"
            inputMode="numeric"
            value={part.high}
            check={check}
            onChange={(high) => put(part.low, high)}
          />
        )}
      </Labelled>
    </div>
  );
}
