/** Bad input: printed on stderr as it is, exit code 2, no stack trace. */
export class UsageError extends Error {}

export const USAGE = `zetalysis: model-based troubleshooting for heating appliances

  zetalysis diagnose CASE.yaml [--weights RATES.json] [--json]
      plays a case through the engine; exit 1 when an expectation is not met;
      RATES.json holds a shop's published rates, or multiplies fault weights: {"part.mode": factor}
  zetalysis simulate PROFILE [--variant V] [--fault part.mode ...] [--json | --csv | --log POINT,… [--lasts SECONDS]]
      runs one try for heat and prints what happens when
  zetalysis netlist PROFILE [--variant V] [--fault part.mode ...] [--dc]
      writes the circuit, as it stands at the end of the run, as a SPICE deck
  zetalysis practice [--count N] [--seed N] [--level 0–7] [--json]
      draws exercises, lets three scripted players play each, and prints what their marks are
  zetalysis profiles [--check FILE | --coverage ID] [--json]
      lists the profiles, checks one, or says what its tests can tell apart
  zetalysis rates --trial [PROFILE ...] [--seeds N] [--seed N] [--breaks N] [--visits N] [--json]
      learns rates from seasons whose true rates nobody knows, and says what that is worth beside the assumed ones
  zetalysis report CASE.yaml --out FILE.pdf|FILE.html [--for customer|technical|handover] [--size letter|a4] [--units us|si]
      writes what a case leaves on paper
  zetalysis score [PROFILE ... | --all] [--seed N] [--per N] [--pairs N] [--problems N] [--json]
      lets simulated technicians follow the advice, beside a terminal-by-terminal walk
  zetalysis score [PROFILE ... | --all] --world WORLD.yaml [--visits N] [--seed N] [--json]
      the same with appliances and people drawn from a world file, and from one 15 % wider
  zetalysis van --trial [--days N] [--seed N] [--json]
      loads a van by what customers tell, beside the most common parts and a random set of the same price

Exit: 0 done · 1 ran, but an expectation was not met · 2 bad input (reason on stderr)
`;
