// What servers acknowledged while they, or what is behind them, were killed: kept here, where nothing is killed.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import type { NumberedEvent } from '@zetalysis/contract';
import type { Client } from './client';
import { ROOT } from './packages.mjs';

const version = /^version: (\S+)/m.exec(readFileSync(join(ROOT, 'profiles/furnace-condensing.yaml'), 'utf8'))![1]!;

/** How a call is opened that is only there to be written in. */
export const OPENING: EventBody = {
  type: 'opened',
  complaint: 'No heat',
  profile: 'furnace-condensing',
  profileVersion: version,
  engineVersion: '1',
  settings: { units: 'us', settingsVersion: '1' },
};

export const pick = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;

/** Entries with the numbers that they were told to have, and what went wrong meanwhile. */
export class Acknowledged {
  readonly faults: string[] = [];
  readonly #entries = new Map<string, { readonly event: CallEvent; readonly number: number }>();

  get size(): number {
    return this.#entries.size;
  }

  /** Sends entries until a server says what became of them. */
  async write(client: Client, call: string, events: readonly CallEvent[]): Promise<void> {
    const { status, body } = await client.send(call, events);
    if (status !== 200) return void this.faults.push(`refused: ${status} ${JSON.stringify(body)}`);
    for (const r of body.refused) this.faults.push(`refused: ${r.detail}`);
    for (const { id, number } of body.acknowledged)
      this.#entries.set(id, { event: events.find((e) => e.id === id)!, number });
  }

  /** Holds them against what is stored. */
  against(stored: ReadonlyMap<string, NumberedEvent>): { lost: number; altered: number; reordered: number } {
    const tally = { lost: 0, altered: 0, reordered: 0 };
    for (const [id, { event, number }] of this.#entries) {
      const found = stored.get(id);
      if (!found) tally.lost++;
      else if (!isDeepStrictEqual(found.event, event)) tally.altered++;
      else if (found.number !== number) tally.reordered++;
    }
    return tally;
  }
}
