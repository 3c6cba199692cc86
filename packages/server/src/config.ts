import Joi from 'joi';

export interface Config {
  readonly host: string;
  readonly port: number;
  readonly databaseUrl: string;
  readonly sessionSecret: string;
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
  SESSION_SECRET: Joi.string().min(16).required(),
  WEB_DIR: Joi.string().allow('').default(''),
  LOG_LEVEL: Joi.string().valid('fatal', 'error', 'warn', 'info', 'debug', 'silent').default('info'),
  LOG_FILE: Joi.string().allow('').default(''),
}).unknown(true);

/** Reads the configuration from the environment. Throws one sentence per thing that is missing or wrong. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const { value, error } = schema.validate(env, { abortEarly: false });
  if (error) throw new Error(`Configuration: ${error.message}`);
  const v = value as Record<string, string> & { PORT: number };
  return {
    host: v['HOST']!,
    port: v.PORT,
    databaseUrl: v['DATABASE_URL']!,
    sessionSecret: v['SESSION_SECRET']!,
    webDir: v['WEB_DIR']!,
    logLevel: v['LOG_LEVEL']!,
    logFile: v['LOG_FILE']!,
  };
}
