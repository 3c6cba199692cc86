import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import connectSession from 'connect-session-sequelize';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import type { Sequelize } from 'sequelize';
import { v7 } from 'uuid';
import { ORIGIN_LENGTH, type Person } from '../features/session/model';
import { liveSession } from '../features/session/repository';
import { Problem } from './problem';

declare module 'express-session' {
  interface SessionData {
    /** What it is called to its person. */
    publicId: string;
    personId: string;
    /** SHA-256 of the secret that the client holds beside its cookie. */
    keyHash: string;
    origin: string;
    /** Read together with the session, and never kept in it. */
    person?: Person;
  }
}

declare module 'express-serve-static-core' {
  interface Request {
    person: Person;
  }
}

export const SESSION_COOKIE = 'zetalysis';
/** Carries the secret that the client holds: whoever finds only the cookie on a device is not signed in. */
export const KEY_HEADER = 'x-session-key';
/** Sessions end that long after the sign-in, used or not. */
const SESSION_MS = 14 * 86_400_000;

export interface SessionOptions {
  readonly secret: string;
  /** Whether cookies go over TLS only; `auto` as the request came. */
  readonly secureCookies: boolean | 'auto';
}

/** Sessions in the database: any server process can take the next request. Reading writes nothing. */
export function sessions(sequelize: Sequelize, { secret, secureCookies }: SessionOptions): RequestHandler {
  const SequelizeStore = connectSession(session.Store);
  class Store extends SequelizeStore {
    /** As the library's, but what has ended is not found, and its person comes with it. */
    override get = (sid: string, then: (error: unknown, data?: session.SessionData | null) => void): void => {
      liveSession(sid).then(
        (found) => then(null, found && { ...(JSON.parse(found.data) as session.SessionData), person: found.person }),
        then,
      );
    };
    override touch = (_sid: string, _data: unknown, then?: (error: unknown) => void): void => then?.(null);
  }
  const store = new Store({
    db: sequelize,
    table: 'StoredSession',
    checkExpirationInterval: -1,
    expiration: SESSION_MS,
    extendDefaultFields: (fields: object, { publicId, personId, origin = '' }: session.SessionData) => ({
      ...fields,
      id: publicId,
      personId,
      origin,
    }),
  });
  return session({
    name: SESSION_COOKIE,
    secret,
    store,
    resave: false,
    saveUninitialized: false,
    rolling: false,
    cookie: { httpOnly: true, sameSite: 'strict', secure: secureCookies, maxAge: SESSION_MS },
  });
}

/** What may be asked for before a password of one's own was chosen. */
const OWN_SESSION = /^\/api\/session(\/password)?(\?|$)/;

const hashOf = (key: string): Buffer => createHash('sha256').update(key).digest();

/** Opens a session for a person, under a new id, so that one planted before the sign-in is worth nothing. Gives its secret. */
export async function openSession(request: Request, person: Person): Promise<string> {
  const key = randomBytes(32).toString('base64url');
  await done((then) => request.session.regenerate(then));
  Object.assign(request.session, {
    publicId: v7(),
    personId: person.id,
    keyHash: hashOf(key).toString('hex'),
    origin: (request.get('user-agent') ?? '').slice(0, ORIGIN_LENGTH),
  });
  await done((then) => request.session.save(then));
  return key;
}

/** Ends the session that a request belongs to; the cookie is enough for that. */
export async function closeSession(request: Request): Promise<void> {
  await done((then) => request.session.destroy(then));
  request.res!.clearCookie(SESSION_COOKIE);
}

const done = (start: (then: (error: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => start((e) => (e ? reject(e as Error) : resolve())));

/** Lets only signed-in people pass, and puts the person on the request. */
export const signedIn: RequestHandler = (request, _response, next) => {
  const { person, keyHash } = request.session;
  if (!person || !holdsKey(request, keyHash))
    throw new Problem(401, 'Not signed in', 'Sign in again. What you entered is kept on your device.');
  request.person = person;
  if (person.mustChange && !OWN_SESSION.test(request.originalUrl))
    throw new Problem(
      403,
      'Choose a password',
      'Somebody else knows your password. Choose your own first, at your name.',
    );
  next();
};

function holdsKey(request: Request, keyHash: string | undefined): boolean {
  const key = request.get(KEY_HEADER);
  return key !== undefined && keyHash !== undefined && timingSafeEqual(hashOf(key), Buffer.from(keyHash, 'hex'));
}
