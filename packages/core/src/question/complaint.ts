import type { Model } from '../profile';
import type { Lived } from '../simulation';

/** What customers say on the telephone, as far as it can be told apart. */
export const COMPLAINT_IDS = ['nothing', 'tries', 'short', 'poor', 'fine-now', 'after-reset'] as const;
export type Complaint = (typeof COMPLAINT_IDS)[number];

/** Whether somebody with this run at home would say so. Common practice, no source. */
export function complainsOf(model: Model, { trace, before }: Lived, complaint: Complaint): boolean {
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
    case 'after-reset':
      // Somebody pressed it before: it went as it goes until the safety opens.
      return before !== undefined && before.cues[model.phases.findIndex((p) => p.goal)]!.length > 0;
  }
}
