'use client';

import { useEffect, useState } from 'react';
import { addNewId } from '../../model/new-ids.ts';
import { listSets, sendSet } from '../../model/other-sets.ts';
import { duplicateFields, onlyFields, withoutFields } from '../../model/several-fields.ts';
import type { EditedSet } from '../../model/use-set.ts';
import type { ListedSet } from '../../store/sets.ts';
import { Dialog } from '../../ui/dialog.tsx';
import { download } from '../../ui/download.ts';
import * as words from '../../words/shelf/several-dialog.ts';

/** Several fields of a set chosen at once: to be copied, moved, duplicated, downloaded or deleted. */
export function SeveralDialog({
  set,
  onClose,
  onDone,
}: {
  readonly set: EditedSet;
  readonly onClose: () => void;
  /** Called with a message after the fields of this set changed. */
  readonly onDone: (message: string) => void;
}) {
  const { document } = set;
  const [ids, setIds] = useState<readonly string[]>([]);
  const [said, setSaid] = useState('');
  // A field that was deleted in the meantime is not chosen any more.
  const chosen = document.fields.flatMap(({ id }) => (ids.includes(id) ? [id] : []));
  const isNone = chosen.length === 0;
  const isEvery = chosen.length === document.fields.length;
  const choose = (id: string, isIn: boolean) =>
    setIds(isIn ? [...chosen, id] : chosen.filter((one) => one !== id));
  const send = async (to: ListedSet, moves: boolean): Promise<void> => {
    const { problem } = await sendSet(to.key, onlyFields(document, chosen));
    if (problem) return setSaid(problem);
    if (!moves) return setSaid(words.wereCopied(chosen.length, to.title));
    await set.editAndSave((d) => withoutFields(d, chosen));
    onDone(words.wereMoved(chosen.length, to.title));
  };
  const duplicate = () => {
    const made = duplicateFields(document, chosen);
    for (const id of made.ids) addNewId(set.key, `fields/${id}`);
    void set.editAndSave(() => made.set);
    onDone(words.wereDuplicated(chosen.length));
  };
  const remove = () => {
    void set.editAndSave((d) => withoutFields(d, chosen));
    onDone(words.wereDeleted(chosen.length));
  };
  const text = () => `${JSON.stringify(onlyFields(document, chosen), null, 2)}\n`;
  return (
    <Dialog title={words.severalFieldsOf(document.title)} onClose={onClose}>
      <fieldset>
        <legend className="sr-only">{words.fields}</legend>
        <p className="flex items-baseline gap-4 border-b pb-1">
          <span role="status">{words.selected(chosen.length, document.fields.length)}</span>
          <button
            type="button"
            className="word-button ml-auto"
            onClick={() => setIds(isEvery ? [] : document.fields.map(({ id }) => id))}
          >
            {isEvery ? words.selectNone : words.selectAll}
          </button>
        </p>
        <div className="max-h-80 overflow-y-auto">
          {document.fields.map(({ id, label }) => (
            <label key={id} className="flex min-h-8 items-center gap-2 border-b">
              <input
                type="checkbox"
                className="accent-oxide"
                checked={chosen.includes(id)}
                onChange={({ target }) => choose(id, target.checked)}
              />
              <span className="min-w-0 truncate">{label || id}</span>
              <span className="value ml-auto text-xs text-faint">{id}</span>
            </label>
          ))}
        </div>
      </fieldset>
      <SendTo own={set.key} isOff={isNone} onSend={send} />
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <button type="button" className="word-button" disabled={isNone} onClick={duplicate}>
          {words.duplicate}
        </button>
        <button
          type="button"
          className="word-button"
          disabled={isNone}
          onClick={() => download(words.fileName(set.id), text(), 'application/json')}
        >
          {words.downloadDocument}
        </button>
        <button type="button" className="word-button" disabled={isNone} onClick={remove}>
          {words.deleteFields}
        </button>
      </div>
      <p role="status" className="min-h-6 text-sm">
        {said}
      </p>
    </Dialog>
  );
}

/** Another set, and what to do with it. */
function SendTo({
  own,
  isOff,
  onSend,
}: {
  /** Key of the set of the fields. */
  readonly own: string;
  readonly isOff: boolean;
  readonly onSend: (to: ListedSet, moves: boolean) => Promise<void>;
}) {
  const [sets, setSets] = useState<readonly ListedSet[]>();
  const [key, setKey] = useState('');
  const [isBusy, setBusy] = useState(false);
  useEffect(() => {
    listSets().then(
      (all) => setSets(all.filter((one) => one.key !== own)),
      () => setSets([]),
    );
  }, [own]);
  const to = sets?.find((one) => one.key === key);
  const send = async (moves: boolean) => {
    if (!to) return;
    setBusy(true);
    await onSend(to, moves).finally(() => setBusy(false));
  };
  if (sets?.length === 0) return <p className="text-faint">{words.noOtherSets}</p>;
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <select
        aria-label={words.toWhichSet}
        className="entry max-w-xs flex-1"
        value={key}
        onChange={({ target }) => setKey(target.value)}
      >
        <option value="">{sets ? words.chooseASet : words.loadingSets}</option>
        {sets?.map((one) => (
          <option key={one.key} value={one.key}>
            {one.title}
          </option>
        ))}
      </select>
      {[false, true].map((moves) => (
        <button
          key={String(moves)}
          type="button"
          className="word-button"
          disabled={isOff || isBusy || !to}
          onClick={() => void send(moves)}
        >
          {moves ? words.moveThere : words.copyThere}
        </button>
      ))}
    </div>
  );
}
