<script>
import One from './One.svelte';
import { send } from './seen.js';
import { askByFetch, driveFormAsks, driveSending } from './taken/dom.js';
import { form as bound } from './taken/svelte.js';

let { form, today, onstore } = $props();
const drive = (store) => {
  const stops = [driveFormAsks(store, askByFetch()), driveSending(store, (record) => send(form.id, record))];
  return () => {
    for (const stop of stops) stop();
  };
};
const live = bound(form, { today, drive });
</script>

<form use:live.form onsubmit={(event) => event.preventDefault()}>
  {#each form.fields as field (field.id)}<One {field} store={live.store.field(field.id)} {onstore} />{/each}
  <button>Send</button>
</form>
