'use client';

import {
  type BuiltIn,
  builtIns,
  inWords,
  type Matter,
  type Node,
  printNotation,
  type Takes,
} from '@arbeit/engine/kinds/pattern';
import { problemWithCharacters } from '../../model/classes.ts';
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
import * as texts from '../../words/desk/part-editor.ts';

const names: Readonly<Record<BuiltIn, string>> = {
  digit: texts.digitClass,
  letter: texts.letterOfAnyScript,
  latin: texts.letterAZ,
  alnum: texts.letterOrDigit,
  any: texts.anyCharacter,
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
        <Labelled label={texts.fixedText}>
          {(id) => (
            <DraftInput
              id={id}
              className="entry value"
              value={part.text}
              check={(text) =>
                text === ''
                  ? texts.cannotBeEmpty
                  : path.length > 1 && text.includes('>')
                    ? texts.optionalGroupsCannotContain
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
        <Labelled label={texts.allowedWords}>
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
            {texts.makeRequired}
          </button>
        ) : (
          part.type !== 'text' && (
            <button type="button" className="word-button" onClick={() => leave(toggleOptional(nodes, path))}>
              {texts.makeOptional}
            </button>
          )
        )}
        <button type="button" className="word-button" onClick={() => leave(movePart(nodes, path, -1))}>
          {texts.moveLeft}
        </button>
        <button type="button" className="word-button" onClick={() => leave(movePart(nodes, path, 1))}>
          {texts.moveRight}
        </button>
        <button
          type="button"
          className="word-button"
          disabled={!mayGo}
          onClick={() => leave(replacePart(nodes, path, []))}
        >
          {texts.remove}
        </button>
      </div>
      {!mayGo && <p className="basis-full text-sm text-faint">{texts.thisIsTheOnlyPart}</p>}
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 pb-1.5">
        <span className="caption">{texts.insertBefore}</span>
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
  if (matter.type === 'words' && matter.words.length < 2) return texts.aChoiceNeedsAtLeast;
  if (matter.type === 'words') {
    const seen = new Set(matter.words.map((word) => word.toLowerCase()));
    if (seen.size < matter.words.length) return texts.theSameWordAppearsTwice;
    if (matter.words.some((word) => /[<>"]/.test(word))) return texts.wordsCannotContain;
  }
  if (matter.type === 'cells' && matter.takes.type === 'class' && !classes.includes(matter.takes.name))
    return texts.unknownClass;
  return printNotation([matter]) ? null : texts.enterAtLeastOneCharacter;
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
      <Labelled label={texts.allowedCharacters}>
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
                {texts.classLabel(name)}
              </option>
            ))}
            <option value="characters">{texts.theseCharacters}</option>
          </select>
        )}
      </Labelled>
      {takes.type === 'characters' && (
        <CharactersEditor
          characters={takes.characters}
          onChange={(characters) => change({ takes: { type: 'characters', characters } })}
        />
      )}
      <div className="flex gap-3">
        <Count
          label={texts.minimum}
          value={min}
          from={0}
          to={max}
          onChange={(value) => change({ min: value })}
        />
        <Count
          label={texts.maximum}
          value={max}
          from={1}
          to={60}
          onChange={(value) => change({ max: value, min: min === max ? value : Math.min(min, value) })}
        />
      </div>
      <Labelled label={texts.letterCase}>
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
            <option value="">{texts.asTyped}</option>
            <option value="upper">{texts.capitals}</option>
            <option value="lower">{texts.lowerCase}</option>
          </select>
        )}
      </Labelled>
    </>
  );
}

function CharactersEditor({
  characters,
  onChange,
}: {
  readonly characters: string;
  readonly onChange: (characters: string) => void;
}) {
  return (
    <Labelled label={texts.charactersAndRanges}>
      {(id) => (
        <DraftInput
          id={id}
          className="entry value"
          value={characters}
          check={(text) =>
            text.includes('"') ? texts.quotationMarksAreNotAllowed : problemWithCharacters(text)
          }
          onChange={onChange}
        />
      )}
    </Labelled>
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
  const check = (text: string): string | null => (/^\d{1,15}$/.test(text) ? null : texts.useUpTo15Digits);
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
      <Labelled label={texts.from}>
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
      <Labelled label={texts.to}>
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
