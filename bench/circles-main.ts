// npm run bench:circles: packing of circles against what is best known. With `long` also what is promised for ten seconds and a minute.
import { benchCircles } from './circles';
import { printTable } from './row';

printTable(benchCircles(process.argv.includes('long')));
