export { addDays, addMonths, daysIn, fieldsOf, isDate, iso, isoWeek, resolve, weekday } from './calendar.ts';
export { graphemes } from './graphemes.ts';
