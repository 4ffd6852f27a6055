<script>
import One from './One.svelte';

let { field, today, onstore } = $props();
</script>

<form novalidate onsubmit={(event) => event.preventDefault()}>
  <One {field} {today} {onstore} />
  <button>Send</button>
</form>
