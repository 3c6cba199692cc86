import { findPart } from '../profile';
import { minutesStayed, openLines, stayMinutes } from '../rules';
import { mends } from './decision';
import { MINUTES } from './hand-minutes';
import { lineDone } from './line-done';
import type { Stand } from './stand';

/** Fits a part or puts it right. A part that is measured first is another one when the first was bad. */
export function repairPart(stand: Stand, id: string, measured: boolean): string | undefined {
  const part = findPart(stand.laid.engine.model, id);
  if (!part) return `there is no part "${id}"`;
  const replaced = part.modes.some((m) => m.repair === 'replace');
  const { kind, truth } = stand.laid.exercise;
  const another = !stand.moves.some(({ body }) => body.type === 'new-part-bad');
  if (kind === 'bad-part' && measured && another && truth && mends([truth], stand.laid.engine.model.parts)(id))
    stand.write({ type: 'new-part-bad', part: id }, MINUTES.exchange);
  stand.write(
    {
      type: 'repaired',
      part: id,
      action: `${replaced ? 'New' : 'Put right'}: ${part.title}`,
      ...(measured && { measured }),
    },
    (replaced ? MINUTES.fit : MINUTES.mend) + (measured ? 2 : 0),
  );
  return undefined;
}

/** Does a line of the proof; in words why it cannot be done. */
export function proveLine(stand: Stand, id: string): string | undefined {
  const line = openLines(stand.state.followed).find((l) => l.id === id);
  if (!line) return 'That line is done, or is none of this repair';
  if (!stand.laid.appliance.runs(stand.state.evidence.episodes))
    return 'It does not run as it should: nothing is proved by that';
  const { runs, body } = lineDone(line);
  const { c } = stand.state.followed;
  const wanted = line.by === 'stay' ? stayMinutes(c) : 0;
  if (wanted === undefined) return 'Say first how it showed: all the time, or off and on';
  // As long as what was mended wants to be watched.
  const stays = Math.max(0, wanted - minutesStayed(c));
  stand.write(body, runs + stays + MINUTES.line);
  return undefined;
}
