import type { DueDuty } from '@zetalysis/contract';
import { addDays, dutyWith } from '@zetalysis/core/upkeep';
import ical, { ICalCalendarMethod } from 'ical-generator';

/** What is due as an iCalendar file (RFC 5545): a whole day for each, which keeps its name when it moves. */
export function calendarOf(due: readonly DueDuty[], shop: string, origin: string): string {
  const calendar = ical({
    name: `${shop}: what is due`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: '//Zetalysis//due//EN',
  });
  for (const { machine, duty, due: when } of due) {
    const { title, how, caution } = dutyWith(duty)!;
    calendar.createEvent({
      id: `${machine.id}-${duty}@zetalysis`,
      start: new Date(`${when.day}T00:00:00Z`),
      end: new Date(`${addDays(when.day, 1)}T00:00:00Z`),
      allDay: true,
      summary: `${when.failed ? 'FAILED: ' : ''}${title}, ${machine.label}`,
      location: machine.site,
      description: [caution, how].filter((w) => w !== undefined).join('\n'),
      url: `${origin}/machines/${machine.id}/upkeep`,
    });
  }
  return calendar.toString();
}
