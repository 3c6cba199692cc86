import type { DrawnItem } from '@zetalysis/core/presentation';
import { partName, type PartTag } from './ladder-labels';
import type { Placed } from './ladder-layout';
import styles from './PartGlyph.module.css';
import { Target } from './Target';

type Part = Extract<DrawnItem, { kind: 'part' }>;

interface Props {
  readonly placed: Placed;
  readonly item: Part;
  /** Its share in per cent where it is suspected. */
  readonly share: number | undefined;
  /** What is there for now: a jumper round it, its plug pulled, itself taken out. */
  readonly tag: PartTag | undefined;
  /** It is being measured. */
  readonly red: boolean;
  readonly onClick: () => void;
}

/** Our own signs: what a part is, heavier and with its share when it is suspected. */
export function PartGlyph({ placed: { x, y, lines }, item, share, tag, red, onClick }: Props) {
  const suspected = share !== undefined;
  return (
    <Target
      label={partName(item, share, tag)}
      x={x}
      y={y + 2}
      className={styles.part}
      data-suspected={suspected || undefined}
      data-tag={tag}
      data-red={red || undefined}
      pressed={red}
      onClick={onClick}
    >
      <Sign symbol={item.symbol} x={x} y={y} />
      {(tag === 'apart' || tag === 'out') && (
        <path className={styles.apart} d={`M${x - 5} ${y - 8}l10 16M${x + 5} ${y - 8}l-10 16`} />
      )}
      {lines.map(({ words, box }) => (
        <text key={words} data-label className={styles.name} x={box.x} y={box.y + box.height - 2}>
          {words}
        </text>
      ))}
    </Target>
  );
}

export function Sign({ symbol, x, y }: { symbol: Part['symbol']; x: number; y: number }) {
  switch (symbol) {
    case 'contact':
      return <path className={styles.sign} d={`M${x - 12} ${y}h5M${x + 7} ${y}h5M${x - 7} ${y}l13 -8`} />;
    case 'fuse':
      return <path className={styles.sign} d={`M${x - 12} ${y - 4}h24v8h-24zM${x - 12} ${y}h24`} />;
    case 'coil':
      return <path className={styles.sign} d={`M${x - 12} ${y - 6}h24v12h-24zM${x - 12} ${y + 6}l24 -12`} />;
    case 'winding':
      return <path className={styles.sign} d={`M${x - 12} ${y}a4 5 0 0 1 8 0a4 5 0 0 1 8 0a4 5 0 0 1 8 0`} />;
    case 'motor':
      return (
        <>
          <circle className={styles.sign} cx={x} cy={y} r="9" />
          <path className={styles.sign} d={`M${x - 5} ${y + 3}v-6l5 5l5 -5v6`} />
        </>
      );
    case 'igniter':
      return <path className={styles.sign} d={`M${x - 12} ${y}h4l2 -7l4 14l4 -14l2 7h8`} />;
    case 'spark':
      return <path className={styles.sign} d={`M${x - 12} ${y}h6M${x + 6} ${y}h6M${x + 2} ${y - 8}l-5 8h5l-4 8`} />;
    case 'rod':
      return (
        <path className={styles.sign} d={`M${x - 12} ${y}h8v-4h4v8h-4v-4M${x + 2} ${y}c3 -8 8 -4 8 0s-5 8 -8 0z`} />
      );
    case 'plug':
      return <path className={styles.sign} d={`M${x - 10} ${y - 5}h6l4 5l-4 5h-6M${x + 10} ${y - 5}h-6l-3 5l3 5h6`} />;
    case 'source':
      return <circle className={styles.sign} cx={x} cy={y} r="8" />;
    case 'wire':
      return <path className={styles.sign} d={`M${x - 12} ${y}c4 -6 8 6 12 0s8 6 12 0`} />;
    default:
      return <rect className={styles.sign} x={x - 12} y={y - 5} width="24" height="10" />;
  }
}
