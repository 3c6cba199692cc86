/** Progress lines for people: what is being done, how far it is where it says so, and how long it took. */
export async function step(title, work) {
  const from = Date.now();
  process.stdout.write(`  ${title} … `);
  try {
    const result = await work((done) => process.stdout.write(`${done} … `));
    process.stdout.write(`${((Date.now() - from) / 1000).toFixed(1)} s\n`);
    return result;
  } catch (error) {
    process.stdout.write('failed\n');
    throw error;
  }
}

/** Something the person at the keyboard must do; printed without a stack trace. */
export class Advice extends Error {}

export function runMain(main) {
  main().catch((error) => {
    console.error(error instanceof Advice ? `\n${error.message}` : error);
    process.exit(1);
  });
}
