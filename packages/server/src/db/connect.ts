import { ConnectionError, type Options, Sequelize } from 'sequelize';
import { type Node, Nodes } from './nodes';

interface More {
  /** Statements are told to it, for tests. */
  readonly hear?: (sql: string) => void;
  /** Other nodes of the same cluster, in the order in which they are taken when the first is away. */
  readonly nodes?: readonly Node[];
  /** Nobody waits for an answer: on a busy machine a connection may take its time. */
  readonly patient?: boolean;
}

/** A connection to a cluster is made anew after so many uses: its node may have lost the others, and not its connections. */
const USES_OF_A_NODE = 500;

/** So long somebody may wait for a connection at most, milliseconds. */
const PATIENCE = 30_000;

/** Opens the connection pool. Times are stored in UTC. */
export function connect(url: string, { hear, nodes = [], patient = false }: More = {}): Sequelize {
  const isCluster = nodes.length > 0;
  const options: Options = {
    dialect: 'mariadb',
    logging: hear ?? false,
    timezone: '+00:00',
    pool: {
      max: 8,
      min: 0,
      acquire: patient ? PATIENCE : 5000,
      idle: 10_000,
      ...(isCluster && { maxUses: USES_OF_A_NODE }),
    },
    dialectOptions: { connectTimeout: patient ? PATIENCE : isCluster ? 1000 : 3000 },
    retry: { max: 1 },
  };
  const sequelize = new Sequelize(url, options);
  if (isCluster) changeNodes(sequelize, url, nodes);
  return sequelize;
}

/** Every new connection goes to the first node that answers and has the others with it. */
function changeNodes(sequelize: Sequelize, url: string, others: readonly Node[]): void {
  const { hostname, port } = new URL(url);
  const nodes = new Nodes([{ host: hostname, port: Number(port || 3306) }, ...others]);
  sequelize.addHook('beforeConnect', async (config) => {
    const { host, port: at } = await nodes.choose();
    Object.assign(config, { host, port: at });
  });
  sequelize.addHook('afterConnect', async (connection, config) => {
    const asked = connection as unknown as {
      query(sql: string): Promise<readonly { readonly Value: string }[]>;
      destroy(): void;
    };
    const [ready] = await asked.query("SHOW STATUS LIKE 'wsrep_ready'");
    if (!ready || ready.Value === 'ON') return;
    asked.destroy();
    const node = nodes.at(config.host, Number(config.port));
    if (node) nodes.leave(node);
    throw new ConnectionError(new Error('this node of the cluster has lost the others'));
  });
}
