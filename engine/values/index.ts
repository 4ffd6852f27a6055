export { addDays, addMonths, daysIn, fieldsOf, isDate, iso, isoWeek, weekday } from './calendar.ts';
export { graphemes } from './graphemes.ts';
