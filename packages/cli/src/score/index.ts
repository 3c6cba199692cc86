import { parseArgs } from 'node:util';
import { coverage, Engine, type Hypothesis } from '@zetalysis/core/diagnosis';
import { loadProfile } from '@zetalysis/core/profile';
import { profileIds, profileSource } from '../files';
import type { Command } from '../main';
import { UsageError } from '../usage';
import { Appliance, MISREPORTED } from './appliance';
import { Random } from './random';
import { visit, type Policy, type Visit } from './visit';

interface ProfileScore {
  readonly profile: string;
  readonly seed: number;
  readonly visits: number;
  readonly namedFirst: number;
  readonly proved: number;
  readonly provedWrong: number;
  readonly tests: number;
  readonly minutes: number;
  readonly walk: { readonly namedFirst: number; readonly tests: number; readonly minutes: number };
  /** Faults whose repair was not named first, by id. */
  readonly missed: readonly string[];
}

/** Scores one profile: every fault that shows, `per` appliances each, drawn from the profile's spreads. */
function scoreProfile(id: string, seed: number, per: number): ProfileScore {
  const { text, file } = profileSource(id);
  const engine = new Engine(loadProfile(text, file));
  const known = coverage(engine);
  const faults = known.faults.filter((h) => !known.silent.includes(h));
  const visits: Record<Policy, Visit[]> = { advice: [], walk: [] };
  let draw = seed;
  for (const hidden of faults)
    for (let i = 0; i < per; i++) {
      draw++;
      for (const policy of ['advice', 'walk'] as const)
        visits[policy].push(visit(engine, new Appliance(text, file, hidden, new Random(draw)), hidden, policy));
    }
  const equal = (v: Visit): boolean => {
    const alike = known.alike.find((g) => g.includes(v.hidden)) ?? [v.hidden];
    return alike.some((h: Hypothesis) => h.repair === v.named);
  };
  const share = (list: Visit[], test: (v: Visit) => boolean): number => list.filter(test).length / list.length;
  const mean = (list: Visit[], value: (v: Visit) => number): number =>
    list.reduce((sum, v) => sum + value(v), 0) / list.length;
  return {
    profile: id,
    seed,
    visits: visits.advice.length,
    namedFirst: share(visits.advice, equal),
    proved: share(visits.advice, (v) => v.proved),
    provedWrong: share(visits.advice, (v) => v.proved && !equal(v)),
    tests: mean(visits.advice, (v) => v.tests),
    minutes: mean(visits.advice, (v) => v.minutes),
    walk: {
      namedFirst: share(visits.walk, equal),
      tests: mean(visits.walk, (v) => v.tests),
      minutes: mean(visits.walk, (v) => v.minutes),
    },
    missed: [...new Set(visits.advice.filter((v) => !equal(v)).map((v) => `${v.hidden.id} → ${v.named}`))],
  };
}

export const score: Command = (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      seed: { type: 'string', default: '1' },
      per: { type: 'string', default: '2' },
      json: { type: 'boolean', default: false },
    },
  });
  const whole = (name: 'seed' | 'per'): number => {
    const value = Number(values[name]);
    if (!Number.isInteger(value) || value < 1 || value > 1e6)
      throw new UsageError(`--${name} takes a whole number from 1 up, not "${values[name]}"`);
    return value;
  };
  const seed = whole('seed');
  const per = whole('per');
  const ids = positionals.length > 0 ? positionals : profileIds();
  const scores = ids.map((id) => scoreProfile(id, seed, per));
  if (values.json) return { text: JSON.stringify({ misreported: MISREPORTED, scores }, null, 2), exit: 0 };
  const percent = (x: number): string => `${(x * 100).toFixed(1)} %`;
  const lines = [
    `Appliances drawn from the profiles' spreads, ${percent(MISREPORTED)} of cues misreported, seed ${seed}.`,
  ];
  for (const s of scores)
    lines.push(
      '',
      `${s.profile}: ${s.visits} visits`,
      `  repair named first       ${percent(s.namedFirst)}   (walk ${percent(s.walk.namedFirst)})`,
      `  proved                   ${percent(s.proved)}`,
      `  proved wrong             ${percent(s.provedWrong)}`,
      `  tests per visit          ${s.tests.toFixed(1)}   (walk ${s.walk.tests.toFixed(1)}, ratio ${(s.tests / s.walk.tests).toFixed(2)})`,
      `  minutes per visit        ${s.minutes.toFixed(1)}   (walk ${s.walk.minutes.toFixed(1)}, ratio ${(s.minutes / s.walk.minutes).toFixed(2)})`,
      ...(s.missed.length > 0 ? [`  missed: ${s.missed.join('; ')}`] : []),
    );
  return { text: lines.join('\n'), exit: 0 };
};
