import { ENGINE_VERSION } from '@zetalysis/core/diagnosis';
import { ageAt } from '@zetalysis/core/history';
import type { Build } from '@zetalysis/core/profile';
import { buildEntry, type PinnedRates } from '@zetalysis/core/visit';
import type { Me, ProfileSummary } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { http } from '../../api/http';
import { shopLimits } from '../../api/shop';
import { newEntry } from '../../store/entry';
import { local } from '../../store/local';
import { knownMachine } from '../../store/machines';
import { currentRates } from '../../store/rates';

interface Opening {
  /** From the register; nothing for a machine that is only known by its family. */
  readonly machine: string | undefined;
  readonly profile: ProfileSummary;
  readonly build: Build;
  readonly complaint: string;
}

/** Resets that nobody found a cause for on this machine; while the server is away nobody knows of any. */
async function pressedBefore(machine: string) {
  try {
    return await http('GET /machines/:id/resets', { params: { id: machine } });
  } catch {
    return [];
  }
}

/** The rates of the shop as they are now, for this machine. */
async function pinned(machine: Opening['machine']): Promise<{ readonly rates?: PinnedRates }> {
  const version = await currentRates();
  if (version === undefined) return {};
  const { make = '', sheet } = (machine !== undefined && (await knownMachine(machine))) || {};
  const age = ageAt(sheet?.made, new Date());
  return { rates: { version, ...(make !== '' && { make }), ...(age !== undefined && { age }) } };
}

/** Opens a call: its first entry pins what it is read with. Returns the id of the call; throws when this device cannot keep it. */
export async function openCall(me: Me, { machine, profile, build, complaint }: Opening): Promise<string> {
  const call = v7();
  // Asked together: with the server away none waits for another.
  const [before, limits, settings] = await Promise.all([
    machine === undefined ? undefined : pressedBefore(machine),
    shopLimits(),
    pinned(machine),
  ]);
  await local.append(
    newEntry(call, me.name, 1, {
      type: 'opened',
      ...(machine !== undefined && before && { machine, before }),
      limits,
      ...(profile.family !== undefined && { family: profile.family }),
      complaint: complaint.trim(),
      profile: profile.id,
      profileVersion: profile.version,
      build: buildEntry(build),
      engineVersion: ENGINE_VERSION,
      settings: { units: me.units, settingsVersion: '1', ...settings },
    }),
  );
  return call;
}
