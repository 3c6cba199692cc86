import type { Model } from '../profile';
import type { Trace } from '../simulation';

/** What a customer says on the telephone, and what a run must look like for it to be said. */
export const COMPLAINTS = {
  nothing: 'It does nothing at all',
  tries: 'It tries, and gives no heat',
  short: 'It heats a little, then stops',
  poor: 'It runs, and something is not as it should be',
  'fine-now': 'It stopped once, and works now',
} as const;

export type Complaint = keyof typeof COMPLAINTS;
export const COMPLAINT_IDS = Object.keys(COMPLAINTS) as Complaint[];

/** Whether somebody with this run at home would say so. Common practice, no source. */
export function complainsOf(model: Model, trace: Trace, complaint: Complaint): boolean {
  const reached = trace.cues[model.phases.findIndex((p) => p.goal)]!.length > 0;
  const asShould = model.phases.every((p) => trace.cues[p.index]!.length > 0 !== p.unwanted);
  switch (complaint) {
    case 'nothing':
      return trace.outcome === 'dead' || (trace.outcome === 'stuck' && !reached);
    case 'tries':
      return !reached && trace.outcome !== 'dead';
    case 'short':
      return reached && (trace.outcome !== 'runs' || !asShould);
    case 'poor':
      return reached && !asShould;
    case 'fine-now':
      return trace.outcome === 'runs' && asShould;
  }
}
