import type { Place } from '../instruments';
import type { Model } from '../profile';

/**
 * The switch that opens with the panel, where the machine has one: a door switch that nothing else opens. One that opens with the
 * door of a drum is another.
 */
export const panelSwitch = ({ parts }: Pick<Model, 'parts'>): Model['parts'][number] | undefined =>
  parts.find(({ safety, spec }) => safety === 'door-switch' && spec['closed-when'] === 'true');

/** Whether a hand has to go behind the panel for it: taps, stacks and the room are in front of it. */
export const behindPanel = ({ at }: Place): boolean => at === 'points' || at === 'part';
