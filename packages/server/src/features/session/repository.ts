import { Person } from './model';

export const personNamed = (name: string): Promise<Person | null> => Person.findOne({ where: { name } });

export const personWith = (id: string): Promise<Person | null> => Person.findByPk(id);
