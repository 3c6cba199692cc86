import connectSession from 'connect-session-sequelize';
import type { RequestHandler } from 'express';
import session from 'express-session';
import { DataTypes, type Sequelize } from 'sequelize';
import type { Person } from '../features/session/model';
import { personWith } from '../features/session/repository';
import { Problem } from './problem';

declare module 'express-session' {
  interface SessionData {
    personId: string;
  }
}

declare module 'express-serve-static-core' {
  interface Request {
    person: Person;
  }
}

export const SESSION_COOKIE = 'zetalysis';

/** Sessions in the database: any server process can take the next request. */
export function sessions(sequelize: Sequelize, secret: string): RequestHandler {
  const Store = connectSession(session.Store);
  sequelize.define(
    'Session',
    { sid: { type: DataTypes.STRING(64), primaryKey: true }, expires: DataTypes.DATE, data: DataTypes.TEXT },
    { tableName: 'sessions' },
  );
  const store = new Store({
    db: sequelize,
    table: 'Session',
    checkExpirationInterval: -1,
    expiration: 14 * 86_400_000,
  });
  return session({
    name: SESSION_COOKIE,
    secret,
    store,
    resave: false,
    saveUninitialized: false,
    rolling: false,
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: 14 * 86_400_000 },
  });
}

/** Lets only signed-in people pass, and puts the person on the request. */
export const signedIn: RequestHandler = async (request, _response, next) => {
  const id = request.session.personId;
  const person = id === undefined ? null : await personWith(id);
  if (!person) throw new Problem(401, 'Not signed in', 'Sign in again. What you entered is kept on your device.');
  request.person = person;
  next();
};
