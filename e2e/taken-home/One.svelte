<script>
import { askByFetch, driveAsks } from './taken/dom.js';
import { field as bound } from './taken/svelte.js';

let { field, store, today, onstore } = $props();
const live = bound(field, store ? { store } : { today });
onstore(field.id, live.store);
if (!live.store.inForm) driveAsks(live.store, askByFetch());
const { control, options } = live.shape;
</script>

<div data-field={field.id} {...live.rootProps}>
  <svelte:element this={options.length && control !== 'select' ? 'span' : 'label'} {...live.labelProps}>{field.label}</svelte:element>
  {#if control === 'select'}
    <select {...live.inputProps}>
      <option value=""></option>
      {#each options as { value, label } (value)}<option {value} selected={live.isPicked(value)}>{label}</option>{/each}
    </select>
  {:else if control === 'textarea'}
    <textarea {...live.inputProps}></textarea>
  {:else if control === 'input'}
    <input {...live.inputProps} />
  {:else}
    <div {...live.inputProps}>
      {#each options as { value, label } (value)}
        <label><input type={control} name={field.id} {value} checked={live.isPicked(value)} /><span>{label}</span></label>
      {/each}
    </div>
  {/if}
  <div {...live.messageProps}>{#each live.evaluation.shown as one (one.rule)}<p>{one.message}</p>{/each}</div>
</div>
