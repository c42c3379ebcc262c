/** Measures colour alone and puts its section into docs/performance.md. Run with `npm run bench:colour`. */
import { putSection } from './section';
import { shadeReport } from './shade';

const section = shadeReport();
console.log(section);
putSection(section);
