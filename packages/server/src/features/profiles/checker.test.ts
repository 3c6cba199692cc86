import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ProfileChecker } from './checker';
import { checkScript } from '../../thread-script';

const script = checkScript(join(__dirname, '../..'));
const sound = readFileSync(join(__dirname, '../../../../../docs/examples/wall-heater.yaml'), 'utf8');
/** A limit that opens every few seconds, beside a clock that never shows the same twice: a day of it never ends. */
const endless = sound
  .replace('watch: 10 min', 'watch: 20 h')
  .replace('is: 130 F, over: 3 min', 'is: 900 F, over: 2 s')
  .replace('{is: 70 F, over: 4 min}', '{is: 0 F, over: 2 s}')
  .replace('quantities:\n', "quantities:\n  clock: {title: clock, unit: '', rules: [{is: 80000, over: 80000 s}]}\n");

const withChecker = async (
  limits: { time: number; memory: number; waiting: number },
  work: (checker: ProfileChecker) => Promise<void>,
): Promise<void> => {
  const checker = new ProfileChecker(script, limits);
  try {
    await work(checker);
  } finally {
    await checker.close();
  }
};

test('a profile that takes for ever is ended, while others go on; the next one is checked', () =>
  withChecker({ time: 6000, memory: 192, waiting: 4 }, async (checker) => {
    // The thread has started, so that the time is the profile's own.
    expect(await checker.check({ source: sound, what: 'description' })).toMatchObject({
      description: { id: 'wall-heater' },
    });
    let beats = 0;
    const heart = setInterval(() => beats++, 100);
    await expect(checker.check({ source: endless, what: 'all' })).rejects.toMatchObject({
      status: 400,
      detail: expect.stringMatching(/did not end within 6 seconds/),
    });
    clearInterval(heart);
    expect(beats).toBeGreaterThan(20);
    expect(await checker.check({ source: sound, what: 'description' })).toMatchObject({
      description: { id: 'wall-heater' },
    });
  }), 60_000);

test('a profile that needs too much memory is ended, and says so', () =>
  withChecker({ time: 30_000, memory: 64, waiting: 4 }, async (checker) => {
    const large = `format: zetalysis-profile/1\ntitle: [${'1,'.repeat(95_000)}1]\n`;
    await expect(checker.check({ source: large, what: 'all' })).rejects.toMatchObject({
      status: 400,
      title: 'Takes too much memory',
    });
  }), 60_000);

test('only so many wait for their turn', () =>
  withChecker({ time: 20_000, memory: 192, waiting: 1 }, async (checker) => {
    const answers = await Promise.allSettled([1, 2, 3, 4].map(() => checker.check({ source: sound, what: 'all' })));
    const busy = answers.filter((a) => a.status === 'rejected').map((a) => (a.reason as { status: number }).status);
    expect(busy.length).toBeGreaterThan(0);
    expect(new Set(busy)).toEqual(new Set([503]));
    expect(answers.some((a) => a.status === 'fulfilled')).toBe(true);
  }), 60_000);

test('what the reader gives up on is a problem with words', () =>
  withChecker({ time: 20_000, memory: 192, waiting: 4 }, async (checker) => {
    const nested = sound.replace('cue: valve.open', `cue: ${'('.repeat(40_000)}valve.open${')'.repeat(40_000)}`);
    expect(await checker.check({ source: nested, what: 'all' })).toMatchObject({ sound: false });
    expect(await checker.check({ source: '', what: 'all' })).toMatchObject({ sound: false });
  }), 60_000);
