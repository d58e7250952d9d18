import type { Schedule } from '@idle-kettle/core';
import { capital } from '../../ui/sentence.js';

/**
 * The plan as an iCalendar file, an appointment a step; what must be there at its minute rings
 * before.
 */
export async function asCalendar(title: string, { steps }: Schedule): Promise<string> {
  const { default: ical } = await import('ical-generator');
  const calendar = ical({ name: title, prodId: '//idle-kettle//plan//EN' });
  for (const { code, text, start, end, caution, attention } of steps) {
    const event = calendar.createEvent({
      id: `${code}-${start}@idle-kettle`,
      start: new Date(start),
      end: new Date(end),
      summary: `${title}: ${capital(text)}`,
      ...(caution !== undefined && { description: capital(caution) }),
    });
    if (attention === 'cannot-leave') event.createAlarm({ trigger: 5 * 60 });
  }
  return calendar.toString();
}
