import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { loadProfile } from '@zetalysis/core/profile';
import { type CallEvent, reduceCall } from '@zetalysis/core/visit';
import { LAST_DAY, Season } from '../src';

type Line = Record<string, unknown> & { kind?: string };
const lines = gunzipSync(readFileSync(join(__dirname, '../season.jsonl.gz')))
  .toString()
  .trim()
  .split('\n')
  .map((text) => JSON.parse(text) as Line);
const of = (kind: string): Line[] => lines.filter((l) => l.kind === kind);

const logs = new Map<string, CallEvent[]>();
for (const line of of('entry')) {
  const event = line['event'] as CallEvent;
  logs.set(event.call, [...(logs.get(event.call) ?? []), event]);
}
const bodies = [...logs.values()].map((log) => log.map((e) => e.body));
const season = new Season();

describe('the season that is shipped', () => {
  test('is what its command makes: the register whole, and some of its calls played anew', () => {
    const register = season.register();
    expect(lines.slice(1, register.length + 1)).toEqual(JSON.parse(JSON.stringify(register)));
    // In the order of the file; one of each kind of ending among them.
    const files = [...logs.values()];
    for (const index of [3, 60, 151, 299, 402, 575]) {
      const shipped = files[index]!.filter((e) => e.body.type !== 'photo').map(({ seq: _seq, ...e }) => e);
      const played = season.play(index).events.map(({ seq: _seq, ...e }) => e);
      expect(shipped).toEqual(JSON.parse(JSON.stringify(played)));
    }
  });

  test('is a shop: eight people, machines of every family, a year of calls', () => {
    expect(of('person')).toHaveLength(8);
    expect(of('machine')).toHaveLength(165);
    expect(new Set(of('machine').map((m) => m['profile'])).size).toBe(13);
    expect(logs.size).toBe(580);
    const days = [...logs.values()].map((log) => log[0]!.at.slice(0, 10)).sort();
    expect(days.at(-1)).toBe(LAST_DAY);
    expect(days[0]! > '2025-11-28').toBe(true);
    // More in the cold than in the warm.
    const inMonth = (month: string): number => days.filter((d) => d.slice(5, 7) === month).length;
    expect(inMonth('01')).toBeGreaterThan(2 * inMonth('07'));
    expect(of('photo').length).toBeGreaterThan(5);
  });

  test('every call but those of the day came to an end that it may have, nearly all proved or rightly without a fault', () => {
    const endings = bodies.map((log) => log.findLast((b) => b.type === 'closed'));
    const open = bodies.filter((_log, i) => !endings[i]);
    expect(open.every((log) => log.length === 1)).toBe(true);
    expect(open).toHaveLength(16);
    const count = (ending: string): number => endings.filter((e) => e?.type === 'closed' && e.ending === ending).length;
    expect(count('proved')).toBeGreaterThan(400);
    expect(count('nothing-found')).toBeGreaterThan(60);
    expect(count('waiting') + count('left-off')).toBeGreaterThan(3);
  });

  test('parts were waited for and came, callbacks came within thirty days, two safeties were gone round', () => {
    const waited = bodies.filter((log) => log.some((b) => b.type === 'part-needed'));
    expect(waited.length).toBeGreaterThan(20);
    for (const log of waited) expect(log.filter((b) => b.type === 'part-arrived')).toHaveLength(1);
    const round = bodies.filter((log) =>
      log.some((b) => b.type === 'setup' && (b.ledger ?? []).some((l) => l.kind !== '')),
    );
    expect(round.length).toBeGreaterThanOrEqual(2);
    // Nothing stays gone round.
    for (const log of bodies) expect(log.findLast((b) => b.type === 'setup')?.bypassed ?? []).toEqual([]);
    const again = season.calls.filter((c) => c.kind === 'callback');
    expect(again).toHaveLength(28);
    for (const call of again)
      expect(
        season.calls.some(
          (c) => c.machine === call.machine && c.at < call.at && call.at - c.at < 30 * 86_400_000 && c.kind === 'break',
        ),
      ).toBe(true);
  });

  test('what was read was read as the rules want it, and means something to the profile', () => {
    const models = new Map<string, ReturnType<typeof loadProfile>>();
    for (const log of [...logs.values()].filter((_l, i) => i % 12 === 0)) {
      const [{ body }] = log as [CallEvent];
      const id = body.type === 'opened' ? body.profile : '';
      if (!models.has(id))
        models.set(id, loadProfile(readFileSync(join(__dirname, `../../../profiles/${id}.yaml`), 'utf8'), id));
      const { log: read, followed } = reduceCall(models.get(id)!, log);
      expect(read.flatMap(({ problem }) => problem ?? [])).toEqual([]);
      const withoutNeed = [...followed.marks.values()].flat().filter(({ mark }) => mark === 'without-need');
      expect(withoutNeed).toEqual([]);
    }
  });
});
