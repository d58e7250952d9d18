/** How days and times are written: "23 Nov 2026, 18:40", "Nov 23, 2026, 6:40 pm", "2026-11-23 18:40". */
export const DATE_STYLES = ['day-first', 'month-first', 'year-first'] as const;
export type DateStyle = (typeof DATE_STYLES)[number];
/** Where nobody said and the country does not tell. */
export const USUAL_DATE_STYLE: DateStyle = 'day-first';

/** What is written of a moment. */
export type DatePart =
  | 'time'
  | 'day'
  | 'dayAndMonth'
  | 'dayAndTime'
  | 'dayAndSeconds'
  | 'dayYearAndTime'
  | 'weekdayAndTime'
  | 'weekdayDayAndTime'
  | 'longDay'
  | 'longDayAndYear';

/** Each part in the letters of Unicode's date patterns (UTS 35), as date-fns reads them. */
export const DATE_PATTERNS: Readonly<Record<DateStyle, Readonly<Record<DatePart, string>>>> = {
  'day-first': {
    time: 'HH:mm',
    day: 'd MMM yyyy',
    dayAndMonth: 'd MMM',
    dayAndTime: 'd MMM, HH:mm',
    dayAndSeconds: 'd MMM HH:mm:ss',
    dayYearAndTime: 'd MMM yyyy, HH:mm',
    weekdayAndTime: 'EEE HH:mm',
    weekdayDayAndTime: 'EEE d MMM, HH:mm',
    longDay: 'EEEE d MMMM',
    longDayAndYear: 'EEEE d MMMM yyyy',
  },
  'month-first': {
    time: 'h:mm aaa',
    day: 'MMM d, yyyy',
    dayAndMonth: 'MMM d',
    dayAndTime: 'MMM d, h:mm aaa',
    dayAndSeconds: 'MMM d h:mm:ss aaa',
    dayYearAndTime: 'MMM d, yyyy, h:mm aaa',
    weekdayAndTime: 'EEE h:mm aaa',
    weekdayDayAndTime: 'EEE, MMM d, h:mm aaa',
    longDay: 'EEEE, MMMM d',
    longDayAndYear: 'EEEE, MMMM d, yyyy',
  },
  'year-first': {
    time: 'HH:mm',
    day: 'yyyy-MM-dd',
    dayAndMonth: 'd MMM',
    dayAndTime: 'd MMM, HH:mm',
    dayAndSeconds: 'd MMM HH:mm:ss',
    dayYearAndTime: 'yyyy-MM-dd HH:mm',
    weekdayAndTime: 'EEE HH:mm',
    weekdayDayAndTime: 'EEE d MMM, HH:mm',
    longDay: 'EEEE d MMMM',
    longDayAndYear: 'EEEE, yyyy-MM-dd',
  },
};
