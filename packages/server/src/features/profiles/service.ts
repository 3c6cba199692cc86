import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ProfileSummary, WholeProfile } from '@zetalysis/contract';
import type { Build } from '@zetalysis/core/profile';
import { Problem } from '../../http/problem';
import type { ProfileChecker } from './checker';
import type { CheckAnswer, Description } from './checks';
import {
  addProfile,
  describeProfile,
  importedProfiles,
  keepProfile,
  storedVersion,
  type StoredText,
  storedVersions,
  undescribedProfiles,
} from './repository';

/** The profiles that ship with the program, and those brought in from outside. Nothing served is ever forgotten. */
export class Profiles {
  constructor(
    private readonly shipped: ReadonlyMap<string, WholeProfile>,
    private readonly checker: ProfileChecker,
  ) {}

  /** Keeps the shipped versions for the calls that will be pinned to them, and describes what is not described yet. */
  async keep(): Promise<void> {
    for (const { source, importedBy, ...description } of this.shipped.values())
      await keepProfile({ source, importedBy, description });
    for (const { id, version, source } of await undescribedProfiles()) {
      const answer = await this.checker.check({ source, what: 'description' }).catch(() => undefined);
      // One that cannot be read any more stays for the calls that are pinned to it, and out of every list.
      if (answer?.sound) await describeProfile(id, version, answer.description);
    }
  }

  /** The newest version of each, as lists show it. */
  async all(): Promise<ProfileSummary[]> {
    const newest = new Map([...this.shipped].map(([id, profile]) => [id, summaryOf(profile)]));
    for (const { description, importedBy } of await importedProfiles())
      if (!newest.has(description.id)) newest.set(description.id, asListed(description, importedBy));
    return [...newest.values()].sort((a, b) => (a.title < b.title ? -1 : 1));
  }

  /** A profile in the wanted version, else the newest there is. */
  private async find(id: string, version?: string): Promise<WholeProfile | undefined> {
    const shipped = this.shipped.get(id);
    if (shipped && (version === undefined || shipped.version === version)) return shipped;
    const rows = await storedVersions(id);
    const row = rows.find((r) => r.version === version);
    if (row) return whole(row);
    return shipped ?? (rows[0] && whole(rows[0]));
  }

  /** As `find`; throws a Problem with the given status that lists what is known. */
  async get(id: string, status: 400 | 404, version?: string): Promise<WholeProfile> {
    const found = await this.find(id, version);
    if (found) return found;
    const known = (await this.all()).map((p) => p.id).join(', ');
    throw new Problem(status, 'Unknown profile', `There is no profile "${id}" here. Known: ${known}.`);
  }

  /** What of a profile, its version and a build of it is not here; nothing when all of it is. */
  async missing(id: string, version: string, build: Build): Promise<string | undefined> {
    const shipped = this.shipped.get(id);
    const found = shipped?.version === version ? shipped : await storedVersion(id, version).then((row) => row && whole(row));
    if (!found) return `There is no version ${version} of a profile "${id}" here.`;
    const unknown = build.options.find((option) => !found.variants.some((v) => v.id === option));
    if (unknown !== undefined) return `"${id}" ${version} has no variant "${unknown}".`;
    if (Object.keys(build.order).length === 0) return undefined;
    const answer = await this.checker.check({ source: found.source, what: { build } });
    return answer.sound ? undefined : answer.problems.join('\n');
  }

  /** Checks that a family can be built like that, by running it once, healthy. Throws a Problem that says what is wrong. */
  async checkBuild(id: string, build: Build): Promise<void> {
    const { source } = await this.get(id, 400);
    soundOr('It cannot be built like that', await this.checker.check({ source, what: { build } }));
  }

  /** Checks a profile from outside as `profiles --check` does and takes it in. Throws a Problem that says what is wrong. */
  async add(source: string, person: string): Promise<ProfileSummary> {
    const description = soundOr('This profile cannot be used', await this.checker.check({ source, what: 'all' }));
    const { id, version } = description;
    if (this.shipped.has(id))
      throw new Problem(
        409,
        'Name taken',
        `"${id}" ships with the program. Give yours another id, for example ${id}-own.`,
      );
    if (!(await addProfile({ source, importedBy: person, description })))
      throw new Problem(
        409,
        'Version taken',
        `"${id}" ${version} is here already. Raise its version, then import it again.`,
      );
    return asListed(description, person);
  }
}

function soundOr(title: string, answer: CheckAnswer): Description {
  if (answer.sound) return answer.description;
  throw new Problem(400, title, answer.problems.join('\n'));
}

const asListed = ({ phases, variants, ...description }: Description, importedBy: string | null): ProfileSummary => ({
  ...description,
  phases: [...phases],
  variants: [...variants],
  importedBy,
});

/** A stored profile; one that nobody can read any more still has its text. */
const whole = ({ id, version, source, importedBy, description }: StoredText): WholeProfile => ({
  ...asListed(description ?? { id, version, title: id, summary: '', identity: {}, phases: [], variants: [] }, importedBy),
  source,
});

/**
 * The profiles of a directory as they are served, by id, each checked. Throws an Error that names the first one that is not sound.
 */
export async function shippedIn(directory: string, checker: ProfileChecker): Promise<Map<string, WholeProfile>> {
  const map = new Map<string, WholeProfile>();
  for (const file of readdirSync(directory).filter((f) => f.endsWith('.yaml'))) {
    const source = readFileSync(join(directory, file), 'utf8');
    const answer = await checker.check({ source, what: 'description' });
    if (!answer.sound) throw new Error(`${file}: ${answer.problems.join('\n')}`);
    map.set(answer.description.id, { ...asListed(answer.description, null), source });
  }
  return map;
}

/** A profile without its text, for lists. */
const summaryOf = ({ source: _source, ...summary }: WholeProfile): ProfileSummary => summary;
