import { type CallEvent, hasFreeText, TAKEN_OUT, withoutFreeText } from '@zetalysis/core/visit';
import { v7 } from 'uuid';
import { retried } from '../../db/retry';
import { authorityOf } from '../session/authority';
import { personNamed } from '../session/repository';
import { StoredDayItem } from '../days/model';
import { forgetWords } from '../search/repository';
import { DutyDone } from '../upkeep/model';
import { hashOf } from './log';
import { Call, LoggedEvent } from './model';
import { projectOverview } from './overviews';
import { asEvent, eventRow, largestOf, safetyEntries } from './repository';

/**
 * Takes the free text out of an entry for good, in a person's name. What the entry was is still provable by its hash; that it
 * was done is an entry itself, on sight of which every device drops its copy of the words. Needs the migrating user. Throws
 * with words for whoever runs it.
 */
export const redactEntry = (id: string, by: string): Promise<string> =>
  retried(Call.sequelize!, async (transaction) => {
    const person = await personNamed(by);
    if (!person) throw new Error(`There is no person "${by}".`);
    const row = await LoggedEvent.findOne({ where: { id }, transaction });
    if (!row) throw new Error(`There is no entry ${id}.`);
    const event = asEvent(row);
    if (!hasFreeText(event.body.type)) throw new Error(`An entry of the kind "${row.type}" has no words of anybody's.`);
    if (row.hash !== null) return `The words of ${id} were taken out before.`;

    const hash = hashOf(event);
    const { body } = withoutFreeText(event);
    await LoggedEvent.update({ body, hash }, { where: { callId: row.callId, number: row.number }, transaction });
    // Where the same words stand beside the log.
    await forgetWords(id, transaction);
    await DutyDone.update({ words: TAKEN_OUT }, { where: { id }, transaction });
    if (body.type === 'opened') {
      await StoredDayItem.update({ words: TAKEN_OUT }, { where: { callId: row.callId }, transaction });
      await Call.update({ complaint: body.complaint }, { where: { id: row.callId }, transaction });
    }

    const { last, clock } = await largestOf(row.callId, transaction);
    const redaction: CallEvent = {
      id: v7(),
      call: row.callId,
      seq: clock + 1,
      at: new Date().toISOString(),
      device: 'server',
      person: person.name,
      body: { type: 'redacted', event: id, hash },
    };
    const number = last + 1;
    await LoggedEvent.create(eventRow({ event: redaction, number }, authorityOf(person)), { transaction });
    await projectOverview(row.callId, await safetyEntries(row.callId, transaction), number, transaction);
    return `The words of ${id} are out; entry ${redaction.id} says so.`;
  });
