<script>
import One from './One.svelte';
import { send } from './seen.js';
import { askByFetch, driveFormAsks } from './taken/dom.js';
import { form as bound } from './taken/svelte.js';

// Sent as its record; `native`: by the browser, with that method.
let { form, native, today, onstore } = $props();
const drive = (store) => driveFormAsks(store, askByFetch());
const live = bound(form, { today, drive, ...(native ? {} : { send: (record) => send(form.id, record) }) });
const how = native ? { method: native, action: '/forms/native' } : {};
</script>

<form {...live.formProps} {...how}>
  {#each form.fields as field (field.id)}<One {field} store={live.store.field(field.id)} {onstore} />{/each}
  <button name="by" value="button">Send</button>
</form>
