import type { Transaction } from 'sequelize';
import { dutyWith } from '@zetalysis/core/upkeep';
import { madeAt, standingEntries } from '@zetalysis/core/visit';
import { recordsOfCall } from '../upkeep/repository';
import { personNamed } from '../session/repository';
import { Call, LoggedEvent } from './model';
import { asEvent } from './repository';

/** Keeps what was done of a machine's upkeep on a call beside the machine, as its log has it now. */
export async function keepUpkeep(call: string, transaction: Transaction): Promise<void> {
  const head = await Call.findByPk(call, { attributes: ['machineId'], transaction });
  if (!head?.machineId) return;
  const rows = await LoggedEvent.findAll({
    where: { callId: call, type: ['upkeep-done', 'retracted'] },
    transaction,
  });
  const events = standingEntries(rows.map(asEvent));
  const done = await Promise.all(
    events.flatMap((event) => {
      const { body } = event;
      const duty = body.type === 'upkeep-done' ? dutyWith(body.duty) : undefined;
      if (body.type !== 'upkeep-done' || !duty) return [];
      const day = new Date(madeAt(event)).toISOString().slice(0, 10);
      return personNamed(event.person).then((person) => ({
        id: event.id,
        duty: duty.id,
        day,
        result: body.result,
        words: body.words.slice(0, 500),
        by: person?.fullName ?? event.person,
      }));
    }),
  );
  await recordsOfCall(call, head.machineId, done, transaction);
}
