import type { Measure } from '@zetalysis/core/bench';
import styles from './SetUp.module.css';

/** What every test of a set-up needs, in the order it is done. */
const STEPS: Readonly<Record<Measure['setUp'], string>> = {
  dead: 'Power off and seen off. Meter proved on a live source. Part alone: both ends off. Ohms, lowest range; probes either way round.',
  live: 'The call on, its load connected. V ~, or V ⎓ on 12 V and on DC coils. Black first, on the common; red on the point; one hand.',
  across: 'The call on, current flowing. Red on the feed side, black on the load side.',
  clamp: 'One conductor alone in the jaw. Few amps: wind it N times through, and type N.',
  gauge: 'Gauge zeroed before it is connected.',
  'by-eye': 'Look, listen and note it as you saw it.',
};

/** How it is set up, and where the probes go. */
export function SetUp({ measure }: { readonly measure: Measure }) {
  return (
    <div className={styles.setUp}>
      <p>
        {STEPS[measure.setUp]} {measure.how}
      </p>
      {measure.line && (
        <p className={styles.line}>
          <b>Line voltage here.</b> Only who is allowed to by local rules.
        </p>
      )}
      {measure.probes && <Drawing {...measure.probes} kind={measure.setUp} />}
    </div>
  );
}

interface DrawingProps extends NonNullable<Measure['probes']> {
  readonly kind: Measure['setUp'];
}

/** The part between its two wires, with the probes, the jaw or the hose where they go. */
function Drawing({ red, black, across, kind }: DrawingProps) {
  const words = `${kind === 'clamp' ? 'Jaw' : kind === 'gauge' ? 'Hose' : 'Red'}: ${red}${black === undefined ? '' : `; black: ${black}`}`;
  return (
    <figure className={styles.drawing}>
      <svg viewBox="0 0 320 96" role="img" aria-label={words}>
        <path className={styles.wire} d="M4 70H92M228 70H316" />
        <rect className={styles.part} x="92" y="46" width="136" height="46" rx="4" />
        <text x="160" y="74" textAnchor="middle">
          {across}
        </text>
        {kind === 'clamp' ? (
          <path className={styles.jaw} d="M48 70m-20 0a20 20 0 1 1 40 0a20 20 0 1 1 -40 0M48 50V20" />
        ) : kind === 'gauge' ? (
          <path className={styles.hose} d="M116 46V30q0 -18 -24 -18H34" />
        ) : (
          <>
            <path className={styles.red} d="M84 66L40 14l12 -8L94 62z" />
            {black !== undefined && <path className={styles.black} d="M236 66L280 14l-12 -8L226 62z" />}
          </>
        )}
      </svg>
      <figcaption>
        <span>
          <i data-probe={kind === 'clamp' || kind === 'gauge' ? 'other' : 'red'} />
          {kind === 'clamp' ? 'jaw' : kind === 'gauge' ? 'hose' : 'red'}: {red}
        </span>
        {black !== undefined && (
          <span>
            <i data-probe="black" />
            black: {black}
          </span>
        )}
      </figcaption>
    </figure>
  );
}
