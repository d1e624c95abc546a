// The frames' part of the table, in a process of its own: its peak of memory is then that of the planner.
import { benchFrames } from './frame-packing';
import { printTable } from './row';

void benchFrames().then(printTable);
