/** Progress lines, one a step, with how long it took. */

/** Runs `work`, saying what it is and how long it took; where nobody looks on, in one line when it is done. */
export async function step(name, work) {
  const begun = `• ${name} … `;
  if (process.stdout.isTTY) process.stdout.write(begun);
  const from = Date.now();
  try {
    const result = await work();
    process.stdout.write(
      `${process.stdout.isTTY ? '' : begun}${typeof result === 'string' ? result : 'done'} (${((Date.now() - from) / 1000).toFixed(1)} s)\n`,
    );
    return result;
  } catch (error) {
    process.stdout.write(`${process.stdout.isTTY ? '' : begun}failed\n`);
    throw error;
  }
}

/** Ends with one plain message instead of a stack. */
export class Plain extends Error {}

/** Runs `main`, printing a Plain error's message alone. */
export async function plainly(main) {
  try {
    await main();
  } catch (error) {
    console.error(error instanceof Plain ? `\n${error.message}` : error);
    process.exitCode = 1;
  }
}
