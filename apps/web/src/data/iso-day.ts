import { format } from 'date-fns/format';

/** The day here at a moment as it is sent and saved: "2026-11-23". */
export const isoDay = (when: Date | number): string => format(when, 'yyyy-MM-dd');
