import type { Data, Fields, Path } from '../../profile';
import type { Prediction } from '../prediction';

/** Minutes of what is watched or read off rather than measured. Common practice, no source. */
export const MINUTES = {
  /** Watching one cue costs little once one stands in front of the burner. */
  cue: 0.3,
  /** Watching one more try while something is unplugged. */
  try: 2,
} as const;

/** What all kinds have in common that are answered by choosing. */
export const CHOICE = {
  place: (p: Prediction): number => (p.kind === 'choice' ? p.answer : 0),
  sameOutcome:
    () =>
    (a: Prediction, b: Prediction): boolean =>
      a.kind === 'choice' && b.kind === 'choice' && a.answer === b.answer,
  coarse: (_model: unknown, _question: unknown, p: Prediction): string =>
    p.kind === 'choice' ? `${p.answer}` : p.kind,
};

/** Yes, no or can't tell, as a case file writes it. */
export function readYesNo(fields: Fields, data: Data, at: Path): 'yes' | 'no' | 'unclear' {
  if (data === true || data === 'yes') return 'yes';
  if (data === false || data === 'no') return 'no';
  if (data !== 'unclear') fields.file.problem(at, 'must be yes, no or unclear');
  return 'unclear';
}
