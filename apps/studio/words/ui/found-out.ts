// Texts of `ui/found-out.tsx`.

export const checking = 'Checking… ';
export const retry = 'Retry';
