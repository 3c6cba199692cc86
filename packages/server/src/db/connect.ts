import { Sequelize } from 'sequelize';

/** Opens the connection pool. Times are stored in UTC. Statements are told to `hear`, for tests. */
export function connect(url: string, hear: false | ((sql: string) => void) = false): Sequelize {
  return new Sequelize(url, {
    dialect: 'mariadb',
    logging: hear,
    timezone: '+00:00',
    pool: { max: 8, min: 0, acquire: 5000, idle: 10_000 },
    dialectOptions: { connectTimeout: 3000 },
    retry: { max: 1 },
  });
}
