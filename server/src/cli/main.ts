import { ft, ftData } from './ft';

const argv = process.argv.slice(2);
const print = (text: string): void => {
  process.stdout.write(`${text}\n`);
};
const complain = (text: string): void => {
  process.stderr.write(`${text}\n`);
};

process.exitCode =
  (await ftData(argv, new Date().toISOString(), print, complain)) ?? ft(argv, print, complain);
