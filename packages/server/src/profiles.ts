import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { formatProblem, type Identity, loadProfile, ProblemError, variantsOf } from '@zetalysis/core/profile';
import { checkProfile } from '@zetalysis/core/simulation';
import { StoredProfile } from './db/models';
import { Problem } from './http/problem';

interface ServedProfile {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly version: string;
  readonly identity: Identity;
  readonly variants: readonly { id: string; title: string; identity: Identity }[];
  /** Who brought it in; nothing for those that ship with the program. */
  readonly importedBy: string | null;
  readonly source: string;
}

/** Every variant is run once, healthy, before a profile from outside is taken in; more than these would take too long. */
const MOST_VARIANTS = 12;

/** The profiles that ship with the program, and those brought in from outside. Nothing served is ever forgotten. */
export class Profiles {
  constructor(private readonly shipped: ReadonlyMap<string, ServedProfile>) {}

  /** Keeps the shipped versions for the calls that will be pinned to them. */
  async keepShipped(): Promise<void> {
    for (const { id, version, source } of this.shipped.values())
      await StoredProfile.findOrCreate({ where: { id, version }, defaults: { id, version, source, importedBy: null } });
  }

  /** The newest version of each. */
  async all(): Promise<ServedProfile[]> {
    const imported = await StoredProfile.findAll({ order: [['createdAt', 'DESC']] });
    const newest = new Map(this.shipped);
    for (const row of imported) if (row.importedBy !== null && !newest.has(row.id)) newest.set(row.id, describe(row));
    return [...newest.values()].sort((a, b) => (a.title < b.title ? -1 : 1));
  }

  /** A profile in the wanted version, else the newest there is. */
  async find(id: string, version?: string): Promise<ServedProfile | undefined> {
    const shipped = this.shipped.get(id);
    if (shipped && (version === undefined || shipped.version === version)) return shipped;
    const rows = await StoredProfile.findAll({ where: { id }, order: [['createdAt', 'DESC']] });
    const row = rows.find((r) => r.version === version);
    if (row) return describe(row);
    return shipped ?? (rows[0] && describe(rows[0]));
  }

  /** As `find`; throws a Problem with the given status that lists what is known. */
  async get(id: string, status: 400 | 404, version?: string): Promise<ServedProfile> {
    const found = await this.find(id, version);
    if (found) return found;
    const known = (await this.all()).map((p) => p.id).join(', ');
    throw new Problem(status, 'Unknown profile', `There is no profile "${id}" here. Known: ${known}.`);
  }

  /** Checks a profile from outside as `profiles --check` does and takes it in. Throws a Problem that says what is wrong. */
  async add(source: string, person: string): Promise<ServedProfile> {
    const served = checked(source, person);
    const { id, version } = served;
    if (this.shipped.has(id))
      throw new Problem(
        409,
        'Name taken',
        `"${id}" ships with the program. Give yours another id, for example ${id}-own.`,
      );
    if (await StoredProfile.findOne({ where: { id, version } }))
      throw new Problem(
        409,
        'Version taken',
        `"${id}" ${version} is here already. Raise its version, then import it again.`,
      );
    await StoredProfile.create({ id, version, source, importedBy: person });
    return served;
  }
}

function checked(source: string, importedBy: string): ServedProfile {
  const file = 'profile';
  try {
    const variants = variantsOf(source, file);
    if (variants.length > MOST_VARIANTS)
      throw new Problem(400, 'Too many variants', `It has ${variants.length} variants; ${MOST_VARIANTS} is the most.`);
    for (const variant of [undefined, ...variants.map((v) => v.id)]) {
      const { problems } = checkProfile(source, file, variant);
      if (problems.length > 0) throw new ProblemError(problems);
    }
    return describe({ source, importedBy });
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    const shown = error.problems.slice(0, 10).map(formatProblem).join('\n');
    throw new Problem(400, 'This profile cannot be used', shown);
  }
}

function describe({ source, importedBy }: { source: string; importedBy: string | null }): ServedProfile {
  const { id, title, summary, version, identity } = loadProfile(source, 'profile');
  return { id, title, summary, version, identity, variants: variantsOf(source, 'profile'), importedBy, source };
}

/** Reads and checks the shipped profiles once at start; a broken one stops the server with its problems. */
export function readProfiles(directory: string): Profiles {
  const map = new Map<string, ServedProfile>();
  for (const file of readdirSync(directory).filter((f) => f.endsWith('.yaml'))) {
    const served = describe({ source: readFileSync(join(directory, file), 'utf8'), importedBy: null });
    map.set(served.id, served);
  }
  return new Profiles(map);
}
