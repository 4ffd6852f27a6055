<script>
import { askByFetch, driveAsks } from './taken/dom.js';
import { field as bound } from './taken/svelte.js';

let { field, store, today, onstore } = $props();
const live = bound(field, store ? { store } : { today });
onstore(field.id, live.store);
if (!live.store.inForm) driveAsks(live.store, askByFetch());
const { plan } = field;
const raw = live.store.evaluation().raw;
const isTick = plan.draw === 'tick';
</script>

<div data-field={field.id} use:live.states>
  <span>{field.label}</span>
  {#if plan.options && plan.draw === 'list'}
    <select {...live.attributes} data-draw="list" use:live.control>
      <option value=""></option>
      {#each plan.options as { value, label } (value)}<option {value}>{label}</option>{/each}
    </select>
  {:else if plan.options}
    <div {...live.attributes} data-draw={plan.draw} use:live.control>
      {#each plan.options as { value, label } (value)}
        <label><input type={isTick ? 'checkbox' : 'radio'} name={field.id} {value} checked={raw.split(' ').includes(value)} /><span>{label}</span></label>
      {/each}
    </div>
  {:else if plan.lines > 1}
    <textarea {...live.attributes} use:live.control></textarea>
  {:else}
    <input {...live.attributes} use:live.control />
  {/if}
  <div aria-live="polite">{#each $live.shown as one (one.rule)}<p>{one.message}</p>{/each}</div>
</div>
