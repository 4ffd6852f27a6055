// Texts of `app/layout.tsx`.

export const aWorkbenchForInputFields =
  'A workbench for input fields that format and check what people type, and prove it.';
