import type { Obstacle } from '../visit';

/** What still has to be done before a call is closed. */
export function sayObstacle(o: Obstacle): string {
  switch (o.message) {
    case 'danger':
      return 'The danger is not declared over.';
    case 'bypassed':
      return `A bypass is still in place: ${o.data.titles.join(', ')}. Take it off and write that down.`;
    case 'unplugged':
      return `Still unplugged: ${o.data.titles.join(', ')}.`;
    case 'not-put-back':
      return `Not put back yet: ${o.data.titles.join(', ')}.`;
    case 'adjusted':
      return `Adjusted while hunting: ${o.data.what}, was ${o.data.original}. Put it back, or say that it stays.`;
    case 'no-record':
      return 'No break is recorded.';
  }
}
