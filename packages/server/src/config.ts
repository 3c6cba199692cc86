import Joi from 'joi';
import { type Node, readNodes } from './db/nodes';

export interface Config {
  readonly host: string;
  readonly port: number;
  readonly databaseUrl: string;
  /** Other nodes of the same cluster, in the order in which they are taken when that one is away. */
  readonly databaseNodes: readonly Node[];
  /** The migrating user's connection: given, the server brings the database up to date before it starts. Empty otherwise. */
  readonly ownerUrl: string;
  readonly sessionSecret: string;
  /** How many proxies stand in front, or their addresses; see Express. `false` when there is none. */
  readonly trustProxy: boolean | number | string;
  readonly secureCookies: boolean | 'auto';
  /** For how many days browsers shall insist on TLS; nought says nothing. */
  readonly hstsDays: number;
  /** Where the built web app lies; empty when another server (the development one) serves it. */
  readonly webDir: string;
  readonly logLevel: string;
  /** Log file; standard output when empty. */
  readonly logFile: string;
}

const schema = Joi.object({
  HOST: Joi.string().default('127.0.0.1'),
  PORT: Joi.number().port().default(4180),
  DATABASE_URL: Joi.string()
    .uri({ scheme: ['mariadb'] })
    .required(),
  DATABASE_NODES: Joi.string()
    .pattern(/^\s*[\w.-]+(:\d{1,5})?(\s*,\s*[\w.-]+(:\d{1,5})?)*\s*$/, 'nodes such as 10.0.0.2:3306,10.0.0.3')
    .allow('')
    .default(''),
  OWNER_DATABASE_URL: Joi.string()
    .uri({ scheme: ['mariadb'] })
    .allow('')
    .default(''),
  TRUST_PROXY: Joi.alternatives(Joi.boolean(), Joi.number().integer().min(0).max(10), Joi.string()).default(false),
  SECURE_COOKIES: Joi.alternatives(Joi.boolean(), Joi.valid('auto')).default('auto'),
  HSTS_DAYS: Joi.number().integer().min(0).max(3650).default(0),
  SESSION_SECRET: Joi.string().min(16).required(),
  WEB_DIR: Joi.string().allow('').default(''),
  LOG_LEVEL: Joi.string().valid('fatal', 'error', 'warn', 'info', 'debug', 'silent').default('info'),
  LOG_FILE: Joi.string().allow('').default(''),
}).unknown(true);

/** Reads the configuration from the environment. Throws one sentence per thing that is missing or wrong. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const { value, error } = schema.validate(env, { abortEarly: false });
  if (error) throw new Error(`Configuration: ${error.message}`);
  const v = value as Record<string, string> & {
    PORT: number;
    TRUST_PROXY: boolean | number | string;
    SECURE_COOKIES: boolean | 'auto';
    HSTS_DAYS: number;
  };
  return {
    host: v['HOST']!,
    port: v.PORT,
    databaseUrl: v['DATABASE_URL']!,
    databaseNodes: readNodes(v['DATABASE_NODES']!),
    ownerUrl: v['OWNER_DATABASE_URL']!,
    trustProxy: v.TRUST_PROXY,
    secureCookies: v.SECURE_COOKIES,
    hstsDays: v.HSTS_DAYS,
    sessionSecret: v['SESSION_SECRET']!,
    webDir: v['WEB_DIR']!,
    logLevel: v['LOG_LEVEL']!,
    logFile: v['LOG_FILE']!,
  };
}
