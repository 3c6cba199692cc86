import { wilson } from './interval';
import type { WorldScore } from './world';

const percent = (x: number): string => `${(x * 100).toFixed(1)} %`;

interface Row {
  readonly title: string;
  readonly hits: (s: WorldScore) => number;
  readonly aim: number;
  readonly atLeast: boolean;
}

const ROWS: readonly Row[] = [
  { title: 'right repair named first', hits: (s) => s.namedFirst, aim: 0.95, atLeast: true },
  { title: 'wrong part advised', hits: (s) => s.wrongPart, aim: 0.02, atLeast: false },
  { title: 'proved wrong', hits: (s) => s.provedWrong, aim: 0.005, atLeast: false },
  { title: '"unknown" leads, fault modelled', hits: (s) => s.unknownLeads, aim: 0.03, atLeast: false },
  { title: 'neither a next test nor an end', hits: (s) => s.deadEnds, aim: 0, atLeast: false },
];

/** Minutes beside those of one who knows: at most this many times. */
const MINUTES_AIM = 1.6;

/** A family in a world and in a wider one, side by side; * misses its aim. */
export function worldTable(scores: readonly (readonly WorldScore[])[], seed: number): string {
  const lines = [
    `Visits to appliances drawn from a world, not from the profiles; faults as likely as they are, seed ${seed}. In brackets`,
    'where the true share lies (95 %, Wilson). * misses its aim.',
  ];
  for (const family of scores) {
    const [first] = family;
    lines.push('', `${first!.profile}: ${first!.visits} visits to each of: ${family.map((s) => s.world).join(' | ')}`);
    for (const row of ROWS)
      lines.push(`  ${row.title.padEnd(32)} ${family.map((s) => cell(row, s)).join('  |  ')}  ${aimOf(row)}`);
    const minutes = family.map((s) => {
      const times = s.minutes / s.knowing;
      return `${s.minutes.toFixed(1)} min, ${times.toFixed(2)} times${times > MINUTES_AIM ? '*' : ''}`.padEnd(26);
    });
    lines.push(
      `  ${'minutes, beside one who knows'.padEnd(32)} ${minutes.join('  |  ')}  at most ${MINUTES_AIM} times`,
    );
    for (const s of family)
      if (s.missed.length > 0) lines.push(`  missed in ${s.world}: ${s.missed.slice(0, MOST).join('; ')}`);
  }
  return lines.join('\n');
}

/** So many of what was missed are told. */
const MOST = 8;

function cell({ hits, aim, atLeast }: Row, s: WorldScore): string {
  const share = hits(s) / s.visits;
  const [low, high] = wilson(hits(s), s.visits);
  const met = atLeast ? share >= aim : share <= aim;
  return `${percent(share)}${met ? '' : '*'} [${percent(low)} to ${percent(high)}]`.padEnd(26);
}

const aimOf = ({ aim, atLeast }: Row): string => `${atLeast ? 'at least' : 'at most'} ${percent(aim)}`;
