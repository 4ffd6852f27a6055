// Texts of `ui/page-controls.ts`.

export const onThisPage = 'On this page';
export const notAvailableNow = 'Not available now';
