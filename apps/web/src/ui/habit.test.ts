import { habitOf } from './habit.js';

test.each([
  [
    ['en-US'],
    { units: 'us', temperatureUnit: 'F', measures: 'us', dates: 'month-first', southern: false },
  ],
  [
    ['en-GB', 'en-US'],
    { units: 'metric', temperatureUnit: 'C', measures: 'uk', dates: 'day-first', southern: false },
  ],
  [
    ['en-AU'],
    {
      units: 'metric',
      temperatureUnit: 'C',
      measures: 'australian',
      dates: 'day-first',
      southern: true,
    },
  ],
  [
    ['en', 'fr-FR'],
    { units: 'metric', temperatureUnit: 'C', measures: 'us', dates: 'day-first', southern: false },
  ],
  [
    ['sv-SE'],
    { units: 'metric', temperatureUnit: 'C', measures: 'us', dates: 'year-first', southern: false },
  ],
  [
    [],
    { units: 'metric', temperatureUnit: 'C', measures: 'us', dates: 'day-first', southern: false },
  ],
])('languages %j', (languages, habit) => expect(habitOf(languages)).toEqual(habit));
