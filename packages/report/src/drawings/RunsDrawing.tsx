import type { Runs, StepOfRun } from '@zetalysis/core/presentation';

const WIDTH = 674;
const LEFT = 112;
const ROW = 58;
const HEAD = 46;
/** Room for half a label on either side. */
const EDGES = 64;

/** Words in as many lines as fit between two beads. */
function wrapped(words: string, most: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines.slice(0, 3);
}

/** How far it ran when we came, and when we left: one line of beads each. Drawn alike on screen, in HTML and in PDF. */
export function RunsDrawing({ runs }: { readonly runs: Runs }) {
  const rows = [
    { title: 'When we came', steps: runs.came },
    ...(runs.left.length > 0 ? [{ title: 'When we left', steps: runs.left }] : []),
  ];
  const count = runs.came.length;
  const gap = (WIDTH - LEFT - EDGES) / Math.max(1, count - 1);
  const at = (i: number): number => LEFT + EDGES / 2 + i * gap;
  const most = Math.max(7, Math.floor(gap / 7));
  const height = HEAD + rows.length * ROW;
  return (
    <svg xmlns="http://www.w3.org/2000/svg" viewBox={`0 0 ${WIDTH} ${height}`} width={WIDTH} height={height} role="img">
      <title>{rows.map(({ title, steps }) => `${title}: ${inWords(steps)}`).join(' ')}</title>
      {runs.came.map(({ title }, i) => {
        const lines = wrapped(title, most);
        return lines.map((line, k) => (
          <text
            key={`${title} ${k}`}
            x={at(i)}
            y={HEAD - 10 - (lines.length - 1 - k) * 13}
            textAnchor="middle"
            fontFamily="B612"
            fontSize="11"
          >
            {line}
          </text>
        ));
      })}
      {rows.map(({ title, steps }, r) => {
        const y = HEAD + r * ROW + 12;
        return (
          <g key={title}>
            <text x="0" y={y + 4} fontFamily="B612" fontWeight="bold" fontSize="12.5">
              {title}
            </text>
            {steps.slice(1).map(({ title: step, is }, i) => (
              <line
                key={step}
                x1={at(i) + 9}
                y1={y}
                x2={at(i + 1) - 9}
                y2={y}
                stroke="#000"
                strokeWidth={is === 'unseen' ? 1.2 : 3.5}
                {...(is === 'unseen' && { strokeDasharray: '4 3' })}
              />
            ))}
            {steps.map((step, i) => (
              <Bead key={step.title} x={at(i)} y={y} step={step} />
            ))}
          </g>
        );
      })}
    </svg>
  );
}

const inWords = (steps: readonly StepOfRun[]): string =>
  `${steps.map(({ title, is }) => `${title} ${is === 'came' ? 'came' : is === 'broke' ? 'did not come' : 'was not seen'}`).join(', ')}.`;

function Bead({ x, y, step: { is, at } }: { readonly x: number; readonly y: number; readonly step: StepOfRun }) {
  const says = is === 'broke' ? 'broke off' : (at ?? '');
  return (
    <g>
      {is === 'came' && <circle cx={x} cy={y} r="9" fill="#000" />}
      {is === 'came' && (
        <polyline
          points={`${x - 4},${y} ${x - 1},${y + 3.5} ${x + 4.5},${y - 3.5}`}
          fill="none"
          stroke="#fff"
          strokeWidth="2"
        />
      )}
      {is === 'unseen' && (
        <circle cx={x} cy={y} r="8.5" fill="none" stroke="#000" strokeWidth="1.2" strokeDasharray="3 2" />
      )}
      {is === 'broke' && (
        <polygon
          points={`${x},${y - 12} ${x + 12},${y} ${x},${y + 12} ${x - 12},${y}`}
          fill="#fff"
          stroke="#000"
          strokeWidth="2.5"
        />
      )}
      {is === 'broke' && (
        <path d={`M${x - 3.5},${y - 3.5} l7,7 m0,-7 l-7,7`} fill="none" stroke="#000" strokeWidth="2.2" />
      )}
      <text x={x} y={y + 27} textAnchor="middle" fontFamily="B612" fontSize="11">
        {says}
      </text>
    </g>
  );
}
