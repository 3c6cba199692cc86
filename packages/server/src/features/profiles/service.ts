import { type Build, formatProblem, loadProfile, ProblemError, type Problem as ProfileProblem, variantsOf, withVariant } from '@zetalysis/core/profile';
import { checkProfile } from '@zetalysis/core/simulation';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ProfileSummary, WholeProfile } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { addProfile, keepProfile, storedProfiles, storedVersion, storedVersions } from './repository';

/** Every variant is run once, healthy, before a profile from outside is taken in; more than these would take too long. */
const MOST_VARIANTS = 12;

/** The profiles that ship with the program, and those brought in from outside. Nothing served is ever forgotten. */
export class Profiles {
  constructor(private readonly shipped: ReadonlyMap<string, WholeProfile>) {}

  /** Keeps the shipped versions for the calls that will be pinned to them. */
  async keepShipped(): Promise<void> {
    for (const { id, version, source } of this.shipped.values())
      await keepProfile({ id, version, source, importedBy: null });
  }

  /** The newest version of each. */
  async all(): Promise<WholeProfile[]> {
    const imported = await storedProfiles();
    const newest = new Map(this.shipped);
    for (const row of imported) if (row.importedBy !== null && !newest.has(row.id)) newest.set(row.id, describe(row));
    return [...newest.values()].sort((a, b) => (a.title < b.title ? -1 : 1));
  }

  /** A profile in the wanted version, else the newest there is. */
  async find(id: string, version?: string): Promise<WholeProfile | undefined> {
    const shipped = this.shipped.get(id);
    if (shipped && (version === undefined || shipped.version === version)) return shipped;
    const rows = await storedVersions(id);
    const row = rows.find((r) => r.version === version);
    if (row) return describe(row);
    return shipped ?? (rows[0] && describe(rows[0]));
  }

  /** As `find`; throws a Problem with the given status that lists what is known. */
  async get(id: string, status: 400 | 404, version?: string): Promise<WholeProfile> {
    const found = await this.find(id, version);
    if (found) return found;
    const known = (await this.all()).map((p) => p.id).join(', ');
    throw new Problem(status, 'Unknown profile', `There is no profile "${id}" here. Known: ${known}.`);
  }

  /** Checks that a family can be built like that, by running it once, healthy. Throws a Problem that says what is wrong. */
  async checkBuild(id: string, build: Build): Promise<void> {
    const { source } = await this.get(id, 400);
    const refuse = (problems: readonly ProfileProblem[]): never => {
      throw new Problem(
        400,
        'It cannot be built like that',
        problems
          .slice(0, 10)
          .map((p) => `${p.path}: ${p.message}`)
          .join('\n'),
      );
    };
    try {
      const { problems } = checkProfile(source, id, build);
      if (problems.length > 0) refuse(problems);
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      refuse(error.problems);
    }
  }

  /** Checks a profile from outside as `profiles --check` does and takes it in. Throws a Problem that says what is wrong. */
  async add(source: string, person: string): Promise<WholeProfile> {
    const served = checked(source, person);
    const { id, version } = served;
    if (this.shipped.has(id))
      throw new Problem(
        409,
        'Name taken',
        `"${id}" ships with the program. Give yours another id, for example ${id}-own.`,
      );
    if (await storedVersion(id, version))
      throw new Problem(
        409,
        'Version taken',
        `"${id}" ${version} is here already. Raise its version, then import it again.`,
      );
    await addProfile({ id, version, source, importedBy: person });
    return served;
  }
}

function checked(source: string, importedBy: string): WholeProfile {
  const file = 'profile';
  try {
    const variants = variantsOf(source, file);
    if (variants.length > MOST_VARIANTS)
      throw new Problem(400, 'Too many variants', `It has ${variants.length} variants; ${MOST_VARIANTS} is the most.`);
    for (const variant of [undefined, ...variants.map((v) => v.id)]) {
      const { problems } = checkProfile(source, file, withVariant(variant));
      if (problems.length > 0) throw new ProblemError(problems);
    }
    return describe({ source, importedBy });
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    const shown = error.problems.slice(0, 10).map(formatProblem).join('\n');
    throw new Problem(400, 'This profile cannot be used', shown);
  }
}

function describe({ source, importedBy }: { source: string; importedBy: string | null }): WholeProfile {
  const { id, title, summary, version, identity } = loadProfile(source, 'profile');
  const variants = variantsOf(source, 'profile');
  return { id, title, summary, version, identity, variants, importedBy, source };
}

/** Reads and checks the shipped profiles once at start; a broken one stops the server with its problems. */
export function readProfiles(directory: string): Profiles {
  const map = new Map<string, WholeProfile>();
  for (const file of readdirSync(directory).filter((f) => f.endsWith('.yaml'))) {
    const served = describe({ source: readFileSync(join(directory, file), 'utf8'), importedBy: null });
    map.set(served.id, served);
  }
  return new Profiles(map);
}

/** A profile without its text, for lists. */
export const summaryOf = ({ source: _source, ...summary }: WholeProfile): ProfileSummary => summary;
