import { ProblemError } from '@zetalysis/core/profile';
import { diagnose } from './diagnose';
import { netlist } from './netlist';
import { practice } from './practice';
import { profiles } from './profiles';
import { rates } from './rates/index';
import { report } from './report';
import { score } from './score/index';
import { simulate } from './simulate';
import { USAGE, UsageError } from './usage';
import { van } from './van/index';

/** A command takes its arguments and returns what to print and the exit code. */
export interface Done {
  readonly text: string;
  readonly exit: 0 | 1;
}
export type Command = (args: string[]) => Done | Promise<Done>;

const COMMANDS: Readonly<Record<string, Command>> = {
  diagnose,
  simulate,
  netlist,
  practice,
  profiles,
  rates,
  report,
  score,
  van,
};

/** Runs one command line. Bad input prints its reason on stderr and gives 2. */
export async function main(args: string[]): Promise<number> {
  const [name, ...rest] = args;
  if (name === undefined || name === '--help' || name === '-h' || name === 'help') {
    process.stdout.write(USAGE);
    return name === undefined ? 2 : 0;
  }
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
  try {
    if (!command) throw new UsageError(`unknown command "${name}"; zetalysis --help lists the commands`);
    const { text, exit } = await command(rest);
    process.stdout.write(text.endsWith('\n') ? text : `${text}\n`);
    return exit;
  } catch (error) {
    if (error instanceof UsageError || error instanceof ProblemError || isParseArgsError(error)) {
      process.stderr.write(`zetalysis: ${(error as Error).message}\n`);
      return 2;
    }
    throw error;
  }
}

const isParseArgsError = (error: unknown): boolean =>
  error instanceof TypeError && String((error as NodeJS.ErrnoException).code).startsWith('ERR_PARSE_ARGS');
