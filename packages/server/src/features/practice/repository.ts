import type { NewResult, NewSet, NewSigning, PracticeResult, PracticeStanding } from '@zetalysis/contract';
import { Op } from 'sequelize';
import { v7 } from 'uuid';
import { everybody } from '../session/repository';
import { StoredResult, StoredSet, StoredSigning } from './model';

/** Everything but what was done in them is read at once. */
const WORTH = { exclude: ['moves', 'createdAt'] };
const IN_TIME: [string, string][] = [
  ['createdAt', 'ASC'],
  ['id', 'ASC'],
];

/** What was played, set and signed off, of some people or of everybody. */
export async function standingOf(personId: string | undefined): Promise<PracticeStanding> {
  const where = personId === undefined ? {} : { personId };
  const [results, set, signed, people] = await Promise.all([
    StoredResult.findAll({
      where,
      attributes: WORTH,
      order: [
        ['endedAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    StoredSet.findAll({ where, order: IN_TIME }),
    StoredSigning.findAll({ where, order: IN_TIME }),
    everybody(),
  ]);
  const names = new Map(people.map(({ id, name }) => [id, name]));
  const by = ({ id, byId, createdAt }: StoredSet | StoredSigning) => ({
    id,
    by: names.get(byId) ?? '',
    at: createdAt.toISOString(),
  });
  return {
    results: results.map(worthOf),
    set: set.map((row) => ({ ...by(row), person: row.personId, code: row.code, words: row.words })),
    signed: signed.map((row) => ({ ...by(row), person: row.personId, level: row.level, words: row.words })),
  };
}

export const worthOf = (row: StoredResult): PracticeResult => {
  const { id, personId, code, level, title, mark, proved, critical, minutes, planned, confused, endedAt } = row;
  return {
    id,
    person: personId,
    code,
    level,
    title,
    mark,
    proved,
    critical,
    minutes,
    planned,
    confused,
    at: endedAt.toISOString(),
  };
};

export const resultWith = (id: string): Promise<StoredResult | null> => StoredResult.findByPk(id);

/** What somebody was worth at an exercise the first time; kept where there is none yet. */
export async function keptResult(personId: string, { at, ...rest }: NewResult): Promise<StoredResult> {
  const row = { ...rest, personId, endedAt: new Date(at) };
  // Two devices may send at once: the index of person and code lets one in.
  await StoredResult.bulkCreate([row], { ignoreDuplicates: true });
  return (await StoredResult.findOne({ where: { personId, [Op.or]: [{ code: rest.code }, { id: rest.id }] } }))!;
}

export const resultsAt = (personId: string, level: number): Promise<StoredResult[]> =>
  StoredResult.findAll({ where: { personId, level }, attributes: WORTH, order: [['endedAt', 'ASC']] });

export const addSet = (byId: string, { person, code, words }: NewSet): Promise<StoredSet> =>
  StoredSet.create({ id: v7(), personId: person, code, words, byId });

export const addSigning = (byId: string, { person, level, words }: NewSigning): Promise<StoredSigning> =>
  StoredSigning.create({ id: v7(), personId: person, level, words, byId });
