import { useState } from 'react';
import type { Drawing, DrawnItem, DrawnRung, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import { partName, tagOf, tradeName } from './ladder-labels';
import { Sign } from './PartGlyph';
import styles from './RungWalk.module.css';
import { pointName } from './TestPoint';
import { wireWords } from './wire-names';

interface Props {
  readonly drawing: Drawing;
  readonly view: LadderView;
  readonly wires?: Wires | undefined;
  /** First probe already placed, or the part that is measured; of that part, the passage. */
  readonly red: string | undefined;
  readonly passage?: string | undefined;
  readonly onNet: (net: string) => void;
  readonly onPart: (part: string, branch: string) => void;
}

type Net = Extract<DrawnItem, { kind: 'net' }>;
type Part = Extract<DrawnItem, { kind: 'part' }>;

/** Height of a row, as high as a thumb needs; where the wire runs in it. */
const ROW = 46;
const WIRE_AT = 30;

/** The circuit where there is no room to draw it: the loads in sight, and one rung at a time, walked from its source down. */
export function RungWalk(props: Props) {
  const { drawing, view, red } = props;
  const names = namesOf(drawing.rungs);
  // What was tapped stays in sight; before, the likeliest place.
  const [chosen, choose] = useState<string>();
  const holds = (rung: DrawnRung, name: string): boolean =>
    rung.items.some((i) => (i.kind === 'net' ? i.point && i.name === name : i.part === name));
  const [likeliest] = Object.entries(view.suspected).sort(([, a], [, b]) => b - a);
  const rung =
    drawing.rungs.find((r) => r.id === chosen) ??
    drawing.rungs.find((r) => red !== undefined && holds(r, red)) ??
    drawing.rungs.find((r) => likeliest && holds(r, likeliest[0])) ??
    drawing.rungs[0]!;
  return (
    <>
      <div className={styles.rungs} role="group" aria-label="Rungs">
        {drawing.rungs.map((r) => {
          const parts = r.items.filter((i): i is Part => i.kind === 'part');
          return (
            <button
              key={r.id}
              type="button"
              aria-current={r === rung || undefined}
              data-suspected={parts.some(({ part }) => view.suspected[part] !== undefined) || undefined}
              onClick={() => choose(r.id)}
            >
              <Glance state={stateAtLoad(r, view)} tagged={parts.some(({ part }) => tagOf(view, part) !== undefined)} />
              {names.get(r.id)}
            </button>
          );
        })}
      </div>
      <ol className={styles.walk} role="group" aria-label="Circuit">
        {rung.items
          .filter((i) => i.kind === 'part' || i.point)
          .map((item, i, rows) => (
            <li key={`${rung.id} ${i}`}>
              {item.kind === 'net' ? (
                <PointRow {...props} item={item} before={stateBefore(rows, i, view)} last={i === rows.length - 1} />
              ) : (
                <PartRow
                  {...props}
                  item={item}
                  before={stateBefore(rows, i, view)}
                  after={stateAfter(rows, i, view)}
                  last={i === rows.length - 1}
                />
              )}
            </li>
          ))}
      </ol>
    </>
  );
}

function PointRow({
  drawing,
  view,
  wires,
  red,
  onNet,
  item: { name },
  before,
  last,
}: Props & { item: Net; before: string | undefined; last: boolean }) {
  const net = view.nets[name];
  const state = net?.state ?? 'common';
  const lifted = view.lifted.includes(name);
  const own = wires && wireWords(wires, name);
  const point = drawing.points[name];
  const isRed = red === name;
  const isBlack = red !== undefined && drawing.points[red]?.black === name;
  return (
    <button
      type="button"
      className={styles.point}
      aria-label={pointName({ name, net, point, own, lifted })}
      aria-pressed={isRed}
      data-red={isRed || undefined}
      onClick={() => onNet(name)}
    >
      <svg width="64" height={ROW} aria-hidden="true">
        {before !== undefined && <Wire state={before} from={0} to={ROW / 2} />}
        {!last && <Wire state={state} from={ROW / 2} to={ROW} />}
        <Place state={state} measured={net?.measured !== undefined} />
      </svg>
      <b>{name}</b>
      <span className={styles.state}>{lifted ? 'lead lifted' : (own ?? (net?.sound === '' ? '' : state))}</span>
      <span className={styles.read}>
        {isRed && <b data-probe="red">red probe</b>}
        {isBlack && <b data-probe="black">black probe</b>}
        {net?.measured !== undefined && <b data-measured>{net.measured}</b>}
        {net?.there?.differs ? (
          <em>≠ {net.there.briefly}</em>
        ) : (
          net && net.sound !== '' && net.measured !== net.sound && <small>sound {net.sound}</small>
        )}
      </span>
    </button>
  );
}

function PartRow({
  view,
  red,
  passage,
  onPart,
  item,
  before,
  after,
  last,
}: Props & { item: Part; before: string | undefined; after: string; last: boolean }) {
  const share = view.suspected[item.part];
  const tag = tagOf(view, item.part);
  const isRed = red === item.part && (passage === undefined || passage === item.branch);
  return (
    <button
      type="button"
      className={styles.part}
      aria-label={partName(item, share, tag)}
      aria-pressed={isRed}
      data-suspected={share !== undefined || undefined}
      data-red={isRed || undefined}
      onClick={() => onPart(item.part, item.branch)}
    >
      <svg width="64" height={ROW} aria-hidden="true">
        {before !== undefined && <Wire state={before} from={0} to={ROW / 2 - 12} />}
        {!last && <Wire state={after} from={ROW / 2 + 12} to={ROW} />}
        <g transform={`rotate(90 ${WIRE_AT} ${ROW / 2})`}>
          <Sign symbol={item.symbol} x={WIRE_AT} y={ROW / 2} />
        </g>
        {tag === 'bypassed' && (
          <path className={styles.jumper} d={`M${WIRE_AT} 4h-14q-6 0 -6 6v${ROW - 20}q0 6 6 6h14`} />
        )}
      </svg>
      <span>
        {tradeName(item)}
        {share !== undefined && <b> {share} %</b>}
      </span>
      {tag !== undefined && <span className={styles.tag}>{tag === 'bypassed' ? 'jumper' : tag}</span>}
      {isRed && (
        <span className={styles.read}>
          <b data-probe="red">both probes</b>
        </span>
      )}
    </button>
  );
}

const Wire = ({ state, from, to }: { readonly state: string; readonly from: number; readonly to: number }) => (
  <line className={styles.wire} data-state={state} x1={WIRE_AT} x2={WIRE_AT} y1={from} y2={to} />
);

/** Live, dead or unknown by its form. */
function Place({ state, measured }: { readonly state: string; readonly measured: boolean }) {
  const y = ROW / 2;
  return (
    <g className={styles.place} data-state={state}>
      {measured && <circle className={styles.ring} cx={WIRE_AT} cy={y} r="12" />}
      {state === 'unknown' ? (
        <path d={`M${WIRE_AT - 8} ${y}l8 -8l8 8l-8 8Z`} />
      ) : (
        <circle cx={WIRE_AT} cy={y} r={state === 'live' ? 8 : 7} />
      )}
    </g>
  );
}

/** A rung in a line: whether its load is fed, and whether something is apart. */
const Glance = ({ state, tagged }: { readonly state: string; readonly tagged: boolean }) => (
  <svg width="52" height="12" aria-hidden="true">
    <line className={styles.wire} data-state={state} x1="2" x2="50" y1="6" y2="6" />
    <g className={styles.place} data-state={state}>
      {state === 'unknown' ? <path d="M26 0l6 6-6 6-6-6z" /> : <circle cx="26" cy="6" r="4.5" />}
    </g>
    {tagged && <path className={styles.tagged} d="M38 6l4-5h8v10h-8z" />}
  </svg>
);

/** What a rung is for: its last part that does not only switch or join. */
function loadOf({ items }: DrawnRung): Part {
  const parts = items.filter((i): i is Part => i.kind === 'part');
  return parts.findLast(({ symbol }) => !JOINS.has(symbol)) ?? parts.at(-1)!;
}

const JOINS: ReadonlySet<Part['symbol']> = new Set(['contact', 'plug', 'wire', 'fuse']);

/** Rungs are called by their loads; two of one load by its passages too. */
function namesOf(rungs: readonly DrawnRung[]): ReadonlyMap<string, string> {
  const short = rungs.map((r) => tradeName(loadOf(r)).replace(/^(?:board|module), (?=\w{3})/, ''));
  return new Map(
    rungs.map((r, i) => {
      const load = loadOf(r);
      const twice = short.filter((name) => name === short[i]).length > 1;
      return [r.id, twice && load.branch !== '' ? `${short[i]!} ${load.branch.replaceAll('-', ' ')}` : short[i]!];
    }),
  );
}

const stateOf = (item: DrawnItem | undefined, view: LadderView): string | undefined =>
  item?.kind === 'net' ? (view.nets[item.name]?.state ?? 'common') : undefined;

/** Of the wire that comes into a row: that of the point above it. Behind a part it is the next point's. */
function stateBefore(rows: readonly DrawnItem[], i: number, view: LadderView): string | undefined {
  if (i === 0) return undefined;
  return stateOf(rows[i - 1], view) ?? stateAfter(rows, i - 1, view);
}

const stateAfter = (rows: readonly DrawnItem[], i: number, view: LadderView): string =>
  stateOf(
    rows.slice(i + 1).find((r) => r.kind === 'net'),
    view,
  ) ?? 'unknown';

/** Whether power comes as far as a rung's load. */
function stateAtLoad(rung: DrawnRung, view: LadderView): string {
  const load = rung.items.indexOf(loadOf(rung));
  const points = rung.items.filter((i): i is Net => i.kind === 'net' && i.point);
  const ahead = points.filter((p) => rung.items.indexOf(p) < load && view.nets[p.name]);
  return stateOf(ahead.at(-1) ?? points.find((p) => view.nets[p.name]), view) ?? 'unknown';
}
