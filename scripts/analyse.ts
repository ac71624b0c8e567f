// npm run -s analyse -- FILE: a project file in, its analysis as JSON out (docs/api.md).
import { readFileSync } from 'node:fs';
import { answerTo } from '../src/app/api/analyse/answer';

const [file] = process.argv.slice(2);
if (file === undefined) {
  console.error('npm run -s analyse -- FILE: which project file?');
  process.exit(2);
}
let text = '';
try {
  text = readFileSync(file, 'utf8');
} catch {
  console.error(`${file} cannot be read.`);
  process.exit(2);
}
const { status, body } = answerTo(text, true);
if ('error' in body) {
  console.error(body.path === null ? body.error : `${body.error} (${body.path})`);
  process.exit(1);
}
console.log(JSON.stringify(body, null, 2));
process.exit(status === 200 ? 0 : 1);
