/** Entry of the command line; see docs/command-line.md. */
import { ranCommand } from './command.js';

const { status, out, errors } = await ranCommand(process.argv.slice(2));
if (out) console.log(out);
if (errors) console.error(errors);
process.exitCode = status;
