import type { FaultMode } from '../parts';

type RepairAction = Exclude<FaultMode['repair'], 'none'>;

/** What would be repaired, and how; `none` when nothing is broken, `unknown` for what the model does not know. */
export type Repair = `${string}:${RepairAction}` | 'none' | 'unknown';

/** The part (or plug) that a repair is of, by id, and what is done to it. */
export function repairOf(repair: Repair): { readonly part?: string; readonly action?: RepairAction } {
  const at = repair.lastIndexOf(':');
  return at < 0 ? {} : { part: repair.slice(0, at), action: repair.slice(at + 1) as RepairAction };
}

/** The repair of a part; pins of one connector are mended by one remake of the connector. */
export const repairKey = (part: string, connector: boolean, action: RepairAction): Repair =>
  connector ? `${part.slice(0, part.indexOf('/'))}:reconnect` : `${part}:${action}`;
