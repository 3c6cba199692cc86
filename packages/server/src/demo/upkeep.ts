import { addDays, type Day, dutiesOf, type DutyId, type DutyResult } from '@zetalysis/core/upkeep';
import type { Family } from '@zetalysis/core/rules';
import type { Build } from '@zetalysis/core/profile';

interface Done {
  readonly machine: number;
  readonly duty: DutyId;
  readonly day: Day;
  readonly result: DutyResult;
  readonly words: string;
}

/** How much of its time has passed since a duty was done last, in turn: most are in time, a few are over. */
const PASSED = [0.3, 0.62, 0.85, 0.12, 0.97, 0.45, 1.02, 0.7, 0.2, 0.9, 0.55];

/** What the invented shop has done of its machines' upkeep, up to a day. */
export function upkeepDone(
  machines: readonly { readonly profile: string; readonly build: Build; readonly family: Family | undefined }[],
  today: Day,
): Done[] {
  let turn = 0;
  return machines.flatMap((machine, i) =>
    dutiesOf(machine).flatMap(({ id, every }) => {
      const passed = PASSED[turn++ % PASSED.length]!;
      // Twice: how it was before, and the last time.
      return [passed + 1, passed].map((times): Done => ({
        machine: i,
        duty: id,
        day: addDays(today, -Math.round(times * every)),
        result: 'good',
        words: '',
      }));
    }),
  );
}
