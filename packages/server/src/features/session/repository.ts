import { type CreationAttributes, Op, QueryTypes } from 'sequelize';
import { retried } from '../../db/retry';
import { Person, StoredSession } from './model';

export const personNamed = (name: string): Promise<Person | null> => Person.findOne({ where: { name } });

export const personWith = (id: string): Promise<Person | null> => Person.findByPk(id);

export const everybody = (): Promise<Person[]> => Person.findAll({ order: ['name'] });

/** The full names of everybody, by id. */
export const namesOfAll = async (): Promise<ReadonlyMap<string, string>> =>
  new Map((await everybody()).map(({ id, fullName }) => [id, fullName]));

export const changeGrants = async ({ id }: Person, grants: string): Promise<void> =>
  void (await Person.update({ grants }, { where: { id } }));

/** A new password of one's own. */
export const changeHash = async ({ id }: Person, passwordHash: string): Promise<void> =>
  void (await Person.update({ passwordHash, mustChange: false }, { where: { id } }));

export const addPerson = (person: CreationAttributes<Person>): Promise<Person> => Person.create(person);

type Changed = Partial<Pick<Person, 'fullName' | 'role' | 'units' | 'passwordHash' | 'mustChange' | 'disabled'>>;

export const changePerson = async ({ id }: Person, to: Changed): Promise<void> =>
  void (await Person.update(to, { where: { id } }));

/** Admins whose accounts are open. */
export const openAdmins = (): Promise<Person[]> => Person.findAll({ where: { role: 'admin', disabled: false } });

/** What a session keeps, and its person, while it has not ended: one question for every request. */
export async function liveSession(sid: string): Promise<{ data: string; person: Person } | null> {
  const [row] = await Person.sequelize!.query<Person & { sessionData: string }>(
    `SELECT p.*, s.data AS sessionData FROM sessions s JOIN people p ON p.id = s.personId
      WHERE s.sid = :sid AND s.expires > UTC_TIMESTAMP() AND p.disabled = FALSE`,
    { replacements: { sid }, type: QueryTypes.SELECT },
  );
  if (!row) return null;
  const { sessionData, ...person } = row;
  return { data: sessionData, person: person as Person };
}

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

/** Ends all sessions of a person. */
export const endAll = async (personId: string): Promise<void> =>
  void (await StoredSession.destroy({ where: { personId } }));

/** Throws away what has ended by itself. */
export const purgeSessions = (): Promise<unknown> =>
  retried(StoredSession.sequelize!, (transaction) =>
    StoredSession.destroy({ where: { expires: { [Op.lt]: new Date() } }, limit: 500, transaction }),
  );

/** The full names of people, by their ids. */
export const namesOf = async (ids: readonly string[]): Promise<ReadonlyMap<string, string>> =>
  new Map((await Person.findAll({ where: { id: [...new Set(ids)] } })).map((p) => [p.id, p.fullName]));
