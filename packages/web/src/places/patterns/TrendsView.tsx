import { useQuery } from '@tanstack/react-query';
import type { DueDuty, PatternsFilter, Trends } from '@zetalysis/contract';
import { formatNumber, showReading, type UnitSystem } from '@zetalysis/core/units';
import { addDays, dutyWith } from '@zetalysis/core/upkeep';
import { Link } from 'react-router';
import { http } from '../../api/http';
import { today } from '../../api/today';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import { saveTable } from './save-table';
import styles from './Trends.module.css';
import { useTrends } from './use-patterns';

type Line = Trends['lines'][number];

/** So far ahead services are looked for, days; so far the bars are drawn, months. */
const AHEAD_DAYS = 400;
const MONTHS = 24;
const SOON_DAYS = 60;
const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric' });

/** What slides on the machines of the shop, who will cross a limit before their next service, and visits that would catch it. */
export function TrendsView({ units, filter }: { readonly units: UnitSystem; readonly filter: PatternsFilter }) {
  const { data, error } = useTrends(filter);
  const until = addDays(today(), AHEAD_DAYS);
  const due = useQuery({ queryKey: ['due', until], queryFn: () => http('GET /upkeep', { query: { until } }) });
  const problem = error ?? due.error;
  if (problem) return <Notice kind="problem">{problem.message}</Notice>;
  if (!data || !due.data) return <Waiting>Looking at the readings…</Waiting>;
  const services = servicesOf(due.data);
  const before = data.lines.filter((l) => isBefore(l, services.get(l.machine)));
  return (
    <div className={styles.trends}>
      <Block
        title="What slides"
        note={
          <>
            {data.lines.length} of all machines{' '}
            <Button
              tone="quiet"
              disabled={data.lines.length === 0}
              onClick={() =>
                saveTable(
                  'trends',
                  data.lines.map((l) => flat(l, units, services.get(l.machine))),
                )
              }
            >
              CSV
            </Button>
          </>
        }
      >
        {data.lines.length === 0 ? (
          <Empty>
            No reading goes anywhere for sure. It takes four readings of a machine over half a year at least.
          </Empty>
        ) : (
          <Table
            label="What slides"
            rows={data.lines}
            keyOf={(l) => `${l.machine} ${l.line}`}
            empty=""
            columns={[
              {
                title: 'Machine',
                cell: (l) => (
                  <>
                    <Link to={`/machines/${l.machine}`}>{l.label}</Link>
                    <small className={styles.site}>{l.site}</small>
                  </>
                ),
              },
              { title: 'Reading', wide: true, cell: (l) => l.title },
              { title: 'Now', figures: true, cell: (l) => shown(l, l.lastValue, units) },
              { title: 'A year', figures: true, cell: (l) => `${l.perYear < 0 ? '−' : '+'}${yearly(l, units)}` },
              { title: 'Limit', figures: true, cell: (l) => (l.limit === null ? '–' : shown(l, l.limit, units)) },
              { title: 'Crosses it', cell: (l) => <Ahead line={l} service={services.get(l.machine)} /> },
            ]}
          />
        )}
      </Block>
      <Block
        title="Before their next service"
        note={`${before.length} ${before.length === 1 ? 'reading' : 'readings'}`}
      >
        {before.length === 0 ? (
          <Empty>Nothing crosses a limit before somebody comes anyway.</Empty>
        ) : (
          <Visits lines={before} services={services} />
        )}
      </Block>
    </div>
  );
}

/** By machine, the next day on which somebody comes for something that is due; what is over already is today. */
function servicesOf(due: readonly DueDuty[]): ReadonlyMap<string, { readonly day: string; readonly title: string }> {
  const next = new Map<string, { day: string; title: string }>();
  for (const { machine, duty, due: when } of due) {
    const day = when.day < today() ? today() : when.day;
    const known = next.get(machine.id);
    if (!known || day < known.day) next.set(machine.id, { day, title: dutyWith(duty)?.title ?? duty });
  }
  return next;
}

type Service = ReturnType<typeof servicesOf> extends ReadonlyMap<string, infer S> ? S : never;

/** Whether a limit may be crossed before somebody comes; what is soon is told of in any case: visits are late. */
function isBefore({ earliest }: Line, service: Service | undefined): boolean {
  const comes = service?.day ?? addDays(today(), AHEAD_DAYS);
  const soon = addDays(today(), SOON_DAYS);
  return earliest !== null && earliest.slice(0, 10) <= (comes > soon ? comes : soon);
}

const shown = ({ dimension, lastValue }: Line, value: number, units: UnitSystem): string => {
  const { figures, unit } = showReading({ kind: 'value', value, dimension }, units, Math.abs(lastValue));
  return `${figures} ${unit}`.trim();
};

/** By how much a year; of temperatures, which begin elsewhere, as a difference. */
function yearly({ dimension, lastValue, perYear }: Line, units: UnitSystem): string {
  const of = dimension === 'temperature' ? 'temperature-difference' : dimension;
  const { figures, unit } = showReading(
    { kind: 'value', value: Math.abs(perYear), dimension: of },
    units,
    Math.abs(lastValue),
  );
  return `${formatNumber(Number(figures), 2)} ${unit}`.trim();
}

const flat = (l: Line, units: UnitSystem, service: Service | undefined) => ({
  machine: l.label,
  site: l.site,
  reading: l.title,
  now: shown(l, l.lastValue, units),
  year: `${l.perYear < 0 ? '-' : ''}${yearly(l, units)}`,
  limit: l.limit === null ? '' : shown(l, l.limit, units),
  becomes: l.words ?? '',
  earliest: l.earliest?.slice(0, 10) ?? '',
  latest: l.latest?.slice(0, 10) ?? '',
  service: service?.day ?? '',
});

/** Between when a limit is crossed, drawn over the next two years, with the next service. */
function Ahead({ line, service }: { readonly line: Line; readonly service: Service | undefined }) {
  if (line.earliest === null || line.latest === null) return <>comes to none</>;
  const now = new Date().getTime();
  const across = (at: string): number =>
    Math.min(100, Math.max(0, (100 * (Date.parse(at) - now)) / (MONTHS * 30.44 * 86_400_000)));
  return (
    <span className={styles.ahead}>
      <svg viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden="true">
        <path className={styles.axis} d="M0 7H100" />
        <path
          className={styles.within}
          data-words={line.words}
          d={`M${across(line.earliest)} 7H${Math.max(across(line.earliest) + 1, across(line.latest))}`}
        />
        {service && <path className={styles.service} d={`M${across(service.day)} 1V13`} />}
      </svg>
      <small>
        {line.words}, {MONTH.format(new Date(line.earliest))} to {MONTH.format(new Date(line.latest))}
      </small>
    </span>
  );
}

interface VisitsProps {
  readonly lines: readonly Line[];
  readonly services: ReadonlyMap<string, Service>;
}

/** Visits that would catch it, one for each site: by when, what to look at, and what is due there anyway. */
function Visits({ lines, services }: VisitsProps) {
  const sites = [...new Set(lines.map((l) => l.site))]
    .map((site) => {
      const there = lines.filter((l) => l.site === site);
      const by = there.map((l) => l.earliest!.slice(0, 10)).sort()[0]!;
      return { site, there, by: by < today() ? today() : by };
    })
    .sort((a, b) => (a.by < b.by ? -1 : 1));
  return (
    <ul className={styles.visits}>
      {sites.map(({ site, there, by }) => (
        <li key={site}>
          <b>{site === '' ? 'No site' : site}</b>, by {DAY.format(new Date(`${by}T12:00:00`))}
          <ul>
            {there.map((l) => (
              <li key={`${l.machine} ${l.line}`}>
                <Link to={`/machines/${l.machine}`}>{l.label}</Link>: {l.title} may be {l.words}
                {services.has(l.machine) &&
                  `; ${services.get(l.machine)!.title} is due ${DAY.format(new Date(`${services.get(l.machine)!.day}T12:00:00`))}`}
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}
