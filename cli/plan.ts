/** The plan from the command line: `npm run plan -- FILE`; see plan-command.ts. */
import { planCommand } from './plan-command';

process.exitCode = await planCommand(process.argv.slice(2), {
  out: (text) => void process.stdout.write(text),
  err: (text) => void process.stderr.write(text),
});
