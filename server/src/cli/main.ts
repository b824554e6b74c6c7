import { ft } from './ft';

process.exitCode = ft(
  process.argv.slice(2),
  (text) => {
    process.stdout.write(`${text}\n`);
  },
  (text) => {
    process.stderr.write(`${text}\n`);
  },
);
