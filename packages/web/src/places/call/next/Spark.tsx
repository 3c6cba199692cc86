import type { Display } from '@zetalysis/core/instruments';

const WIDTH = 300;
const HEIGHT = 20;
const SECONDS = 10;

/** What a display showed for the last ten seconds. */
export function Spark({ shown }: { readonly shown: readonly Display[] }) {
  const last = shown[shown.length - 1];
  if (!last) return <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} height={HEIGHT} aria-hidden="true" />;
  const values = shown.filter((d) => d.value !== undefined);
  const [low, high] = [
    Math.min(0, ...values.map((d) => d.value!)),
    Math.max(...values.map((d) => d.value!), last.step * 20),
  ];
  const x = (d: Display): number => WIDTH * (1 - (last.at - d.at) / 1000 / SECONDS);
  const y = (d: Display): number => HEIGHT - 3 - ((HEIGHT - 6) * (d.value! - low)) / (high - low || 1);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      height={HEIGHT}
      preserveAspectRatio="none"
      role="img"
      aria-label="The last ten seconds"
    >
      <path d={`M0 ${HEIGHT - 1}H${WIDTH}`} stroke="var(--ink)" strokeWidth="1" />
      <polyline
        points={values.map((d) => `${x(d).toFixed(1)},${y(d).toFixed(1)}`).join(' ')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
