import { Sequelize } from 'sequelize';

/** Opens the connection pool. Times are stored in UTC. */
export function connect(url: string): Sequelize {
  return new Sequelize(url, {
    dialect: 'mariadb',
    logging: false,
    timezone: '+00:00',
    pool: { max: 8, min: 0, acquire: 5000, idle: 10_000 },
    dialectOptions: { connectTimeout: 3000 },
    retry: { max: 1 },
  });
}
