import { Op } from 'sequelize';
import { retried } from '../../db/retry';
import { Person, StoredSession } from './model';

export const personNamed = (name: string): Promise<Person | null> => Person.findOne({ where: { name } });

export const personWith = (id: string): Promise<Person | null> => Person.findByPk(id);

export const changeHash = async (person: Person, passwordHash: string): Promise<void> =>
  void (await person.update({ passwordHash }));

/** The sessions of a person that did not end yet, newest first. */
export const sessionsOf = (personId: string): Promise<StoredSession[]> =>
  StoredSession.findAll({
    where: { personId, expires: { [Op.gt]: new Date() } },
    order: [['createdAt', 'DESC']],
  });

/** Ends one session of a person; gives whether there was one. */
export const endSession = async (personId: string, id: string): Promise<boolean> =>
  (await StoredSession.destroy({ where: { personId, id } })) > 0;

/** Ends all sessions of a person but the one with this cookie. */
export const endOthers = async (personId: string, sid: string): Promise<void> =>
  void (await StoredSession.destroy({ where: { personId, sid: { [Op.ne]: sid } } }));

/** Throws away what has ended by itself. */
export const purgeSessions = (): Promise<unknown> =>
  retried(StoredSession.sequelize!, (transaction) =>
    StoredSession.destroy({ where: { expires: { [Op.lt]: new Date() } }, limit: 500, transaction }),
  );
