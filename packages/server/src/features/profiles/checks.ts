import { type Build, type Identity, loadProfile, ProblemError, formatProblem, variantsOf, withVariant } from '@zetalysis/core/profile';
import type { Family } from '@zetalysis/core/rules';
import { checkProfile } from '@zetalysis/core/simulation';

/** Every variant is run once, healthy, before a profile from outside is taken in; more than these would take too long. */
const MOST_VARIANTS = 12;

/** What lists show of a profile, kept with it so that nobody has to read it again. */
export interface Description {
  readonly id: string;
  readonly version: string;
  readonly title: string;
  readonly summary: string;
  readonly family?: Family;
  readonly identity: Identity;
  readonly phases: readonly { readonly id: string; readonly title: string; readonly unwanted: boolean }[];
  readonly variants: readonly { readonly id: string; readonly title: string; readonly identity: Identity }[];
}

/** What is asked about a profile: everything, how it is built, or only what it says of itself. */
export interface CheckAsked {
  readonly source: string;
  readonly what: 'all' | 'description' | { readonly build: Build };
}

export type CheckAnswer =
  | { readonly sound: true; readonly description: Description }
  | { readonly sound: false; readonly problems: readonly string[] };

/** The profile is called that in its problems. */
const FILE = 'profile';
const SHOWN = 10;

/**
 * Reads a profile, and runs it once, healthy, as it is asked for. Not to be called where others wait: what comes from outside
 * may be made to take for ever.
 */
export default function check({ source, what }: CheckAsked): CheckAnswer {
  try {
    if (what === 'all') return checkAll(source);
    if (what !== 'description') soundIn(source, what.build);
    return { sound: true, description: describe(source) };
  } catch (error) {
    if (error instanceof ProblemError)
      return { sound: false, problems: error.problems.slice(0, SHOWN).map(formatProblem) };
    // Whatever was written so that the reader itself gives up: nested too deeply, for one.
    return { sound: false, problems: [`It cannot be read: ${(error as Error).message}`] };
  }
}

function checkAll(source: string): CheckAnswer {
  const variants = variantsOf(source, FILE);
  if (variants.length > MOST_VARIANTS)
    return { sound: false, problems: [`It has ${variants.length} variants; ${MOST_VARIANTS} is the most.`] };
  for (const variant of [undefined, ...variants.map((v) => v.id)]) soundIn(source, withVariant(variant));
  return { sound: true, description: describe(source) };
}

function soundIn(source: string, build: Build): void {
  const { problems } = checkProfile(source, FILE, build);
  if (problems.length > 0) throw new ProblemError(problems);
}

function describe(source: string): Description {
  const { id, title, summary, version, family, identity, phases } = loadProfile(source, FILE);
  return {
    id,
    title,
    summary,
    version,
    ...(family && { family }),
    identity,
    phases: phases.map((phase) => ({ id: phase.id, title: phase.title, unwanted: phase.unwanted })),
    variants: variantsOf(source, FILE),
  };
}
