import { Words } from '../../../kit/Words';

interface Props {
  /** The clamp's name. */
  readonly of: string;
  readonly turns: number;
  readonly onChange: (turns: number) => void;
}

const TURNS = [
  { id: '1', title: 'once' },
  { id: '2', title: 'twice' },
  { id: '5', title: '5 ×' },
  { id: '10', title: '10 ×' },
] as const;

/** How often the wire goes through the jaw: a small current is read from a coil of the wire. */
export const Turns = ({ of, turns, onChange }: Props) => (
  <Words
    label={`The wire goes through ${of}`}
    options={TURNS}
    value={TURNS.find(({ id }) => Number(id) === turns)?.id}
    onChange={(id) => onChange(Number(id))}
  />
);
