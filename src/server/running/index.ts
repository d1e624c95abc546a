export { mayRead } from './may-read';
export { metricsText } from './metrics';
export { sayThatItRuns } from './process';
