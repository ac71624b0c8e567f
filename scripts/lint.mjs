// npm run lint: every rule, with those that `npm test` leaves out: what the compiler says of each component, kinds asked by type.
import { bin, checkNode, ensurePackages, run } from './prepare.mjs';

checkNode();
ensurePackages(true);
process.exit(run(bin('eslint'), ['.', '--max-warnings=0']).status ?? 1);
