import type { MeasuredMark } from '@zetalysis/core/presentation';

const WIDTH = 170;
const TOP = 10;
const DEEP = 9;

/** Where a reading lay and lies on its scale; the open piece is where it should. */
export function MarkDrawing({ mark: { low, high, was, now, top } }: { readonly mark: MeasuredMark }) {
  const x = (value: number): number => 4 + (Math.min(value, top) / top) * (WIDTH - 8);
  const slopes = Array.from({ length: Math.floor(WIDTH / 6) }, (_, i) => 4 + i * 6).filter((at) => at + 6 < WIDTH - 3);
  return (
    <svg xmlns="http://www.w3.org/2000/svg" viewBox={`0 0 ${WIDTH} 24`} width={WIDTH} height="24" aria-hidden="true">
      <rect x="4" y={TOP} width={WIDTH - 8} height={DEEP} fill="#fff" stroke="#555" strokeWidth="0.8" />
      {slopes.map((at) => (
        <line key={at} x1={at} y1={TOP + DEEP} x2={at + 5} y2={TOP} stroke="#999" strokeWidth="0.6" />
      ))}
      <rect
        x={x(low)}
        y={TOP}
        width={Math.max(2, x(high) - x(low))}
        height={DEEP}
        fill="#fff"
        stroke="#555"
        strokeWidth="0.8"
      />
      {[low, high].map((limit) => (
        <line
          key={limit}
          x1={x(limit)}
          y1={TOP - 3}
          x2={x(limit)}
          y2={TOP + DEEP + 3}
          stroke="#000"
          strokeWidth="1.6"
        />
      ))}
      {was !== undefined && <Pointer x={x(was)} fill="#fff" />}
      {now !== undefined && <Pointer x={x(now)} fill="#000" />}
    </svg>
  );
}

const Pointer = ({ x, fill }: { readonly x: number; readonly fill: string }) => (
  <polygon points={`${x - 5},1 ${x + 5},1 ${x},9`} fill={fill} stroke="#000" strokeWidth="1.2" />
);
