import { connect as dial } from 'node:net';

/** Where a database listens. */
export interface Node {
  readonly host: string;
  readonly port: number;
}

/** A node that did not answer is asked again after so long, milliseconds. */
const ASKED_AGAIN = 2000;
/** So long a node may take to take a connection, milliseconds. */
const PATIENCE = 700;

/**
 * The nodes of a cluster, in the order in which they are liked. Everybody keeps to the first that answers: two that write on
 * different nodes meet more often.
 */
export class Nodes {
  readonly #away = new Map<Node, number>();

  constructor(
    private readonly all: readonly Node[],
    private readonly answers: (node: Node) => Promise<boolean> = answersAtAll,
  ) {}

  /** The node for a new connection; the best liked when none answers, so that its own error is told. */
  async choose(): Promise<Node> {
    const now = Date.now();
    const known = this.all.filter((node) => (this.#away.get(node) ?? 0) <= now);
    // Those that were away are asked last.
    for (const node of [...known, ...this.all.filter((n) => !known.includes(n))]) {
      if (await this.answers(node)) {
        this.#away.delete(node);
        return node;
      }
      this.leave(node);
    }
    return this.all[0]!;
  }

  /** It cannot be worked with for now: whoever connects next goes elsewhere. */
  leave(node: Node): void {
    this.#away.set(node, Date.now() + ASKED_AGAIN);
  }

  /** The node at an address. */
  at(host: string | undefined, port: number | undefined): Node | undefined {
    return this.all.find((n) => n.host === host && n.port === port);
  }
}

const answersAtAll = ({ host, port }: Node): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = dial({ host, port, timeout: PATIENCE });
    const say = (yes: boolean) => () => {
      socket.destroy();
      resolve(yes);
    };
    socket.once('connect', say(true)).once('error', say(false)).once('timeout', say(false));
  });

/** Nodes as they are written down: `10.0.0.2:3306,10.0.0.3`. */
export function readNodes(text: string): Node[] {
  return text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part) => {
      const [, host = '', port = '3306'] = /^(.+?)(?::(\d+))?$/.exec(part) ?? [];
      return { host, port: Number(port) };
    });
}
