import * as dates from './dates.js';

const AT = new Date(2026, 8, 3, 18, 5);

afterEach(() => dates.setDateStyle('day-first'));

test.each([
  ['day-first', '3 Sep 2026', '18:05', 'Thu 3 Sep, 18:05', '3 Sep'],
  ['month-first', 'Sep 3, 2026', '6:05 pm', 'Thu, Sep 3, 6:05 pm', 'Sep 3'],
  ['year-first', '2026-09-03', '18:05', 'Thu 3 Sep, 18:05', '3 Sep'],
] as const)('days and times %s', (style, day, time, weekday, dayAndMonth) => {
  dates.setDateStyle(style);
  expect(dates.day(AT)).toBe(day);
  expect(dates.time(AT.getTime())).toBe(time);
  expect(dates.weekdayDayAndTime(AT)).toBe(weekday);
  expect(dates.dayAndMonth(AT)).toBe(dayAndMonth);
});

test('a day without a time is that day here, whatever the zone', () =>
  expect(dates.day('2026-09-03')).toBe('3 Sep 2026'));

test('a field for day and time and the months are alike for all', () => {
  dates.setDateStyle('month-first');
  expect(dates.fieldValue(AT)).toBe('2026-09-03T18:05');
  expect([dates.monthName(2), dates.shortMonthName(9), dates.monthLetter(12)]).toEqual([
    'February',
    'Sep',
    'D',
  ]);
});

test('each style shows how it writes', () =>
  expect(dates.dateStyleOptions(AT).map(([, words]) => words)).toEqual([
    '3 Sep 2026, 18:05',
    'Sep 3, 2026, 6:05 pm',
    '2026-09-03 18:05',
  ]));
