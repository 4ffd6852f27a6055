// Texts of `screens/desk/once-done.tsx`.

export const clickAPartAbove = 'Click a part above to edit it.';
