// Texts that several files use.

export const customElements = 'Custom elements';
export const plainJavascript = 'Plain JavaScript';
export const react = 'React';
export const reactNative = 'React Native';
export const vue = 'Vue';
export const svelte = 'Svelte';
export const noResponseFromTheServerTry = 'No response from the server. Try again.';
export const selectAtLeastOneField = 'Select at least one field or form.';
export const forLabel = 'For';
