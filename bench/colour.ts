/** Measures colour alone and puts its section into docs/performance.md. Run with `npm run bench:colour`. */
import { readFileSync, writeFileSync } from 'node:fs';
import { shadeReport } from './shade';

const path = `${import.meta.dirname}/../docs/performance.md`;
const section = shadeReport();
console.log(section);
const rest = readFileSync(path, 'utf8').split('\n## Colour')[0]!.trimEnd();
writeFileSync(path, `${rest}\n\n${section}`);
