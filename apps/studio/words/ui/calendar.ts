// Texts of `ui/calendar.tsx`.

export const calendar = 'Calendar';
export const calendarFor = (label: string) => `Calendar for ${label}`;
